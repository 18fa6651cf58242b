/** A step as it is put to a person: its answers, what each would mean, and what choosing it says was observed. */
import type { Dictionary } from './dictionary';
import type { Failure } from './hypotheses';
import { HELPED, OPEN_OHMS, answeredBy, stepKey } from './next/answers';
import { candidatesOf } from './next/candidates';
import type { Step } from './next/candidates';
import type { Advice } from './next/next';
import type { Observation } from './observation';
import { seenRunning } from './seen';

/** An answer to a step: what choosing it says was observed, and what it would mean. */
export interface Choice {
  value: number | string;
  share: number;
  /** The likeliest failures that would give it. */
  failures: readonly Failure[];
  observed: readonly Observation[];
}

export interface Proposal {
  step: Step;
  minutes: number;
  choices: readonly Choice[];
}

/** How many answers are shown, and how many failures each would mean. */
const CHOICES = 5;
const MEANT = 3;

/** The first few failures of hypotheses, each once: at other ohms it is the same failure. */
export function failuresOf({ hypotheses }: Dictionary, members: readonly number[]): readonly Failure[] {
  const failures = members.map((member) => hypotheses[member]!.failure);
  return [...new Map(failures.map((one) => [JSON.stringify(one), one])).values()].slice(0, MEANT);
}

/** What is observed when a step gives an answer, as who gives it predicts. */
function observedBy(
  dictionary: Dictionary,
  step: Step,
  value: number | string,
  member: number,
): Observation[] {
  const found = value === '' ? null : String(value);
  switch (step.type) {
    case 'reading': {
      const { state, mode, red, black } = step;
      const probes = { mode, red, black, meter: 'high-z' } as const;
      return [{ type: 'reading', state, probes, value: value === OPEN_OHMS ? 'open' : Number(value) }];
    }
    case 'clamp':
      return [{ type: 'clamp', state: step.state, conductor: step.conductor, amps: Number(value) }];
    case 'face':
      return [{ type: 'face', state: step.state, device: step.device, text: String(value) }];
    case 'look':
      return [{ type: 'look', device: step.device, found }];
    case 'test':
      return [{ type: 'test', device: step.device, found }];
    case 'swap':
      return [{ type: 'swapped', device: step.device, helped: value === HELPED }];
    case 'wires':
      return [{ type: 'wires', cable: step.cable.id, found }];
    case 'call':
    case 'jumper':
      return seenRunning(dictionary.circuit, step.state, dictionary.predict(member, step.state));
  }
}

/** The step that makes an observation once more. */
export const stepOf = (dictionary: Dictionary, observation: Observation): Step | undefined =>
  candidatesOf(
    dictionary,
    dictionary.states.map(({ id }) => id),
  ).find((step) => stepKey(step) === answeredBy(observation));

/** The answer that what a look found is none of the others: it is always among them, and the last. */
function othersSeen({ hypotheses }: Dictionary, step: Step): Advice['answers'][number] | null {
  if (step.type !== 'look') return null;
  const member = hypotheses.findIndex(
    ({ failure }) => failure.type === 'otherwise' && failure.device === step.device,
  );
  return member < 0 ? null : { value: hypotheses[member]!.id, share: 0, members: [member] };
}

export function proposalOf(
  dictionary: Dictionary,
  shares: Float64Array,
  { step, minutes, answers }: Advice,
): Proposal {
  const last = othersSeen(dictionary, step);
  const listed = answers.filter(({ value }) => value !== last?.value).slice(0, CHOICES);
  const other = answers.find(({ value }) => value === last?.value) ?? last;
  return {
    step,
    minutes,
    choices: [...listed, ...(other ? [other] : [])].map(({ value, share, members }) => {
      const likeliest = [...members].sort((one, other) => shares[other]! - shares[one]!);
      return {
        value,
        share,
        failures: failuresOf(dictionary, likeliest),
        observed: observedBy(dictionary, step, value, likeliest[0]!),
      };
    }),
  };
}
