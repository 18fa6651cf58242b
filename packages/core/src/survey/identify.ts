/** From what a person sees to which system it is: ranked, with the evidence for and against each. */
import type { Circuit } from '../circuit';
import { hasTerminal, landedOn } from '../circuit';
import { kindOf } from '../devices';
import { TEMPLATES } from '../systems';
import { unitStation } from '../unit';
import type { Feature } from './features';
import { FEATURES, featuresOf } from './features';

export type Answer = 'yes' | 'no' | 'unsure';
export type Answers = Readonly<Partial<Record<Feature, Answer>>>;

/** Something seen, or seen not to be there. */
export interface Evidence {
  feature: Feature;
  seen: boolean;
}

/** What was answered and cannot be: codes, told in `words/`. */
export type Contradiction =
  | { type: 'line-voltage' }
  /** No system fits all of it; what the nearest would need to be otherwise. */
  | { type: 'none-fits'; nearest: string; against: readonly Evidence[] };

/** How often a look is right: a person may misread an old cabinet. */
const RIGHT = 0.96;

export interface Candidate {
  template: string;
  title: string;
  summary: string;
  /** Share of belief among all candidates. */
  share: number;
  for: readonly Evidence[];
  against: readonly Evidence[];
}

interface Known {
  template: string;
  title: string;
  summary: string;
  commonness: number;
  features: Record<Feature, boolean>;
}

/**
 * Features of every ready system, worked out once. A unit that is there wire by wire is seen to be what it is as a whole: its wires
 * are walked once it is known.
 */
let known: Known[] | null = null;
const candidates = () =>
  (known ??= TEMPLATES.flatMap(({ id, title, summary, commonness, build }) => {
    const circuit = build(title);
    return unitStation(circuit) === null
      ? [{ template: id, title, summary, commonness, features: featuresOf(circuit) }]
      : [];
  }));

/** What the as-found record already says: an O or B landed, a second hot, a second stage, a C. */
export function evidenceFrom(circuit: Circuit): Answers {
  const answers: Partial<Record<Feature, Answer>> = {};
  const stats = circuit.devices.filter(({ kind }) => kindOf(kind).asks);
  const landed = (mark: string) =>
    stats.some(
      ({ id }) => hasTerminal(circuit, `${id}.${mark}`) && landedOn(circuit, `${id}.${mark}`).length > 0,
    );
  if (['O', 'B', 'OB'].some(landed)) answers.reversingValve = 'yes';
  if (landed('RC') && landed('RH')) answers.twoTransformers = 'yes';
  if (['Y2', 'W2'].some(landed)) answers.secondStage = 'yes';
  if (landed('C')) answers.commonAtThermostat = 'yes';
  if (['R', 'RC', 'RH'].some(landed)) answers.lineThermostat = 'no';
  return answers;
}

/** Ranks the systems by the evidence, the likeliest first. */
export function rankSystems(answers: Answers): Candidate[] {
  const given = FEATURES.flatMap((feature): Evidence[] => {
    const answer = answers[feature];
    return answer === 'yes' || answer === 'no' ? [{ feature, seen: answer === 'yes' }] : [];
  });
  const weighed = candidates().map((candidate) => {
    const agrees = given.filter(({ feature, seen }) => candidate.features[feature] === seen);
    const differs = given.filter(({ feature, seen }) => candidate.features[feature] !== seen);
    return {
      ...candidate,
      weight: candidate.commonness * RIGHT ** agrees.length * (1 - RIGHT) ** differs.length,
      for: agrees,
      against: differs,
    };
  });
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  return weighed
    .map(({ template, title, summary, weight, for: agrees, against }) => ({
      template,
      title,
      summary,
      share: weight / total,
      for: agrees,
      against,
    }))
    .sort((one, other) => other.share - one.share);
}

/** Entropy of a yes or no, bits. */
const bits = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Least information worth a look, bits, and belief beyond which nothing more is asked. */
const WORTH_ASKING = 0.15;
const SURE = 0.9;

/** Belief in the likeliest system together with those that look just like it. */
function sureness(shares: ReadonlyMap<string, number>): number {
  const alike = new Map<string, number>();
  for (const { template, features } of candidates()) {
    const look = JSON.stringify(features);
    alike.set(look, (alike.get(look) ?? 0) + shares.get(template)!);
  }
  return Math.max(...alike.values());
}

/** The feature whose answer would tell most among the systems still likely; `null` when none is worth a look. */
export function nextQuestion(answers: Answers): Feature | null {
  // First of all: a line-voltage thermostat is no 24 V control, and must not be taken for one.
  if (answers.lineThermostat === undefined) return 'lineThermostat';
  const shares = new Map(rankSystems(answers).map(({ template, share }) => [template, share]));
  if (sureness(shares) >= SURE) return null;
  const open = FEATURES.filter((feature) => answers[feature] === undefined).map((feature) => ({
    feature,
    gain: bits(
      candidates()
        .filter(({ features }) => features[feature])
        .reduce((sum, { template }) => sum + shares.get(template)!, 0),
    ),
  }));
  const best = open.sort((one, other) => other.gain - one.gain)[0];
  return best && best.gain >= WORTH_ASKING ? best.feature : null;
}

/** What contradicts itself in the answers; `null` when a system fits all of them. */
export function contradiction(answers: Answers): Contradiction | null {
  if (answers.lineThermostat === 'yes') return { type: 'line-voltage' };
  const [best] = rankSystems(answers);
  return best && best.against.length > 0
    ? { type: 'none-fits', nearest: best.title, against: best.against }
    : null;
}
