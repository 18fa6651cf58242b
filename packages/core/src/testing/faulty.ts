/** Good circuits with one thing wrong, and what that is: a lifted end, a wrong landing, a fault laid over. */
import type { Inputs, Settled } from '../behaviour';
import { NEW_WORLD, advance, holding, readLoads, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import { ENDS, lift } from '../circuit';
import { kindOf } from '../devices';
import type { Fault, Network } from '../network';
import { compile, makeSolver } from '../network';
import type { Asked } from '../prove';
import { asksOf, wrongLandings } from '../prove';
import type { ToldStatus } from './tell';
import { tellWrong, toldView } from './tell';

export interface Faulty {
  what: 'lifted' | 'landing' | 'fault';
  text: string;
  circuit: Circuit;
  faults: readonly Fault[];
  /** Controls the fault holds, whatever is set. */
  held?: Inputs['controls'];
  /** Devices, conductors and terminals that are not as they were. */
  changed: readonly string[];
}

const conductorsOf = ({ cables }: Circuit) => cables.flatMap(({ conductors }) => conductors);

const stationsOf = ({ devices }: Circuit) => {
  const by = new Map(devices.map(({ id, station }) => [id, station]));
  return (terminal: string) => by.get(terminal.split('.')[0]!);
};

/** Every conductor between two places, lifted at one end. */
function lifted(circuit: Circuit): Faulty[] {
  const stationOf = stationsOf(circuit);
  return conductorsOf(circuit).flatMap(({ id, from, to }) =>
    from === null || to === null || stationOf(from) === stationOf(to)
      ? []
      : ENDS.map((end) => ({
          what: 'lifted',
          text: `${id} lifted at its ${end} end`,
          circuit: lift(circuit, id, end),
          faults: [],
          changed: [id],
        })),
  );
}

const landings = (circuit: Circuit): Faulty[] =>
  wrongLandings(circuit).map(({ wrong, circuit: spoiled }) => {
    const now = new Map(conductorsOf(spoiled).map((conductor) => [conductor.id, conductor]));
    const moved = conductorsOf(circuit).filter(
      ({ id, from, to }) => now.get(id)!.from !== from || now.get(id)!.to !== to,
    );
    const changed = moved.flatMap(({ id, from, to }) => [id, ...[from, to].flatMap((end) => end ?? [])]);
    return { what: 'landing', text: tellWrong(circuit, wrong), circuit: spoiled, faults: [], changed };
  });

function faults(circuit: Circuit): Faulty[] {
  const laid = (text: string, target: string, mode: string, changed: string[]): Faulty => ({
    what: 'fault',
    text,
    circuit,
    faults: [{ target, mode }],
    changed,
  });
  return [
    ...circuit.devices.flatMap(({ id, kind }) =>
      kindOf(kind).faults.map(({ mode, controls }): Faulty => ({
        ...laid(`${id} ${mode}`, id, mode, [id]),
        ...(controls && { held: { [id]: controls } }),
      })),
    ),
    ...circuit.cables.flatMap(({ conductors }) =>
      conductors.flatMap(({ id }, i) => {
        const beside = conductors[i + 1];
        return [
          laid(`${id} open`, id, 'open', [id]),
          ...(beside ? [laid(`${id} touches ${beside.id}`, id, `short:${beside.id}`, [id, beside.id])] : []),
        ];
      }),
    ),
  ];
}

/** Everything that can be wrong with one conductor or one device. */
export const faultyOf = (circuit: Circuit): Faulty[] => [
  ...lifted(circuit),
  ...landings(circuit),
  ...faults(circuit),
];

const CALLS = /^(off|fan|heat|heat-far|cool|cool-far|emergency)$/;

export const callsOf = (circuit: Circuit): Asked[] => asksOf(circuit).filter(({ id }) => CALLS.test(id));

interface Ran {
  network: Network;
  settled: Settled;
  inputs: Inputs;
  /** What runs, and which thermostats are blank. */
  shows: string;
}

/** Runs every call from rest. */
export function runCalls(
  circuit: Circuit,
  laid: readonly Fault[],
  calls: readonly Asked[],
  held: Inputs['controls'] = {},
): Ran[] {
  const network = compile(circuit, laid);
  const solver = makeSolver(network);
  const asked = calls.map(({ inputs }) => holding(inputs, held));
  const { world } = advance(network, asked[0]!, NEW_WORLD, 420, solver);
  return asked.map((inputs) => {
    const settled = untilSteady(network, inputs, world, 1200, solver);
    const on = readLoads(network, settled).flatMap(({ device, id, energised }) =>
      energised ? [`${device}/${id}`] : [],
    );
    const blank = network.devices.flatMap(({ device, kind }) =>
      kind.asks && settled.world.states[device.id]!.powered !== true ? [`${device.id} blank`] : [],
    );
    return { network, settled, inputs, shows: [...on, ...blank].sort().join() };
  });
}

/** Status lines of a faulty circuit in every call that runs otherwise than when it was good. */
export function statusesOf(
  faulty: Faulty,
  calls: readonly Asked[],
  good: readonly Ran[],
): { call: string; status: ToldStatus; verdict: 'names it' | 'silent' | 'blames another' }[] {
  return runCalls(faulty.circuit, faulty.faults, calls, faulty.held).flatMap(
    ({ network, settled, inputs, shows }, i) => {
      if (shows === good[i]!.shows) return [];
      const { status } = toldView(network, inputs, settled);
      const parts = status.parts ?? [];
      const verdict = parts.some((part) => faulty.changed.includes(part))
        ? 'names it'
        : parts.length === 0
          ? 'silent'
          : 'blames another';
      return [{ call: calls[i]!.id, status, verdict }];
    },
  );
}
