/** What each hypothesis would answer to a step, gathered into answers that can be told apart. */
import type { MeterMode, OperatingPoint } from '../../network';
import { voltsOf } from '../../network';
import type { Dictionary, Prediction } from '../dictionary';
import type { Hypothesis } from '../hypotheses';
import type { Observation } from '../observation';
import { spreadOf } from '../likelihood';
import { badParts, badWires, isCuredBySwap, shownAt } from '../observation';
import type { Step } from './candidates';

/** An answer, and the hypotheses that would give it; found nothing where it is empty. */
export interface Answer {
  /** What it lies about, V, Ω or A; or what is seen. */
  value: number | string;
  members: readonly number[];
}

/** What every hypothesis would answer, by hypothesis: a figure, or an index into what is seen; and the order they come in. */
interface Expected {
  values: Float64Array;
  order: Int32Array;
  /** `null` where it is a figure. */
  seen: readonly string[] | null;
  mode: MeterMode;
}

/** Readings this many spreads apart are two answers. */
const APART = 3;

/** What is expected never changes, so each step is asked of a dictionary once. */
const known = new WeakMap<Dictionary, Map<string, Expected>>();

const inOrder = (values: Float64Array) =>
  Int32Array.from(values.keys()).sort((one, other) => values[one]! - values[other]!);

const ofFigures = (values: Float64Array, mode: MeterMode): Expected => ({
  values,
  order: inOrder(values),
  seen: null,
  mode,
});

/** Answers a step that tries something: it runs with that. */
export const HELPED = 'helped';

/** Stands for ohms beyond a meter's range, among figures. */
export const OPEN_OHMS = 1e9;

function ofTexts(texts: readonly string[]): Expected {
  const index = new Map<string, number>();
  const values = Float64Array.from(texts, (text) => {
    if (!index.has(text)) index.set(text, index.size);
    return index.get(text)!;
  });
  return { values, order: inOrder(values), seen: [...index.keys()], mode: 'ac-volts' };
}

/** Volts without the meter's own load, which moves none that are asked for; ohms as a meter reads them. */
function readBy(
  { network, hypotheses, predict }: Dictionary,
  { state, mode, red, black }: Extract<Step, { type: 'reading' }>,
): Float64Array {
  const [one, other] = [network.indexOf(red), network.indexOf(black)];
  const probes = { mode, red, black, meter: 'high-z' } as const;
  const known = new Map<OperatingPoint, number>();
  const ohmsAt = ({ point, read }: Prediction) => {
    const before = known.get(point);
    if (before !== undefined) return before;
    const reading = read(probes);
    const ohms = reading.ok ? Math.min(reading.value, OPEN_OHMS) : OPEN_OHMS;
    known.set(point, ohms);
    return ohms;
  };
  return Float64Array.from(hypotheses, (_, i) => {
    const prediction = predict(i, state);
    return mode === 'ohms' ? ohmsAt(prediction) : voltsOf(prediction.point, one, other);
  });
}

function expectedBy(dictionary: Dictionary, step: Step): Expected {
  const { hypotheses } = dictionary;
  const all = [...hypotheses.keys()];
  const found = (shows: (hypothesis: Hypothesis) => readonly Hypothesis[]) =>
    ofTexts(hypotheses.map((hypothesis) => shows(hypothesis)[0]?.id ?? ''));
  switch (step.type) {
    case 'reading':
      return ofFigures(readBy(dictionary, step), step.mode);
    case 'clamp':
      return ofFigures(
        Float64Array.from(all, (i) => dictionary.predict(i, step.state).clamp(step.conductor)),
        'amps',
      );
    case 'face':
      return ofTexts(all.map((i) => dictionary.predict(i, step.state).faces.get(step.device) ?? ''));
    case 'call':
    case 'jumper':
      return ofTexts(
        all.map((i) => {
          const { runs, air } = dictionary.predict(i, step.state);
          return [air, ...[...runs].sort()].join();
        }),
      );
    case 'test':
      return found((hypothesis) => badParts(hypothesis, step.device));
    case 'swap':
      return ofTexts(hypotheses.map((hypothesis) => (isCuredBySwap(hypothesis, step.device) ? HELPED : '')));
    case 'wires':
      return found((hypothesis) => badWires(hypothesis, step.cable));
    case 'look':
      return found((hypothesis) => shownAt(hypothesis, dictionary.circuit, step.device));
  }
}

function expectedOf(dictionary: Dictionary, step: Step): Expected {
  const bySteps = known.get(dictionary) ?? new Map<string, Expected>();
  known.set(dictionary, bySteps);
  const key = stepKey(step);
  const before = bySteps.get(key);
  if (before) return before;
  const made = expectedBy(dictionary, step);
  bySteps.set(key, made);
  return made;
}

/** Equal for steps that ask the same. */
export function stepKey(step: Step): string {
  switch (step.type) {
    case 'reading':
      return `reading ${step.state} ${step.red} ${step.black}`;
    case 'clamp':
      return `clamp ${step.state} ${step.conductor}`;
    case 'face':
      return `face ${step.state} ${step.device}`;
    case 'call':
    case 'jumper':
      return `call ${step.state}`;
    case 'look':
    case 'test':
    case 'swap':
      return `${step.type} ${step.device}`;
    case 'wires':
      return `wires ${step.cable.id}`;
  }
}

/** The step an observation answers, by its key. */
export function answeredBy(observation: Observation): string {
  switch (observation.type) {
    case 'reading':
      return `reading ${observation.state} ${observation.probes.red} ${observation.probes.black}`;
    case 'clamp':
      return `clamp ${observation.state} ${observation.conductor}`;
    case 'face':
      return `face ${observation.state} ${observation.device}`;
    case 'look':
    case 'test':
      return `${observation.type} ${observation.device}`;
    case 'swapped':
      return `swap ${observation.device}`;
    case 'wires':
      return `wires ${observation.cable}`;
    case 'air':
      return `call ${observation.state}`;
    default:
      return observation.type;
  }
}

/**
 * Goes through those that are left answer by answer: readings in heaps, a new one where the next is too far from the last
 * to be taken for it.
 *
 * @param alive - by hypothesis, not 0 for those that are left.
 * @param onMember - shown each of them.
 * @param onAnswer - told when all of an answer have been shown.
 */
export function eachAnswer(
  dictionary: Dictionary,
  step: Step,
  alive: Uint8Array,
  onMember: (hypothesis: number, value: number) => void,
  onAnswer: () => void,
): void {
  const { values, order, seen, mode } = expectedOf(dictionary, step);
  let last: number | null = null;
  for (const member of order) {
    if (alive[member] === 0) continue;
    const value = values[member]!;
    if (last !== null && value - last > (seen ? 0 : APART * spreadOf(value, mode))) onAnswer();
    onMember(member, value);
    last = value;
  }
  if (last !== null) onAnswer();
}

/** The answers of those that are left. */
export function answersTo(dictionary: Dictionary, step: Step, alive: Uint8Array): Answer[] {
  const { seen } = expectedOf(dictionary, step);
  const answers: Answer[] = [];
  let members: number[] = [];
  let sum = 0;
  eachAnswer(
    dictionary,
    step,
    alive,
    (member, value) => {
      members.push(member);
      sum += value;
    },
    () => {
      const value = sum / members.length;
      answers.push({ value: seen ? seen[value]! : value, members });
      members = [];
      sum = 0;
    },
  );
  return answers;
}
