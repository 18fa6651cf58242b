/** What each hypothesis would answer to a step, gathered into answers that can be told apart. */
import { voltsOf } from '../../network';
import type { Dictionary } from '../dictionary';
import type { Hypothesis } from '../hypotheses';
import { deviceIn, isBadPart, isBadWire, showsAt, spreadOf } from '../observation';
import type { Step } from './candidates';

/** An answer, and the hypotheses that would give it; found nothing where it is empty. */
export interface Answer {
  /** Volts about which it lies, or what is seen. */
  value: number | string;
  members: readonly number[];
}

/** What every hypothesis would answer, by hypothesis: volts, or an index into what is seen; and the order they come in. */
interface Expected {
  values: Float64Array;
  order: Int32Array;
  seen: readonly string[] | null;
}

/** Readings this many spreads apart are two answers. */
const APART = 3;

/** What is expected never changes, so each step is asked of a dictionary once. */
const known = new WeakMap<Dictionary, Map<string, Expected>>();

const inOrder = (values: Float64Array) =>
  Int32Array.from(values.keys()).sort((one, other) => values[one]! - values[other]!);

function ofVolts(values: Float64Array): Expected {
  return { values, order: inOrder(values), seen: null };
}

function ofTexts(texts: readonly string[]): Expected {
  const index = new Map<string, number>();
  const values = Float64Array.from(texts, (text) => {
    if (!index.has(text)) index.set(text, index.size);
    return index.get(text)!;
  });
  return { values, order: inOrder(values), seen: [...index.keys()] };
}

function expectedBy(dictionary: Dictionary, step: Step): Expected {
  const { hypotheses } = dictionary;
  const all = [...hypotheses.keys()];
  const found = (shows: (hypothesis: Hypothesis) => boolean) =>
    ofTexts(hypotheses.map((hypothesis) => (shows(hypothesis) ? hypothesis.id : '')));
  switch (step.type) {
    case 'reading': {
      const { network } = dictionary;
      const [red, black] = [network.indexOf(step.red), network.indexOf(step.black)];
      return ofVolts(
        Float64Array.from(all, (i) => voltsOf(dictionary.predict(i, step.state).point, red, black)),
      );
    }
    case 'face':
      return ofTexts(all.map((i) => dictionary.predict(i, step.state).faces.get(step.device) ?? ''));
    case 'call':
      return ofTexts(
        all.map((i) => {
          const { runs, air } = dictionary.predict(i, step.state);
          return [air, ...[...runs].sort()].join();
        }),
      );
    case 'test':
      return found((hypothesis) => isBadPart(hypothesis, step.device));
    case 'wires':
      return found((hypothesis) => isBadWire(hypothesis, step.cable));
    case 'look': {
      const where = deviceIn(dictionary.circuit);
      return found((hypothesis) => showsAt(hypothesis, where).includes(step.device));
    }
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
    case 'face':
      return `face ${step.state} ${step.device}`;
    case 'call':
      return `call ${step.state}`;
    case 'look':
    case 'test':
      return `${step.type} ${step.device}`;
    case 'wires':
      return `wires ${step.cable.id}`;
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
  const { values, order, seen } = expectedOf(dictionary, step);
  let last: number | null = null;
  for (const member of order) {
    if (alive[member] === 0) continue;
    const value = values[member]!;
    if (last !== null && value - last > (seen ? 0 : APART * spreadOf(value))) onAnswer();
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
