/** What is left, by how likely it is: Bayes over the predictions of every hypothesis. */
import type { Dictionary } from './dictionary';
import type { Observation } from './observation';
import type { Check, Confirmation } from './confirm';
import { confirmationOf, everyCallSeen } from './confirm';
import type { Remedy } from './hypotheses';
import { remedyKey } from './hypotheses';
import { weighAll } from './weighed';

/** Hypotheses that are put right by the same work. */
export interface Group {
  remedy: Remedy;
  share: number;
  /** Indices of its hypotheses, the likeliest first. */
  members: readonly number[];
}

export interface Ranking {
  /** By hypothesis; they add up to 1. */
  shares: Float64Array;
  /** The likeliest first. */
  groups: readonly Group[];
  /** How far the likeliest was seen; nothing is asked of it where it is left out. */
  confirmation?: Confirmation;
}

/** Sure enough to set to work; and to condemn a part. */
const SURE = 0.9;
const SURE_OF_PART = 0.98;
/** What no look and no test shows is not said on less either. */
const UNSEEN: ReadonlySet<Remedy['type']> = new Set(['relieve', 'wait', 'agree']);

const condemns = (remedy: Remedy): boolean =>
  remedy.type === 'both'
    ? remedy.remedies.some(condemns)
    : remedy.type === 'part' && remedy.mend === 'replace';

/** Who is licensed for a device looks at all of it: what is left has to be that device, not that part of it. */
function isOfOneDevice(groups: readonly Group[], { remedy: best }: Group): boolean {
  if (best.type !== 'part' || best.mend !== 'defer') return true;
  const ofIt = groups.filter(({ remedy }) => remedy.type === 'part' && remedy.device === best.device);
  return ofIt.reduce((sum, { share }) => sum + share, 0) >= SURE_OF_PART;
}

/** Whether one is likely enough: a part is not condemned on less than nearly all. */
function isSure({ groups, confirmation }: Ranking): boolean {
  const [best] = groups;
  if (!best || best.remedy.type === 'ask') return false;
  // Once every call is seen to run, what is left shows in none of them.
  if (best.remedy.type === 'none' && confirmation?.isSeen) return true;
  return (
    best.share >= (condemns(best.remedy) || UNSEEN.has(best.remedy.type) ? SURE_OF_PART : SURE) &&
    isOfOneDevice(groups, best)
  );
}

/** Whether what is left is sure enough, and was seen where it shows. */
export function isSettled(ranking: Ranking): boolean {
  const { groups, confirmation } = ranking;
  if (!isSure(ranking)) return false;
  // What a customer told once may be wrong, however every call runs.
  if (groups[0]!.remedy.type === 'none') return !confirmation?.check;
  return confirmation?.isSeen ?? true;
}

/** What would show the likeliest, once it is likely enough; `null` while it is not, and when that was done. */
export const checkFor = (ranking: Ranking): Check | null =>
  isSure(ranking) || ranking.groups[0]?.remedy.type === 'none' ? (ranking.confirmation?.check ?? null) : null;

/** The remedies of a dictionary, and by hypothesis which of them is its own. */
interface Remedies {
  remedies: readonly Remedy[];
  of: Int32Array;
}

const remediesKnown = new WeakMap<Dictionary['hypotheses'], Remedies>();

function remediesOf({ hypotheses }: Pick<Dictionary, 'hypotheses'>): Remedies {
  const known = remediesKnown.get(hypotheses);
  if (known) return known;
  const index = new Map<string, number>();
  const remedies: Remedy[] = [];
  const of = Int32Array.from(hypotheses, ({ remedy }) => {
    const key = remedyKey(remedy);
    const found = index.get(key);
    if (found !== undefined) return found;
    index.set(key, remedies.length);
    return remedies.push(remedy) - 1;
  });
  const made = { remedies, of };
  remediesKnown.set(hypotheses, made);
  return made;
}

function groupsOf(dictionary: Pick<Dictionary, 'hypotheses'>, shares: Float64Array): Group[] {
  const { remedies, of } = remediesOf(dictionary);
  const groups = remedies.map((remedy) => ({ remedy, share: 0, members: [] as number[] }));
  of.forEach((group, i) => {
    groups[group]!.share += shares[i]!;
    groups[group]!.members.push(i);
  });
  for (const { members } of groups) members.sort((one, other) => shares[other]! - shares[one]!);
  return groups.sort((one, other) => other.share - one.share);
}

/** What each observation says of every hypothesis: logarithms of likelihoods. */
export const logsOf = (dictionary: Dictionary, observations: readonly Observation[]): Float64Array[] =>
  weighAll(dictionary, observations).map(({ logs }) => logs);

function sharesOf(logs: Float64Array): Float64Array {
  const most = logs.reduce((highest, log) => Math.max(highest, log), -Infinity);
  const shares = logs.map((log) => Math.exp(log - most));
  const total = shares.reduce((sum, share) => sum + share, 0);
  for (let i = 0; i < shares.length; i++) shares[i]! /= total;
  return shares;
}

const priorOf = ({ hypotheses }: Dictionary) =>
  Float64Array.from(hypotheses, ({ weight }) => Math.log(weight));

/** Shares of every hypothesis before anything was observed, and after each observation in turn. */
export function courseOf(dictionary: Dictionary, observations: readonly Observation[]): Float64Array[] {
  const logs = priorOf(dictionary);
  return [
    sharesOf(logs),
    ...logsOf(dictionary, observations).map((said) => {
      said.forEach((log, i) => (logs[i]! += log));
      return sharesOf(logs);
    }),
  ];
}

/**
 * Weighs every hypothesis by what was observed. An observation that is withdrawn is left out of the list; one that is
 * corrected is another.
 *
 * @example
 * const { groups } = rank(dictionary, [{ type: 'face', state, device: 'stat', text: 'blank' }]);
 */
export function rank(dictionary: Dictionary, observations: readonly Observation[]): Ranking {
  const logs = priorOf(dictionary);
  for (const said of logsOf(dictionary, observations)) said.forEach((log, i) => (logs[i]! += log));
  const shares = sharesOf(logs);
  const groups = groupsOf(dictionary, shares);
  return { shares, groups, confirmation: confirmationIn(dictionary, groups, observations) };
}

function confirmationIn(
  dictionary: Dictionary,
  groups: readonly Group[],
  observations: readonly Observation[],
): Confirmation {
  const { circuit, hypotheses } = dictionary;
  if (groups[0]!.remedy.type === 'none') return everyCallSeen(dictionary, observations);
  const remedyOf = (id: string) => {
    const found = hypotheses.find((one) => one.id === id);
    return found && remedyKey(found.remedy);
  };
  return confirmationOf(circuit, hypotheses[groups[0]!.members[0]!]!, observations, remedyOf);
}

/** An observation more likely a mistake than not is to be made again; and if it stands, no single fault fits. */
export const DOUBTFUL = 0.5;

/** How likely each observation is a mistake of who made it, from what all of them together leave. */
export function doubtsOf(
  dictionary: Dictionary,
  observations: readonly Observation[],
  { shares }: Pick<Ranking, 'shares'>,
): number[] {
  return weighAll(dictionary, observations).map(({ doubts }) =>
    shares.reduce((sum, share, i) => sum + share * doubts[i]!, 0),
  );
}
