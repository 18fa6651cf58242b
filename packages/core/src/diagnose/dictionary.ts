/** What every hypothesis would show in every state a circuit is observed in: worked out when first asked for, then kept. */
import type { World } from '../behaviour';
import { NEW_WORLD, advance, energisedLoads, facesOf, holding, loadsIn, untilSteady } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Call, Load, LoadNature } from '../devices';
import { kindOf } from '../devices';
import type { Network, OperatingPoint, Overlay, Solver } from '../network';
import { ampsThrough, compile, layOver, makeSolver, solveHeld, withOverlay } from '../network';
import { LONGEST_S, REST_S } from '../prove';
import type { Hypothesis } from './hypotheses';
import { hypothesesOf } from './hypotheses';
import type { OperatingState } from './states';
import { callStates } from './states';

/** What a hand at the outlet feels: `mixed` is lukewarm, heat and cold at once. */
export type Air = 'warm' | 'cold' | 'mixed' | 'plain' | 'still';

export interface Prediction {
  point: OperatingPoint;
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

/** What a hypothesis leaves otherwise beside the network. */
type Condition = Pick<Hypothesis, 'held' | 'settings' | 'early'>;

const SOUND: Condition = { held: {}, settings: {}, early: false };

/** How a circuit came to an operating state: every point on the way, and what it comes to. */
interface Course {
  passed: ReadonlySet<OperatingPoint>;
  prediction: Prediction;
}

/** Seconds since power came back, and since the call, for who looks before anything has settled. */
const JUST_ON_S = 5;
const AT_ONCE_S = 10;

/** What hypotheses that do the same to the circuit share: a conductor that is broken or off either of its screws. */
class Effect {
  private readonly network: Network;
  private rest: { world: World; passed: Set<OperatingPoint> } | null = null;
  private readonly known = new Map<string, Course>();

  /** @param sound - the circuit with nothing wrong, where this effect leaves controls and settings as they are. */
  constructor(
    base: Network,
    private readonly what: Condition,
    private readonly overlay: Overlay,
    private readonly solver: Solver,
    private readonly atRest: OperatingState,
    private readonly sound: Effect | null,
  ) {
    this.network = withSettings(withOverlay(base, overlay), what.settings);
  }

  predict(state: OperatingState): Prediction {
    return this.course(state).prediction;
  }

  private course(state: OperatingState): Course {
    const known = this.known.get(state.id);
    if (known) return known;
    const made = (this.sound && this.unmoved(this.sound.course(state))) ?? this.run(state);
    this.known.set(state.id, made);
    return made;
  }

  /** The sound circuit's own course, where the fault changes nothing that anything answers to; or else `null`. */
  private unmoved({ passed, prediction }: Course): Course | null {
    for (const point of passed)
      if (!isUnmoved(point, solveHeld(this.solver, point.choice, this.overlay), this.overlay)) return null;
    const point = solveHeld(this.solver, prediction.point.choice, this.overlay);
    return { passed, prediction: { ...prediction, point } };
  }

  private run(state: OperatingState): Course {
    const { network, solver } = this;
    const { held, early } = this.what;
    if (!this.rest) {
      const passed = new Set<OperatingPoint>();
      const watch = (point: OperatingPoint) => void passed.add(point);
      const inputs = holding(this.atRest.inputs, held);
      const rested = early ? JUST_ON_S : REST_S;
      this.rest = { world: advance(network, inputs, NEW_WORLD, rested, solver, watch).world, passed };
    }
    const passed = new Set(this.rest.passed);
    const inputs = holding(state.inputs, held);
    const watch = (point: OperatingPoint) => void passed.add(point);
    const { world } = this.rest;
    const settled = early
      ? advance(network, inputs, world, AT_ONCE_S, solver, watch)
      : untilSteady(network, inputs, world, LONGEST_S, solver, watch);
    const on = energisedLoads(network, settled);
    const faces = [...facesOf(network, inputs, settled.world)].map(([id, { text }]) => [id, text] as const);
    return {
      passed,
      prediction: {
        point: settled.point,
        air: airOf(network, on),
        runs: new Set(on.map(({ device, load }) => `${device}/${load.id}`)),
        faces: new Map(faces),
        blank: new Set(
          network.devices.flatMap(({ device: { id }, kind }) =>
            kind.asks && settled.world.states[id]!.powered !== true ? [id] : [],
          ),
        ),
      },
    };
  }
}

/** A change smaller than this moves nothing: no contact, no lamp. V and A; from memory. */
const STIRS_VOLTS = 1.5;
const STIRS_AMPS = 2e-3;

/**
 * Whether a fault leaves a point as it was for everything that answers to it: no node moves by more than a volt or so,
 * and what it holds carries nothing before or after.
 */
function isUnmoved(before: OperatingPoint, after: OperatingPoint, overlay: Overlay): boolean {
  for (const { branch } of overlay)
    if (ampsThrough(before, branch) > STIRS_AMPS || ampsThrough(after, branch) > STIRS_AMPS) return false;
  for (let node = 0; node < before.re.length; node++)
    if (
      Math.abs(before.re[node]! - after.re[node]!) > STIRS_VOLTS ||
      Math.abs(before.im[node]! - after.im[node]!) > STIRS_VOLTS
    )
      return false;
  return true;
}

const isEmpty = (record: object) => Object.keys(record).length === 0;

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
  const atRest = states[0]!;
  const byId = new Map(states.map((state) => [state.id, state]));
  const effects = new Map<string, Effect>();
  const sound = new Effect(laid.network, SOUND, [], solver, atRest, null);
  const made = hypotheses.map((one, i) => {
    const { held, settings, early } = one;
    const overlay = laid.overlays[i]!;
    const key = JSON.stringify([overlay, held, settings, early]);
    const like = !early && isEmpty(held) && isEmpty(settings) ? sound : null;
    const effect = effects.get(key) ?? new Effect(laid.network, one, overlay, solver, atRest, like);
    effects.set(key, effect);
    return { effect, shows: shownBy(circuit, one) };
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
