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

/** Readings this many spreads apart are two answers. */
const APART = 3;

function byText(members: readonly number[], textOf: (hypothesis: number) => string): Answer[] {
  const by = new Map<string, number[]>();
  for (const member of members) {
    const text = textOf(member);
    const group = by.get(text);
    if (group) group.push(member);
    else by.set(text, [member]);
  }
  return [...by].map(([value, group]) => ({ value, members: group }));
}

/** Readings in heaps: a new one begins where the next is too far from the last to be taken for it. */
function byVolts(members: readonly number[], voltsOf: (hypothesis: number) => number): Answer[] {
  const sorted = members
    .map((member) => ({ member, volts: voltsOf(member) }))
    .sort((one, other) => one.volts - other.volts);
  const heaps: { sum: number; last: number; members: number[] }[] = [];
  for (const { member, volts } of sorted) {
    const heap = heaps[heaps.length - 1];
    if (heap && volts - heap.last <= APART * spreadOf(volts)) {
      heap.sum += volts;
      heap.last = volts;
      heap.members.push(member);
    } else heaps.push({ sum: volts, last: volts, members: [member] });
  }
  return heaps.map(({ sum, members: group }) => ({ value: sum / group.length, members: group }));
}

export function answersTo(dictionary: Dictionary, step: Step, members: readonly number[]): Answer[] {
  const { hypotheses } = dictionary;
  const byFound = (shows: (hypothesis: Hypothesis) => boolean) =>
    byText(members, (i) => (shows(hypotheses[i]!) ? hypotheses[i]!.id : ''));
  switch (step.type) {
    case 'reading': {
      const { network } = dictionary;
      const [red, black] = [network.indexOf(step.red), network.indexOf(step.black)];
      return byVolts(members, (i) => voltsOf(dictionary.predict(i, step.state).point, red, black));
    }
    case 'face':
      return byText(members, (i) => dictionary.predict(i, step.state).faces.get(step.device) ?? '');
    case 'call':
      return byText(members, (i) => {
        const { runs, air } = dictionary.predict(i, step.state);
        return [air, ...[...runs].sort()].join();
      });
    case 'test':
      return byFound((hypothesis) => isBadPart(hypothesis, step.device));
    case 'wires':
      return byFound((hypothesis) => isBadWire(hypothesis, step.cable));
    case 'look': {
      const where = deviceIn(dictionary.circuit);
      return byFound((hypothesis) => showsAt(hypothesis, where).includes(step.device));
    }
  }
}
