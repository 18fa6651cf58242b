/**
 * A visit to a place with something wrong: the circuit as it is there, solved plainly. What time has done stays done: a fuse
 * that has blown is blown in every call after it.
 */
import type { Inputs, Settled, World } from '../../behaviour';
import {
  NEW_WORLD,
  advance,
  energisedLoads,
  facesOf,
  holding,
  openedProtections,
  untilSteady,
} from '../../behaviour';
import type { Circuit, End } from '../../circuit';
import { lift } from '../../circuit';
import type { Call, LoadNature } from '../../devices';
import { kindOf } from '../../devices';
import type { Branch, Network, Probes, Reading } from '../../network';
import { ampsThrough, compile, measure } from '../../network';
import { powerOff } from '../../prove';
import type { Truth } from './truth';

/** What a person has set and holds. */
export interface Trying {
  inputs: Inputs;
  powerOff: boolean;
  jumper: readonly [string, string] | null;
  lifted: readonly { conductor: string; end: End }[];
}

/** How the place stands, to whoever looks, listens and measures. */
export interface Stand {
  read(probes: Probes): Reading;
  clamp(conductor: string): number;
  /** Loads that run, by `device/load`. */
  runs: ReadonlySet<string>;
  air: 'warm' | 'cold' | 'mixed' | 'plain' | 'still';
  faces: ReadonlyMap<string, string>;
  /** Devices that have opened on too much current. */
  opened: readonly string[];
}

export interface Visit {
  /** Sets everything and waits until nothing more happens. */
  stand(trying: Trying): Stand;
}

/** Long enough for every compressor to have rested; a call is watched no longer than the other; power off. Seconds. */
const REST_S = 420;
const LONGEST_S = 1200;
const DARK_S = 60;
const JUMPER_OHMS = 0.05;

const admittances = (held: 'open' | number, { ac }: Branch) =>
  ac.map(() => (held === 'open' ? { re: 0, im: 0 } : { re: 1 / held, im: 0 }));

/** The network with branches held, and what it is fed with. */
function heldIn(network: Network, { branches, line }: Truth): Network {
  const volts = ({ re, im }: { re: number; im: number }) => ({ re: re * line, im: im * line });
  return {
    ...network,
    branches: network.branches.map((branch) => {
      const held = branches[branch.id];
      if (held !== undefined)
        return { ...branch, ac: admittances(held, branch), dc: admittances(held, branch) };
      return branch.emf && line !== 1
        ? { ...branch, emf: { ac: volts(branch.emf.ac), dc: branch.emf.dc } }
        : branch;
    }),
  };
}

function compiled(given: Truth, { jumper, lifted }: Trying): Network {
  const circuit = lifted.reduce((now, { conductor, end }) => lift(now, conductor, end), given.circuit);
  const isOff = (point: string) => lifted.some(({ conductor, end }) => point === `${conductor}~${end}`);
  const bridges = [
    ...given.bridges.filter(({ red }) => !isOff(red)),
    ...(jumper ? [{ red: jumper[0], black: jumper[1], ohms: JUMPER_OHMS }] : []),
  ];
  return heldIn(compile(circuit, given.faults, bridges), given);
}

const MAKES: ReadonlySet<LoadNature> = new Set(['flame', 'strip', 'compressor', 'valve']);

function airOf({ devices }: Network, on: ReturnType<typeof energisedLoads>): Stand['air'] {
  const hasFan = devices.some(({ kind, context }) =>
    kind.loads(context).some(({ nature, serves }) => nature === 'motor' && serves === 'fan'),
  );
  if (hasFan && !on.some(({ load, serves }) => load.nature === 'motor' && serves === 'fan')) return 'still';
  const makes = (call: Call) => on.some(({ load, serves }) => serves === call && MAKES.has(load.nature));
  if (makes('heat') && makes('cool')) return 'mixed';
  return makes('heat') ? 'warm' : makes('cool') ? 'cold' : 'plain';
}

/** What its listed faults show, whatever the device does. */
const shownBy = ({ circuit, faults }: Truth): [string, string][] =>
  faults.flatMap(({ target, mode }) => {
    const kind = circuit.devices.find(({ id }) => id === target)?.kind;
    const shows = kind && kindOf(kind).faults.find((one) => one.mode === mode)?.shows;
    return shows === undefined ? [] : [[target, shows] as [string, string]];
  });

function standIn(given: Truth, network: Network, inputs: Inputs, settled: Settled): Stand {
  const { point, world } = settled;
  const on = energisedLoads(network, settled);
  const faces = [...facesOf(network, inputs, world)].map(([id, { text }]) => [id, text] as const);
  return {
    read: (probes) => measure(point, probes),
    clamp: (conductor) =>
      ampsThrough(
        point,
        network.branches.findIndex(({ id }) => id === `wire:${conductor}`),
      ),
    runs: new Set(on.map(({ device, load }) => `${device}/${load.id}`)),
    air: airOf(network, on),
    faces: new Map([...faces, ...shownBy(given)]),
    opened: openedProtections(network, world).map(({ installed }) => installed.device.id),
  };
}

/** Nothing wrong, as it is when what comes now and then does not come. */
const without = (given: Truth, sound: Circuit): Truth => ({
  ...given,
  circuit: sound,
  faults: [],
  bridges: [],
  branches: {},
  line: 1,
  controls: {},
});

/**
 * @param sound - the circuit as it is recorded.
 * @param off - with nothing called: how the place rests before anybody calls.
 * @param shows - asked whether what comes now and then shows this time.
 */
export function visit(given: Truth, sound: Circuit, off: Inputs, shows: () => boolean): Visit {
  const networks = new Map<string, Network>();
  const networkOf = (truth: Truth, trying: Trying) => {
    const key = JSON.stringify([truth === given, trying.jumper, trying.lifted]);
    const known = networks.get(key) ?? compiled(truth, trying);
    networks.set(key, known);
    return known;
  };
  const calm = without(given, sound);
  let world: World = NEW_WORLD;
  let last: string | null = null;
  let stands: Stand | null = null;
  return {
    stand(trying) {
      const truth = given.nowAndThen && !shows() ? calm : given;
      const now = JSON.stringify([trying, truth === given]);
      if (now === last && stands) return stands;
      const network = networkOf(truth, trying);
      const held = (inputs: Inputs) => holding(inputs, truth.controls);
      const { inputs } = trying;
      const rested = advance(network, held(off), world, REST_S);
      const called = held(trying.powerOff ? powerOff(sound, inputs) : inputs);
      const settled = trying.powerOff
        ? advance(network, called, rested.world, DARK_S)
        : untilSteady(network, called, rested.world, LONGEST_S);
      ({ world } = settled);
      last = now;
      stands = standIn(truth, network, called, settled);
      return stands;
    },
  };
}
