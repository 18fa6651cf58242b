/** From what a person sees to which system it is: ranked, with the evidence for and against each. */
import type { Circuit } from '../circuit';
import { hasTerminal, landedOn } from '../circuit';
import { kindOf } from '../devices';
import { TEMPLATES } from '../systems';
import type { Feature } from './features';
import { FEATURES, featuresOf } from './features';

export type Answer = 'yes' | 'no' | 'unsure';
export type Answers = Readonly<Partial<Record<Feature, Answer>>>;

export interface Question {
  feature: Feature;
  text: string;
  /** How to tell, standing in front of it. */
  tell: string;
  yes: string;
  no: string;
}

export const QUESTIONS: readonly Question[] = [
  {
    feature: 'lineThermostat',
    text: 'Is it a line-voltage thermostat?',
    tell: 'Two or four thick wires under wire nuts in a deep box, marked 120, 208 or 240 V: not thin ones on screws.',
    yes: 'a line-voltage thermostat',
    no: 'a 24 V thermostat',
  },
  {
    feature: 'outdoorUnit',
    text: 'Is there a unit outdoors joined by refrigerant lines?',
    tell: 'Two copper lines leave the indoor unit, the thick one insulated, and end at a cabinet with a fan outside.',
    yes: 'a line set to an outdoor unit',
    no: 'no line set',
  },
  {
    feature: 'reversingValve',
    text: 'Is there a reversing valve?',
    tell: 'A wire on O, B or O/B at the thermostat, or a brass valve with three pipes on one side in the outdoor unit.',
    yes: 'a reversing-valve wire',
    no: 'no reversing-valve wire',
  },
  {
    feature: 'burner',
    text: 'Does something burn gas or oil?',
    tell: 'A gas pipe with a cock, or an oil line, and a flue.',
    yes: 'a burner',
    no: 'no burner',
  },
  {
    feature: 'strips',
    text: 'Are there electric strips?',
    tell: 'A breaker of 30 A or more for the indoor unit and wires as thick as a pencil.',
    yes: 'electric strips',
    no: 'no electric strips',
  },
  {
    feature: 'water',
    text: 'Does water carry the heat or the cold?',
    tell: 'Pipes with motor valves, a circulator, or radiators.',
    yes: 'water pipes',
    no: 'no water pipes',
  },
  {
    feature: 'boiler',
    text: 'Is there a boiler?',
    tell: 'Hot water is made here, with a pressure gauge and a relief valve; not piped in from elsewhere.',
    yes: 'a boiler',
    no: 'no boiler',
  },
  {
    feature: 'twoTransformers',
    text: 'Are there two control transformers?',
    tell: 'Follow the hot wires: two hots at the thermostat may still come from one. Count the transformers.',
    yes: 'two transformers',
    no: 'one transformer',
  },
  {
    feature: 'oneCabinet',
    text: 'Is everything in one cabinet, often on the roof?',
    tell: 'Compressors, indoor fan and heat behind the doors of one box; ducts go straight in.',
    yes: 'one cabinet',
    no: 'separate cabinets',
  },
  {
    feature: 'hangingHeater',
    text: 'Is it a heater hung from the ceiling with no ducts?',
    tell: 'A gas-fired box with its own fan that blows into the room.',
    yes: 'a hanging heater',
    no: 'no hanging heater',
  },
  {
    feature: 'secondStage',
    text: 'Are Y2 or W2 in use?',
    tell: 'A conductor on Y2 or W2 at the thermostat. On a heat pump W2 may be the back-up heat.',
    yes: 'second-stage wires',
    no: 'no second-stage wires',
  },
  {
    feature: 'commonAtThermostat',
    text: 'Is C landed at the thermostat?',
    tell: 'A conductor on C (X on some old sub-bases), and the same colour on C at the unit.',
    yes: 'C at the thermostat',
    no: 'no C at the thermostat',
  },
  {
    feature: 'twoThermostats',
    text: 'Are there two thermostats on this one unit?',
    tell: 'Two thermostat cables end on the same terminals and there are no dampers.',
    yes: 'two thermostats',
    no: 'one thermostat',
  },
];

const questionOf = new Map(QUESTIONS.map((question) => [question.feature, question]));

/** How often a look is right: a person may misread an old cabinet. */
const RIGHT = 0.96;

export interface Candidate {
  template: string;
  title: string;
  summary: string;
  /** Share of belief among all candidates. */
  share: number;
  for: readonly string[];
  against: readonly string[];
}

interface Known {
  template: string;
  title: string;
  summary: string;
  commonness: number;
  features: Record<Feature, boolean>;
}

/** Features of every ready system, worked out once. */
let known: Known[] | null = null;
const candidates = () =>
  (known ??= TEMPLATES.map(({ id, title, summary, commonness, build }) => ({
    template: id,
    title,
    summary,
    commonness,
    features: featuresOf(build(title)),
  })));

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
  const given = FEATURES.flatMap((feature) => {
    const answer = answers[feature];
    return answer === 'yes' || answer === 'no' ? [{ feature, seen: answer === 'yes' }] : [];
  });
  const weighed = candidates().map((candidate) => {
    const agrees = given.filter(({ feature, seen }) => candidate.features[feature] === seen);
    const differs = given.filter(({ feature, seen }) => candidate.features[feature] !== seen);
    const words = ({ feature, seen }: (typeof given)[number]) =>
      questionOf.get(feature)![seen ? 'yes' : 'no'];
    return {
      ...candidate,
      weight: candidate.commonness * RIGHT ** agrees.length * (1 - RIGHT) ** differs.length,
      for: agrees.map(words),
      against: differs.map(words),
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

/** The question that would tell most among the systems still likely; `null` when none is worth a look. */
export function nextQuestion(answers: Answers): Question | null {
  // First of all: a line-voltage thermostat is no 24 V control, and must not be taken for one.
  if (answers.lineThermostat === undefined) return questionOf.get('lineThermostat')!;
  const shares = new Map(rankSystems(answers).map(({ template, share }) => [template, share]));
  if (sureness(shares) >= SURE) return null;
  const open = QUESTIONS.filter(({ feature }) => answers[feature] === undefined).map((question) => ({
    question,
    gain: bits(
      candidates()
        .filter(({ features }) => features[question.feature])
        .reduce((sum, { template }) => sum + shares.get(template)!, 0),
    ),
  }));
  const best = open.sort((one, other) => other.gain - one.gain)[0];
  return best && best.gain >= WORTH_ASKING ? best.question : null;
}

/** Contradictions in what was answered, when no system fits all of it. */
export function contradictions(answers: Answers): string[] {
  if (answers.lineThermostat === 'yes')
    return [
      'A line-voltage thermostat switches its load itself: nothing here is 24 V, and no system below fits. It belongs to whoever is licensed for line voltage where you are.',
    ];
  const [best] = rankSystems(answers);
  return best && best.against.length > 0
    ? [
        `No system known here fits everything: ${best.title} comes nearest, but you saw ${best.against.join(' and ')}.`,
      ]
    : [];
}
