/** Draws faults of a share of the systems, sends a person after each, and prints what came of it as JSON lines. */
import type { Complaint, Dictionary, Hypothesis, Ranking, Remedy, Site } from '@zygostat/core/diagnose';
import {
  comesAndGoes,
  answeredBy,
  bothOf,
  complaintOf,
  does,
  hypothesesOf,
  isSettled,
  makeDictionary,
  neededFor,
  rank,
  remedyKey,
  seeded,
  singlesOf,
  siteWith,
  stepKey,
  telephoneSteps,
  whatToBring,
} from '@zygostat/core/diagnose';
import { TEMPLATES } from '@zygostat/core/systems';
import type { Outcome, Policy } from '../../../packages/core/src/testing/technician';
import { followAdvice } from '../../../packages/core/src/testing/technician';
import { halfSplitting, usualOrder } from './policies';
import type { Row } from './rows';

const [shard, of, draws, seed] = process.argv.slice(2).map(Number) as [number, number, number, number];
const systems = process.argv[6]?.split(',');

/** A meter and eyes as the bench has them: 3 % + 0.2 V, one reading in a hundred plainly wrong. */
const METER = { share: 0.03, volts: 0.2, misread: 0.01 } as const;

function drawn({ hypotheses }: Dictionary, random: () => number): Hypothesis {
  // The site stands as it stands: what comes and goes is drawn by the other hand.
  const lasting = hypotheses.filter((one) => !comesAndGoes(one));
  let left = random() * lasting.reduce((sum, { weight }) => sum + weight, 0);
  return lasting.find(({ weight }) => (left -= weight) < 0) ?? lasting[0]!;
}

const POLICIES: readonly [Row['policy'], Policy | undefined][] = [
  ['advised', undefined],
  ['half-splitting', halfSplitting],
  ['usual order', usualOrder],
];

const sounds = new WeakMap<Dictionary, Site>();

/** The place with nothing wrong. */
function soundOf(dictionary: Dictionary): Site {
  const known = sounds.get(dictionary) ?? siteWith(dictionary.circuit, dictionary.hypotheses[0]!);
  sounds.set(dictionary, known);
  return known;
}

const noiseOf = (n: number) => ({ random: seeded(seed + 1000 * n), ...METER });

/** What would be done at the end, once it is sure enough. */
const doneAfter = ({ ranking }: Outcome): readonly Remedy[] => {
  if (!isSettled(ranking)) return [];
  const { remedy } = ranking.groups[0]!;
  return remedy.type === 'both' ? remedy.remedies : [remedy];
};

const bitsOf = (shares: readonly number[]) =>
  shares.reduce((sum, share) => (share > 0 ? sum - share * Math.log2(share) : sum), 0);

/** Bits the complaint left, less those left at the end; and those the answers on the way would have if nothing were wasted. */
function bitsIn(dictionary: Dictionary, { seen }: Complaint, { ranking, steps }: Outcome): Row['bits'] {
  const left = ({ groups }: Ranking) => bitsOf(groups.map(({ share }) => share));
  return {
    taken: left(rank(dictionary, seen)) - left(ranking),
    answered: steps.reduce((sum, { answers }) => sum + bitsOf(answers.map(({ share }) => share)), 0),
  };
}

/** Questions a customer puts up with. */
const MOST_QUESTIONS = 5;

/** Whether what is needed was on the list that came of the telephone. */
function wasBrought(dictionary: Dictionary, truth: Hypothesis, { state, seen }: Complaint): boolean | null {
  const { circuit } = dictionary;
  const needed = neededFor(circuit, truth.remedy);
  if (!needed) return null;
  const site = siteWith(circuit, truth);
  const at = { station: circuit.stations[0]!.id, open: [], state };
  let heard = seen;
  for (let questions = 0; questions < MOST_QUESTIONS; questions++) {
    const steps = telephoneSteps(dictionary, rank(dictionary, heard), at, heard.length + 1);
    const asked = new Set(heard.map(answeredBy));
    const next = steps.find(({ step }) => !asked.has(stepKey(step)));
    if (!next) break;
    heard = [...heard, ...site.observe(next.step)];
  }
  const { items } = whatToBring(dictionary, rank(dictionary, heard));
  return needed.every((need) => items.some((item) => does(item, need)));
}

