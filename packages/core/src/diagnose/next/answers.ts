/** What each hypothesis would answer to a step, gathered into answers that can be told apart. */
import type { MeterMode, OperatingPoint } from '../../network';
import { voltsBetween } from '../../network';
import type { Dictionary, Prediction } from '../dictionary';
import type { Hypothesis } from '../hypotheses';
import { foundAs, testedModes } from '../hypotheses';
import type { Observation } from '../observation';
import { spreadOf } from '../likelihood';
import { badParts, badWires, isCuredBySwap, shownAt } from '../observation';
import { NOTHING_CALLED } from '../states';
import type { Step } from './candidates';

/** An answer, and the hypotheses that would give it; found nothing where it is empty. */
export interface Answer {
  /** What it lies about, V, Ω or A; or what is seen. */
  value: number | string;
  members: readonly number[];
}

/** What hypotheses would answer: a figure, or an index into what is seen. */
interface Expected {
  of(hypothesis: number): number;
  /** `null` where it is a figure. */
  seen: readonly string[] | null;
  mode: MeterMode;
}

/** Readings this many spreads apart are two answers. */
const APART = 3;

/** What is expected never changes, so each step is asked of a dictionary once. */
const known = new WeakMap<Dictionary, Map<string, Expected>>();

/** Worked out for those that are asked about: most are out of the question by the time a step is. */
function ofFigures(count: number, mode: MeterMode, figure: (hypothesis: number) => number): Expected {
  const values = new Float64Array(count).fill(NaN);
  return {
    of(hypothesis) {
      if (Number.isNaN(values[hypothesis])) values[hypothesis] = figure(hypothesis);
      return values[hypothesis]!;
    },
    seen: null,
    mode,
  };
}

/** Answers a step that tries something: it runs with that. */
export const HELPED = 'helped';

/** Stands for ohms beyond a meter's range, among figures. */
export const OPEN_OHMS = 1e9;

function ofTexts(count: number, textOf: (hypothesis: number) => string): Expected {
  const index = new Map<string, number>();
  const seen: string[] = [];
  const figures = ofFigures(count, 'ac-volts', (hypothesis) => {
    const text = textOf(hypothesis);
    const at = index.get(text) ?? seen.push(text) - 1;
    index.set(text, at);
    return at;
  });
  return { ...figures, seen };
}

/** Volts without the meter's own load, which moves none that are asked for; ohms as a meter reads them. */
function readBy(
  { predict }: Dictionary,
  { state, mode, red, black }: Extract<Step, { type: 'reading' }>,
): (hypothesis: number) => number {
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
  return (i) => {
    const prediction = predict(i, state);
    return mode === 'ohms' ? ohmsAt(prediction) : voltsBetween(prediction.point, red, black);
  };
}

function expectedBy(dictionary: Dictionary, step: Step): Expected {
  const { hypotheses, circuit, predict } = dictionary;
  const count = hypotheses.length;
  const found = (
    shows: (hypothesis: Hypothesis) => readonly Hypothesis[],
    otherwise: (hypothesis: number) => string = () => '',
  ) =>
    ofTexts(count, (i) => {
      const [shown] = shows(hypotheses[i]!);
      return shown ? foundAs(shown) : otherwise(i);
    });
  switch (step.type) {
    case 'reading':
      return ofFigures(count, step.mode, readBy(dictionary, step));
    case 'clamp':
      return ofFigures(count, 'amps', (i) => predict(i, step.state).clamp(step.conductor));
    case 'face':
      return ofTexts(count, (i) => predict(i, step.state).faces.get(step.device) ?? '');
    case 'call':
    case 'jumper':
      return ofTexts(count, (i) => {
        const { runs, air } = predict(i, step.state);
        return [air, ...[...runs].sort()].join();
      });
    case 'test':
      return found(
        (hypothesis) => badParts(hypothesis, step.device),
        (i) =>
          predict(i, NOTHING_CALLED).opened.includes(step.device)
            ? (testedModes(circuit, step.device)[0] ?? '')
            : '',
      );
    case 'swap':
      return ofTexts(count, (i) => (isCuredBySwap(hypotheses[i]!, step.device) ? HELPED : ''));
    case 'wires':
      return found((hypothesis) => badWires(hypothesis, step.cable));
    case 'look':
      return found((hypothesis) => shownAt(hypothesis, circuit, step.device));
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
 * @param alive - those that are left.
 * @param onMember - shown each of them.
 * @param onAnswer - told when all of an answer have been shown.
 */
export function eachAnswer(
  dictionary: Dictionary,
  step: Step,
  alive: Int32Array,
  onMember: (hypothesis: number, value: number) => void,
  onAnswer: () => void,
): void {
  const { of, seen, mode } = expectedOf(dictionary, step);
  const order = alive.slice().sort((one, other) => of(one) - of(other));
  let last: number | null = null;
  for (const member of order) {
    const value = of(member);
    if (last !== null && value - last > (seen ? 0 : APART * spreadOf(value, mode))) onAnswer();
    onMember(member, value);
    last = value;
  }
  if (last !== null) onAnswer();
}

/** The answers of those that are left. */
export function answersTo(dictionary: Dictionary, step: Step, alive: Int32Array): Answer[] {
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
