/** What the core finds, as a person is told it. */
import type { BenchView, Inputs, Settled, Status } from '../behaviour';
import { viewOf } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Network } from '../network';
import type { SwapOption } from '../plan';
import type { Change, Repair, Violation, WrongLanding } from '../prove';
import type { Task } from '../wire';
import {
  changesText,
  lossText,
  methodCautions,
  namesIn,
  partText,
  statusText,
  taskText,
  violationText,
  wrongLandingText,
} from '../words';

/** Units of the tests. */
const METRIC = { temperature: 'C', length: 'm', gauge: 'awg' } as const;

export const tellViolation = (circuit: Circuit, violation: Violation): string =>
  violationText(namesIn(circuit), violation);

export const tellChange = (circuit: Circuit, change: Change): string =>
  changesText(namesIn(circuit), [change]).replace(/\.$/, '');

export const tellRepair = (circuit: Circuit, { changes }: Pick<Repair, 'changes'>): string =>
  changesText(namesIn(circuit), changes);

export const tellWrong = (circuit: Circuit, wrong: WrongLanding): string =>
  wrongLandingText(namesIn(circuit), wrong);

/** The status line as a person in metric units reads it. */
export interface ToldStatus extends Omit<Status, 'news' | 'cause'> {
  text: string;
  next: string;
}

function tellStatus(circuit: Circuit, { status, faces }: Pick<BenchView, 'status' | 'faces'>): ToldStatus {
  const { tone, until, parts } = status;
  return {
    tone,
    ...statusText(namesIn(circuit), faces, status, METRIC),
    ...(until !== undefined && { until }),
    ...(parts && { parts }),
  };
}

/** What there is to see of a settled circuit, its status line as it is read. */
export function toldView(network: Network, inputs: Inputs, settled: Settled) {
  const view = viewOf(network, inputs, settled);
  return { ...view, status: tellStatus(network.circuit, view) };
}

export const tellTask = (before: Circuit, after: Circuit, task: Task): string =>
  taskText({ before: namesIn(before), after: namesIn(after) }, task, METRIC);

/** What a way takes, what is lost by it, what to look out for. */
export const tellCosts = (option: SwapOption): string[] => [
  ...option.parts.map((part) => partText(part, METRIC)),
  ...option.lost.map(lossText),
  ...methodCautions(option.method),
];
