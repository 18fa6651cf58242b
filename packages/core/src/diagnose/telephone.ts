/** Before driving out: what a customer can be asked safely, and what to bring so that there is no second visit. */
import type { Circuit } from '../circuit';
import { findCable, findConductor, findDevice } from '../circuit';
import { kindOf } from '../devices';
import type { Whereabouts } from './costs';
import type { Dictionary } from './dictionary';
import type { Remedy } from './hypotheses';
import type { Step } from './next/candidates';
import type { Advice } from './next/next';
import { nextSteps } from './next/next';
import type { Ranking } from './rank';

/** Minutes a question takes, and one with a call made and waited for. */
const QUESTION_MINUTES = 1;
const CALL_MINUTES = 3;

/** What anybody may look at without opening or touching anything: a screen, a handle, a door, a lamp, water in a pan. */
function isSafeToAsk({ devices }: Circuit, step: Step): boolean {
  if (step.type === 'call') return true;
  if (step.type !== 'face') return false;
  const { asks, isolates, safety } = kindOf(devices.find(({ id }) => id === step.device)!.kind);
  return asks !== undefined || isolates !== undefined || safety !== undefined;
}

/** The best questions over the telephone, best first; none when no answer would tell anything. */
export const telephoneSteps = (
  dictionary: Dictionary,
  ranking: Ranking,
  at: Whereabouts,
  most = 3,
): Advice[] =>
  nextSteps(dictionary, ranking, at, {
    most,
    allowed: (step) => isSafeToAsk(dictionary.circuit, step),
    minutes: (step) =>
      'state' in step && step.state !== at.state ? QUESTION_MINUTES + CALL_MINUTES : QUESTION_MINUTES,
  });

/** Something that goes into the van for this visit. */
export type Item =
  /** A device, or a part of it. */
  | { type: 'part'; kind: string; part: string | null }
  /** Control cable with so many conductors. */
  | { type: 'cable'; conductors: number }
  | { type: 'jumper' };

/** What to bring: what it covers of all that is left, and what no van holds. */
export interface Bring {
  items: readonly Item[];
  /** Share of what is left that can be put right with what is brought, or needs nothing. */
  covered: number;
  /** Share that is for who is licensed or has the maker's part. */
  deferred: number;
}

/** What an item costs to carry, against a fuse; judgement. */
const COSTS: Readonly<Record<Item['type'], number>> = { part: 1, cable: 2, jumper: 0.2 };

const itemKey = (item: Item) => JSON.stringify(item);

/** What a remedy takes; `null` where nothing that is brought would do. */
export function neededFor(circuit: Circuit, remedy: Remedy): readonly Item[] | null {
  switch (remedy.type) {
    case 'part': {
      if (remedy.mend === 'defer') return null;
      const { kind } = findDevice(circuit, remedy.device)!;
      return remedy.mend === 'replace' ? [{ type: 'part', kind, part: remedy.part }] : [];
    }
    case 'relieve':
      return [{ type: 'part', kind: findDevice(circuit, remedy.device)!.kind, part: null }];
    case 'replace-conductor': {
      const cable = circuit.cables.find(({ conductors }) =>
        conductors.includes(findConductor(circuit, remedy.conductor)!),
      );
      return [{ type: 'cable', conductors: cable!.conductors.length }];
    }
    case 'replace-cable':
      return [{ type: 'cable', conductors: findCable(circuit, remedy.cable)!.conductors.length }];
    case 'jumper':
      return [{ type: 'jumper' }];
    case 'both': {
      const [one, other] = remedy.remedies.map((part) => neededFor(circuit, part));
      return one && other ? [...one, ...other] : null;
    }
    default:
      return [];
  }
}

/** Whether what was brought serves for what is needed: more conductors do for fewer. */
export function does(brought: Item, needed: Item): boolean {
  if (brought.type === 'cable' && needed.type === 'cable') return brought.conductors >= needed.conductors;
  return itemKey(brought) === itemKey(needed);
}

/**
 * The items that cover what is left, chosen by the share they add for what they cost, until so much is covered.
 *
 * @param cover - of what can be covered at all.
 */
export function whatToBring(
  { circuit }: Pick<Dictionary, 'circuit'>,
  { groups }: Ranking,
  cover = 0.9,
): Bring {
  const wanted = groups.map(({ remedy, share }) => ({ share, needs: neededFor(circuit, remedy) }));
  const deferred = wanted.reduce((sum, { share, needs }) => sum + (needs ? 0 : share), 0);
  const kinds = new Map(wanted.flatMap(({ needs }) => (needs ?? []).map((item) => [itemKey(item), item])));
  const items: Item[] = [];
  const coveredBy = (brought: readonly Item[]) =>
    wanted.reduce(
      (sum, { share, needs }) =>
        sum + (needs?.every((need) => brought.some((item) => does(item, need))) ? share : 0),
      0,
    );
  let covered = coveredBy(items);
  while (covered < cover * (1 - deferred)) {
    const [best] = [...kinds.values()]
      .filter((item) => !items.some((brought) => does(brought, item)))
      .map((item) => ({ item, adds: coveredBy([...items, item]) - covered }))
      .sort((one, other) => other.adds / COSTS[other.item.type] - one.adds / COSTS[one.item.type]);
    if (!best || best.adds <= 0) break;
    items.push(best.item);
    covered = coveredBy(items);
  }
  return { items, covered, deferred };
}
