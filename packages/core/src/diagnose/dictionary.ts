/** What every hypothesis would show in every state a circuit is observed in: worked out when first asked for, then kept. */
import type { World } from '../behaviour';
import { energisedLoads, facesOf, loadsIn, openedProtections } from '../behaviour';
import type { Circuit, End } from '../circuit';
import { endNode, findConductor, otherEnd } from '../circuit';
import type { Call, Load, LoadNature } from '../devices';
import { kindOf } from '../devices';
import type { Network, OperatingPoint, Overlay, Probes, Reading, Solver } from '../network';
import { ampsThrough, bridgeId, compile, fedAt, layOver, makeSolver, measure, voltsHeld } from '../network';
import type { Arrival, Condition } from './courses';
import { Courses } from './courses';
import type { Hypothesis } from './hypotheses';
import { hypothesesOf, singlesOf } from './hypotheses';
import type { OperatingState } from './states';
import { displacedBy } from '../prove';
import { callStates, stateOf, trialsOf } from './states';

/** What a hand at the outlet feels: `mixed` is lukewarm, heat and cold at once. */
export type Air = 'warm' | 'cold' | 'mixed' | 'plain' | 'still';

export interface Prediction {
  point: OperatingPoint;
  /** What a meter reads there, in the units of its mode. */
  read(probes: Probes): Reading;
  /** Amperes that a clamp about a conductor finds. */
  clamp(conductor: string): number;
  air: Air;
  /** Loads that run, by `device/load`. */
  runs: ReadonlySet<string>;
  /** What devices show, by device. */
  faces: ReadonlyMap<string, string>;
  /** Thermostats whose screen is dark. */
  blank: ReadonlySet<string>;
  /** Devices whose protection is open by then: a fuse that has blown, a breaker that has tripped. */
  opened: readonly string[];
}

export interface Dictionary {
  circuit: Circuit;
  hypotheses: readonly Hypothesis[];
  /** The network all hypotheses are held over; nodes of a prediction's point are its nodes. */
  network: Network;
  /** What may be called, nothing first. */
  states: readonly OperatingState[];
  /** States beyond those, in which something is tried: by id. */
  trials: readonly string[];
  /**
   * @param opened - devices whose protection had opened before the state was set; none when left out.
   * @throws RangeError when there is no such state.
   */
  predict(hypothesis: number, state: string, opened?: readonly string[]): Prediction;
}

const withSettings = (network: Network, settings: Hypothesis['settings']): Network =>
  Object.keys(settings).length === 0
    ? network
    : {
        ...network,
        devices: network.devices.map((installed) => {
          const own = settings[installed.device.id];
          const { context } = installed;
          return own
            ? { ...installed, context: { ...context, settings: { ...context.settings, ...own } } }
            : installed;
        }),
      };

/** Loads that make heat or cold; what else is energised only moves it. */
const MAKES: ReadonlySet<LoadNature> = new Set(['flame', 'strip', 'compressor', 'valve']);

const isFan = ({ serves, nature }: Pick<Load, 'serves' | 'nature'>) => serves === 'fan' && nature === 'motor';

/** From the loads that run. A unit without a fan is felt at its pipes. */
function airOf(network: Network, on: ReturnType<typeof energisedLoads>): Air {
  const makes = (call: Call) => on.some(({ serves, load }) => serves === call && MAKES.has(load.nature));
  const hasFan = loadsIn(network).some(({ load }) => isFan(load));
  if (hasFan && !on.some(({ load }) => isFan(load))) return 'still';
  if (makes('heat')) return makes('cool') ? 'mixed' : 'warm';
  return makes('cool') ? 'cold' : 'plain';
}

/** What devices show where a fault shows by itself, whatever their behaviour says. */
const shownBy = ({ devices }: Circuit, given: Hypothesis): (readonly [device: string, text: string])[] =>
  singlesOf(given).flatMap(({ failure }) => {
    if (failure.type !== 'part') return [];
    const { kind } = devices.find(({ id }) => id === failure.device)!;
    const shows = kindOf(kind).faults.find(({ mode }) => mode === failure.mode)?.shows;
    return shows === undefined ? [] : [[failure.device, shows] as const];
  });

/** What hangs on how devices stand alone. */
type Shown = Pick<Prediction, 'faces' | 'blank' | 'opened'>;

/** Many faults come to the same: by how all devices stand then, which is of one run under one call. */
type ShownBy = Map<World, Shown>;

function shownIn(shown: ShownBy, { network, inputs, settled: { world } }: Arrival): Shown {
  const known = shown.get(world);
  if (known) return known;
  const faces = [...facesOf(network, inputs, world)].map(([id, { text }]) => [id, text] as const);
  const blank = network.devices.flatMap(({ device: { id }, kind }) =>
    kind.asks && world.states[id]!.powered !== true ? [id] : [],
  );
  const opened = openedProtections(network, world).map(({ installed }) => installed.device.id);
  const made = { faces: new Map(faces), blank: new Set(blank), opened };
  shown.set(world, made);
  return made;
}

/** What is seen of a circuit once it has come to a state. */
function predictionAt(
  arrival: Arrival,
  solver: Solver,
  held: Overlay,
  shown: ShownBy,
): Omit<Prediction, 'clamp'> {
  const { network, settled, choice } = arrival;
  const on = energisedLoads(network, settled);
  return {
    point: settled.point,
    read: (probes) =>
      probes.mode === 'ac-volts'
        ? { ok: true, value: voltsHeld(solver, choice, held, probes), unit: 'V' }
        : measure(settled.point, probes),
    air: airOf(network, on),
    runs: new Set(on.map(({ device, load }) => `${device}/${load.id}`)),
    ...shownIn(shown, arrival),
  };
}

