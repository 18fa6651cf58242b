/** What every hypothesis would show in every state a circuit is observed in: worked out when first asked for, then kept. */
import { energisedLoads, facesOf, loadsIn } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Call, Load, LoadNature } from '../devices';
import { kindOf } from '../devices';
import type { Network, OperatingPoint, Overlay, Probes, Reading, Solver } from '../network';
import { compile, layOver, makeSolver, measure, voltsHeld } from '../network';
import type { Arrival, Condition } from './courses';
import { Courses } from './courses';
import type { Hypothesis } from './hypotheses';
import { hypothesesOf } from './hypotheses';
import type { OperatingState } from './states';
import { callStates } from './states';

/** What a hand at the outlet feels: `mixed` is lukewarm, heat and cold at once. */
export type Air = 'warm' | 'cold' | 'mixed' | 'plain' | 'still';

export interface Prediction {
  point: OperatingPoint;
  /** What a meter reads there, in the units of its mode. */
  read(probes: Probes): Reading;
  air: Air;
  /** Loads that run, by `device/load`. */
  runs: ReadonlySet<string>;
  /** What devices show, by device. */
  faces: ReadonlyMap<string, string>;
  /** Thermostats whose screen is dark. */
  blank: ReadonlySet<string>;
}

export interface Dictionary {
  circuit: Circuit;
  hypotheses: readonly Hypothesis[];
  /** The network all hypotheses are held over; nodes of a prediction's point are its nodes. */
  network: Network;
  /** What may be called, nothing first. */
  states: readonly OperatingState[];
  /** @throws RangeError when there is no such state. */
  predict(hypothesis: number, state: string): Prediction;
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

/** What a device shows where its fault shows by itself, whatever its behaviour says. */
function shownBy(
  { devices }: Circuit,
  { failure }: Hypothesis,
): readonly [device: string, text: string] | null {
  if (failure.type !== 'part') return null;
  const { kind } = devices.find(({ id }) => id === failure.device)!;
  const shows = kindOf(kind).faults.find(({ mode }) => mode === failure.mode)?.shows;
  return shows === undefined ? null : [failure.device, shows];
}

/** What is seen of a circuit once it has come to a state. */
function seenAt({ network, inputs, settled, choice }: Arrival, solver: Solver, overlay: Overlay): Prediction {
  const on = energisedLoads(network, settled);
  const faces = [...facesOf(network, inputs, settled.world)].map(([id, { text }]) => [id, text] as const);
  return {
    point: settled.point,
    read: (probes) =>
      probes.mode === 'ac-volts'
        ? { ok: true, value: voltsHeld(solver, choice, overlay, probes), unit: 'V' }
        : measure(settled.point, probes),
    air: airOf(network, on),
    runs: new Set(on.map(({ device, load }) => `${device}/${load.id}`)),
    faces: new Map(faces),
    blank: new Set(
      network.devices.flatMap(({ device: { id }, kind }) =>
        kind.asks && settled.world.states[id]!.powered !== true ? [id] : [],
      ),
    ),
  };
}

/** What hypotheses that do the same to the circuit share: a conductor that is broken or off either of its screws. */
class Effect {
  private readonly known = new Map<string, Prediction>();

  constructor(
    private readonly courses: Courses,
    private readonly solver: Solver,
    private readonly overlay: Overlay,
  ) {}

  predict(state: OperatingState): Prediction {
    const known = this.known.get(state.id);
    if (known) return known;
    const made = seenAt(this.courses.arrive(this.overlay, state), this.solver, this.overlay);
    this.known.set(state.id, made);
    return made;
  }
}

/** What a map has at a key, made when first asked for. */
function once<T>(map: Map<string, T>, key: string, make: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}

/** Compiles a circuit once, every hypothesis laid ready over it. */
export function makeDictionary(
  circuit: Circuit,
  hypotheses: readonly Hypothesis[] = hypothesesOf(circuit),
  states: readonly OperatingState[] = callStates(circuit),
): Dictionary {
  const laid = layOver(
    compile(circuit),
    hypotheses.map(({ alteration }) => alteration),
  );
  const solver = makeSolver(laid.network);
  const byId = new Map(states.map((state) => [state.id, state]));
  const effects = new Map<string, Effect>();
  const families = new Map<string, Courses>();
  const coursesOf = ({ held, settings, early }: Condition) =>
    once(
      families,
      JSON.stringify([held, settings, early]),
      () => new Courses(withSettings(laid.network, settings), { held, settings, early }, solver, states[0]!),
    );
  const made = hypotheses.map((one, i) => {
    const overlay = laid.overlays[i]!;
    const key = JSON.stringify([overlay, one.held, one.settings, one.early]);
    return {
      effect: once(effects, key, () => new Effect(coursesOf(one), solver, overlay)),
      shows: shownBy(circuit, one),
    };
  });
  return {
    circuit,
    hypotheses,
    network: laid.network,
    states,
    predict(hypothesis, id) {
      const state = byId.get(id);
      if (!state)
        throw new RangeError(`There is no state "${id}"; there are ${[...byId.keys()].join(', ')}.`);
      const { effect, shows } = made[hypothesis]!;
      const prediction = effect.predict(state);
      return shows ? { ...prediction, faces: new Map([...prediction.faces, shows]) } : prediction;
    },
  };
}
