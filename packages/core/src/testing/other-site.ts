/** A place with a fault of another hand, asked and answered as Find asks: what is found is told by what is offered. */
import type { Complaint, Dictionary, Failure, Hypothesis, Observation, Remedy, Step } from '../diagnose';
import { noticedLoads, stateOf } from '../diagnose';
import { kindOf } from '../devices';
import { displacedBy } from '../prove';
import type { Found, Like, Stand, Truth, Visit } from './other';
import { visit } from './other';

/** A meter and eyes: spread of a figure, its floor in V, Ω and A, and how often it is plainly wrong. From memory. */
const SHARE = 0.03;
const FLOORS = { 'ac-volts': 0.2, ohms: 0.1, amps: 0.05 } as const;
const MISREAD = 0.01;
const ANYWHERE = 150;
/** How often what comes now and then shows. */
const SHOWS = 0.5;

const isLike = (given: object, like: Like): boolean =>
  Object.entries(like).every(
    ([name, value]) => JSON.stringify((given as Record<string, unknown>)[name]) === JSON.stringify(value),
  );

/** Whether work that is advised is work that puts it right; two at once where both are. */
export const isMend = ({ mends }: Truth, remedy: Remedy): boolean =>
  mends.some((like) => isLike(remedy, like));

const movesOf = (failure: Failure): string[] =>
  failure.type === 'landing'
    ? displacedBy(failure.wrong).map(({ conductor, end, on }) => `${conductor} ${end} ${on}`)
    : [];

function isTakenFor({ failure }: Hypothesis, { as, moves = [] }: Found): boolean {
  if (as.some((like) => isLike(failure, like))) return true;
  const there = moves.map(({ conductor, end, on }) => `${conductor} ${end} ${on ?? ''}`).sort();
  return there.length > 0 && movesOf(failure).sort().join() === there.join();
}

export interface OtherSite {
  complaint: Complaint | null;
  observe(step: Step): Observation[];
}

/** The sum of twelve uniform numbers is close to a normal deviate: its variance is 1. */
const deviate = (random: () => number) =>
  Array.from({ length: 12 }, random).reduce((sum, one) => sum + one, 0) - 6;

class Place {
  constructor(
    private readonly dictionary: Dictionary,
    private readonly truth: Truth,
    private readonly there: Visit,
    private readonly random: () => number,
  ) {}

  private at(id: string): Stand {
    const { circuit, states } = this.dictionary;
    const state = stateOf(circuit, states, id)!;
    const call = states.find((one) => one.id === state.tried.call)!;
    return this.there.stand({ ...state.tried, inputs: call.inputs });
  }

  private figure(value: number, mode: keyof typeof FLOORS): number {
    if (this.random() < MISREAD) return ANYWHERE * this.random();
    return Math.max(0, value + deviate(this.random) * Math.hypot(SHARE * value, FLOORS[mode]));
  }

  /** What is noticed of a call without opening anything. */
  running(state: string): Observation[] {
    const { air, runs } = this.at(state);
    return [
      { type: 'air', state, air },
      ...noticedLoads(this.dictionary.circuit).map(({ device, load }): Observation => ({
        type: 'runs',
        state,
        device,
        load,
        on: runs.has(`${device}/${load}`),
      })),
    ];
  }

  /** What a customer tells of a call. */
  told(state: string): Observation[] {
    const { faces } = this.at(state);
    return [
      ...this.running(state),
      ...this.dictionary.circuit.devices.flatMap(({ id, kind }): Observation[] =>
        kindOf(kind).asks ? [{ type: 'face', state, device: id, text: faces.get(id) ?? '' }] : [],
      ),
    ];
  }

  /** What is found at a place: by its id where it is offered; otherwise where nothing like it is. */
  private found(by: Found['by'], at: string): string | null {
    const { hypotheses } = this.dictionary;
    const found = this.truth.found.find((one) => one.by === by && one.at === at);
    if (found) return hypotheses.find((one) => isTakenFor(one, found))?.id ?? `${at} otherwise`;
    return by === 'test' ? this.openedAt(at) : null;
  }

  /** What has blown is found blown, whatever blew it. */
  private openedAt(device: string): string | null {
    const { opened } = this.at(this.dictionary.states[0]!.id);
    if (!opened.includes(device)) return null;
    const own = this.dictionary.hypotheses.find(
      ({ failure, alteration }) =>
        failure.type === 'part' &&
        failure.device === device &&
        Object.keys(alteration.positions ?? {}).length > 0,
    );
    return own?.id ?? `${device} otherwise`;
  }

  observe(step: Step): Observation[] {
    switch (step.type) {
      case 'reading': {
        const { state, mode, red, black } = step;
        const probes = { mode, red, black, meter: 'high-z' } as const;
        const reading = this.at(state).read(probes);
        if (!reading.ok) return [];
        const value = reading.value === Infinity ? ('open' as const) : this.figure(reading.value, mode);
        return [{ type: 'reading', state, probes, value }];
      }
      case 'clamp': {
        const { state, conductor } = step;
        return [
          { type: 'clamp', state, conductor, amps: this.figure(this.at(state).clamp(conductor), 'amps') },
        ];
      }
      case 'face': {
        const { state, device } = step;
        return [{ type: 'face', state, device, text: this.at(state).faces.get(device) ?? '' }];
      }
      case 'call':
      case 'jumper':
        return this.running(step.state);
      case 'look':
      case 'test':
        return [{ type: step.type, device: step.device, found: this.found(step.type, step.device) }];
      case 'swap':
        return [{ type: 'swapped', device: step.device, helped: this.truth.device === step.device }];
      case 'wires':
        return [{ type: 'wires', cable: step.cable.id, found: this.found('wires', step.cable.id) }];
    }
  }
}

/** What the sound place would be told of in a call. */
const soundTold = new WeakMap<Dictionary, Map<string, string>>();

const nothing = (circuit: Truth['circuit']): Truth => ({
  kind: 'listed mode',
  text: '',
  circuit,
  faults: [],
  bridges: [],
  branches: {},
  line: 1,
  controls: {},
  nowAndThen: false,
  found: [],
  mends: [],
  device: null,
});

function soundOf(dictionary: Dictionary, random: () => number): Map<string, string> {
  const known = soundTold.get(dictionary);
  if (known) return known;
  const { circuit, states } = dictionary;
  const truth = nothing(circuit);
  const place = new Place(
    dictionary,
    truth,
    visit(truth, circuit, states[0]!.inputs, () => true),
    random,
  );
  const told = new Map(states.map(({ id }) => [id, JSON.stringify(place.told(id))]));
  soundTold.set(dictionary, told);
  return told;
}

/**
 * A technician comes after the customer has made every call there is, the last first, until one went wrong.
 *
 * @returns no complaint where no call shows anything.
 */
export function otherSite(dictionary: Dictionary, truth: Truth, random: () => number): OtherSite {
  const { circuit, states } = dictionary;
  let isComplaining = true;
  const shows = () => isComplaining || random() < SHOWS;
  const there = visit(truth, circuit, states[0]!.inputs, shows);
  const place = new Place(dictionary, truth, there, random);
  const sound = soundOf(dictionary, random);
  const wrong = [...states].reverse().find(({ id }) => JSON.stringify(place.told(id)) !== sound.get(id));
  const complaint = wrong ? { state: wrong.id, seen: place.told(wrong.id) } : null;
  isComplaining = false;
  return { complaint, observe: (step) => place.observe(step) };
}