/** An operating state with what is tried in it laid over the network. */
interface Laid extends OperatingState {
  overlay: Overlay;
}

/** A fault and what is tried, held together: what is tried wins, and a lifted end is off wherever it had been landed. */
function together(network: Network, fault: Overlay, { overlay, tried }: Laid): Overlay {
  if (overlay.length === 0) return fault;
  const own = new Set(overlay.map(({ branch }) => branch));
  const lifted = new Set(tried.lifted.flatMap(({ conductor, end }) => farNode(network, conductor, end)));
  const isOff = (branch: number) =>
    network.branches[branch]!.origin.type === 'bridge' &&
    network.branches[branch]!.nodes.some((node) => lifted.has(network.nodes[node]!));
  return [...fault.filter(({ branch }) => !own.has(branch) && !isOff(branch)), ...overlay];
}

/** Where the other end of a conductor is. */
function farNode({ circuit }: Network, id: string, end: End): string[] {
  const conductor = findConductor(circuit, id);
  return conductor ? [endNode(conductor, otherEnd(end))] : [];
}

/** What hypotheses that do the same to the circuit share: a conductor that is broken or off either of its screws. */
class Effect {
  private readonly known = new Map<string, Omit<Prediction, 'clamp'>>();

  constructor(
    private readonly courses: Courses,
    private readonly solver: Solver,
    private readonly overlay: Overlay,
    private readonly shown: ShownBy,
  ) {}

  predict(state: Laid, opened: readonly string[]): Omit<Prediction, 'clamp'> {
    return once(this.known, keyOf(state.id, opened), () => {
      const held = together(this.solver.network, this.overlay, state);
      const arrival = this.courses.arrive(this.overlay, held, state, opened);
      return predictionAt(arrival, this.solver, held, this.shown);
    });
  }
}

/** Amperes through a conductor, wherever a hypothesis has it landed. */
function clampedAt(point: OperatingPoint, given: Hypothesis, conductor: string): number {
  const { branches } = point.network;
  const through = (id: string) => {
    const branch = branches.findIndex((one) => one.id === id);
    return branch < 0 ? 0 : ampsThrough(point, branch);
  };
  const elsewhere = singlesOf(given).flatMap(({ failure, alteration }) => {
    if (failure.type !== 'landing') return [];
    const at = displacedBy(failure.wrong).findIndex((landed) => landed.conductor === conductor);
    return at < 0 ? [] : [bridgeId(alteration.bridges![at]!)];
  });
  return [`wire:${conductor}`, ...elsewhere].reduce((sum, id) => sum + through(id), 0);
}

/** One for every state that is come to with other protections open before. */
const keyOf = (state: string, opened: readonly string[]): string =>
  opened.length === 0 ? state : [state, ...opened].join('|');

/** What a map has at a key, made when first asked for. */
function once<T>(map: Map<string, T>, key: string, make: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}

/**
 * Compiles a circuit once, every hypothesis laid ready over it, and all that may be tried.
 *
 * @param trials - ids of states with something tried, besides plain calls; those the circuit has no parts for are left out.
 */
export function makeDictionary(
  circuit: Circuit,
  hypotheses: readonly Hypothesis[] = hypothesesOf(circuit),
  states: readonly OperatingState[] = callStates(circuit),
  trials: readonly string[] = trialsOf(circuit),
): Dictionary {
  const tried = trials.flatMap((id) => stateOf(circuit, states, id) ?? []);
  const all = [...states, ...tried];
  const { network, overlays } = layOver(
    compile(circuit),
    [...hypotheses, ...all].map(({ alteration }) => alteration),
  );
  const solver = makeSolver(network);
  const byId = new Map(
    all.map((state, i) => [state.id, { ...state, overlay: overlays[hypotheses.length + i]! }]),
  );
  const effects = new Map<string, Effect>();
  const shown: ShownBy = new Map();
  const families = new Map<string, Courses>();
  const feeds = new Map([['1', solver]]);
  const solverAt = (line: number) => once(feeds, String(line), () => makeSolver(fedAt(network, line)));
  const coursesOf = ({ held, settings, line, early }: Condition) => {
    const condition = { held, settings, line, early };
    return once(families, JSON.stringify(condition), () => {
      const fed = solverAt(line);
      return new Courses(withSettings(fed.network, settings), condition, fed, states[0]!);
    });
  };
  const made = hypotheses.map((one, i) => {
    const overlay = overlays[i]!;
    const key = JSON.stringify([overlay, one.held, one.settings, one.line, one.early]);
    return {
      effect: once(effects, key, () => new Effect(coursesOf(one), solverAt(one.line), overlay, shown)),
      shows: shownBy(circuit, one),
      known: new Map<string, Prediction>(),
    };
  });
  return {
    circuit,
    hypotheses,
    network,
    states,
    trials: tried.map(({ id }) => id),
    predict(hypothesis, id, opened = []) {
      const { effect, shows, known } = made[hypothesis]!;
      return once(known, keyOf(id, opened), () => {
        const state = byId.get(id);
        if (!state)
          throw new RangeError(`There is no state "${id}"; there are ${[...byId.keys()].join(', ')}.`);
        const prediction = effect.predict(state, opened);
        return {
          ...prediction,
          faces: shows.length > 0 ? new Map([...prediction.faces, ...shows]) : prediction.faces,
          clamp: (conductor) => clampedAt(prediction.point, hypotheses[hypothesis]!, conductor),
        };
      });
    },
  };
}