interface Told {
  system: string;
  dictionary: Dictionary;
  truth: Hypothesis;
  /** The draw: readings go wrong the same way for every policy. */
  n: number;
}

function single({ system, dictionary, truth, n }: Told, policies: typeof POLICIES): Row[] {
  const { circuit } = dictionary;
  const complaint = complaintOf(soundOf(dictionary), siteWith(circuit, truth));
  if (!complaint) return [];
  const wanted = remedyKey(truth.remedy);
  return policies.map(([policy, choose]): Row => {
    const outcome = followAdvice(dictionary, siteWith(circuit, truth, noiseOf(n)), complaint, choose);
    const done = doneAfter(outcome);
    return {
      system,
      fault: truth.id,
      policy,
      steps: outcome.steps.length,
      minutes: outcome.minutes,
      isolated: done.length === 1 && remedyKey(done[0]!) === wanted,
      condemned: done.some((remedy) => remedy.type === 'part' && remedyKey(remedy) !== wanted),
      ...(policy === 'advised' && {
        bits: bitsIn(dictionary, complaint, outcome),
        brought: wasBrought(dictionary, truth, complaint),
      }),
    };
  });
}

/**
 * Two at once: what is found first is put right, and where it still does not run, the rest is looked for anew. All that
 * was put right must have been wrong.
 */
function pair({ system, dictionary, truth, n }: Told): Row | null {
  const { circuit } = dictionary;
  const row: Row = {
    system,
    fault: truth.id,
    policy: 'pairs',
    steps: 0,
    minutes: 0,
    isolated: false,
    condemned: false,
  };
  let left = singlesOf(truth);
  for (let visit = 0; visit < 2 && left.length > 0; visit++) {
    const wrong = left.length === 2 ? truth : left[0]!;
    const complaint = complaintOf(soundOf(dictionary), siteWith(circuit, wrong));
    if (!complaint) return visit === 0 ? null : { ...row, isolated: true };
    const outcome = followAdvice(dictionary, siteWith(circuit, wrong, noiseOf(n)), complaint);
    row.steps += outcome.steps.length;
    row.minutes += outcome.minutes;
    const done = doneAfter(outcome).map(remedyKey);
    const needed = left.map(({ remedy }) => remedyKey(remedy));
    if (done.length === 0 || done.some((key) => !needed.includes(key))) return row;
    left = left.filter(({ remedy }) => !done.includes(remedyKey(remedy)));
  }
  return { ...row, isolated: left.length === 0 };
}

function drawnPair(dictionary: Dictionary, random: () => number): Hypothesis | null {
  const [one, other] = [drawn(dictionary, random), drawn(dictionary, random)];
  const isFault = ({ failure: { type } }: Hypothesis) => type !== 'none' && type !== 'waiting';
  if (!isFault(one) || !isFault(other) || remedyKey(one.remedy) === remedyKey(other.remedy)) return null;
  return bothOf(one, other, 1);
}

/** One pair for so many single faults: it takes longer. */
const SINGLES_A_PAIR = 3;

const tell = (rows: readonly Row[]) => rows.forEach((row) => console.log(JSON.stringify(row)));

/** Draws until so many have shown. */
function drawUntil(most: number, draw: (n: number) => readonly Row[]): void {
  for (let n = 0, tries = 0; n < most && tries < 50 * draws; tries++) {
    const rows = draw(n + 1);
    if (rows.length > 0) n++;
    tell(rows);
  }
}

TEMPLATES.forEach(({ id: system, build }, i) => {
  if (i % of !== shard || (systems && !systems.includes(system))) return;
  const circuit = build('Diagnosis');
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit));
  const random = seeded(seed + i);
  drawUntil(draws, (n) => single({ system, dictionary, truth: drawn(dictionary, random), n }, POLICIES));
  drawUntil(draws / SINGLES_A_PAIR, (n) => {
    const truth = drawnPair(dictionary, random);
    const row = truth && pair({ system, dictionary, truth, n });
    return row ? [row] : [];
  });
  const unseen = makeDictionary(circuit, hypothesesOf(circuit, { isSeen: () => false }));
  drawUntil(draws / 2, (n) =>
    single({ system, dictionary: unseen, truth: drawn(unseen, random), n }, [['unsurveyed', undefined]]),
  );
});
