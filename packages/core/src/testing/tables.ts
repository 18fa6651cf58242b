/**
 * What the model says of every ready system, good and with one thing wrong, as lines that can be read and compared.
 * Recorded beside this file (`npm run record`), they show in a change's own diff every word and figure it changes.
 * They say what is said, not that it is right: that is for the tests with a source, and for `npm run bench:advice`.
 */
import type { Circuit } from '../circuit';
import { addLink, exchange, findDevice, lift, removeDevice, setValue } from '../circuit';
import { SCREWS, kindOf } from '../devices';
import type { Template } from '../systems';
import { TEMPLATES } from '../systems';
import { METER_MODES, compile, makeSolver, measure } from '../network';
import { NEW_WORLD, advance, untilSteady } from '../behaviour';
import {
  factsOf,
  fuseSums,
  needsOf,
  planSwap,
  screwFor,
  setUpOf,
  transformerLoads,
  unprotectedHots,
  voltageDrops,
} from '../plan';
import type { SwapOption } from '../plan';
import type { Finding, Situation } from '../prove';
import { casesOf, guardsOf, prove, repairOf, sweep, wrongLandings } from '../prove';
import { draftsOf } from '../prove/repair/drafts';
import { cardsOf, stepsOf, walk } from '../wire';
import type { Faulty } from './faulty';
import { callsOf, faultyOf, runCalls, statusesOf } from './faulty';
import type { Spoiled } from './spoils';
import { spoilsOf } from './spoils';
import { tellChange, tellCosts, tellRepair, tellTask, tellViolation, tellWrong, toldView } from './tell';
import {
  caseText,
  emptyReasonText,
  jumperReasonText,
  landingReasonText,
  methodTitle,
  namesIn,
  obstacleText,
  setUpReasonText,
  situationText,
} from '../words';

/** One in so many is enough to notice a change, and keeps the tests quick. */
const EVERY = { fault: 17, spoil: 11, mistake: 140, point: 8, draft: 41, repair: 5, trial: 60 };

/** Seconds from a cold start to rest, and into a call. */
const REST_S = 420;
const SOON_S = 5;
const LATE_S = 900;
const HANDS_IN: readonly string[] = ['off', 'cool', 'heat-far'];

const OFFSET = 77;

/** Of a house of zones no more than of others: its conductors are many and alike. */
const MOST = { lines: 48, proofs: 6 };

const sample = <T>(list: readonly T[], every: number, most = MOST.lines): T[] =>
  list.filter((_, i) => i % every === OFFSET % every).slice(0, most);
const figure = (value: number) =>
  Number.isFinite(value) ? String(Number(value.toPrecision(4))) : String(value);

/** Every control of a device but a thermostat's, as it is not at first: breakers off, floats wet, cut-outs tripped. */
const hands = ({ devices }: Circuit) =>
  devices.flatMap(({ id, kind }) =>
    kindOf(kind).asks
      ? []
      : Object.entries(kindOf(kind).controls).flatMap(([name, field]) =>
          field.type === 'choice'
            ? Object.keys(field.options)
                .filter((option) => option !== field.default)
                .map((option) => ({ id, controls: { [name]: option } }))
            : [],
        ),
  );

/** What the status line says a little into a call and when nothing changes any more, a hand on something else. */
function handLines(circuit: Circuit): string[] {
  const network = compile(circuit);
  const solver = makeSolver(network);
  const asked = callsOf(circuit).filter(({ id }) => HANDS_IN.includes(id));
  const { world } = advance(network, asked[0]!.inputs, NEW_WORLD, REST_S, solver);
  const bare = { id: '', controls: {} };
  return [bare, ...hands(circuit)].flatMap(({ id, controls }) =>
    asked.flatMap(({ id: call, inputs: { controls: held, conditions } }) => {
      const inputs = { controls: { ...held, ...(id && { [id]: controls }) }, conditions };
      return [SOON_S, LATE_S].map((seconds) => {
        const settled = advance(network, inputs, world, seconds, solver);
        const { status } = toldView(network, inputs, settled);
        return `${id} ${JSON.stringify(controls)}, ${call}, after ${seconds} s: ${JSON.stringify(status)}`;
      });
    }),
  );
}

/** What the status line says of faults laid over and of mistakes, in each call they change. */
function statusLines(circuit: Circuit): string[] {
  const calls = callsOf(circuit);
  const good = runCalls(circuit, [], calls);
  const mistakes = sample(
    spoilsOf(circuit).filter(({ what }) => what !== 'landing'),
    EVERY.spoil,
  ).map(({ text, circuit: spoiled }): Faulty => ({
    what: 'landing',
    text,
    circuit: spoiled,
    faults: [],
    changed: [],
  }));
  return [...sample(faultyOf(circuit), EVERY.fault), ...mistakes].flatMap((faulty) =>
    statusesOf(faulty, calls, good).map(
      ({ call, status }) => `${faulty.text}, ${call}: ${JSON.stringify(status)}`,
    ),
  );
}

const findingLine = (circuit: Circuit, finding: Finding) => {
  const { severity, property, about, states, shownBy } = finding;
  return `${severity} ${property} ${about}, ${states} states from ${shownBy.asked.id} ${shownBy.trip?.device ?? ''} ${shownBy.mains}: ${tellViolation(circuit, finding)}`;
};

/** A mistake of each kind but landings, and some of those. */
function mixedMistakes(circuit: Circuit): Spoiled[] {
  const all = spoilsOf(circuit);
  const kinds = [...new Set(all.map(({ what }) => what))].filter((what) => what !== 'landing');
  return [
    ...kinds.flatMap((kind) => {
      const own = all.filter(({ what }) => what === kind);
      return [own[Math.floor(own.length / 2)]!];
    }),
    ...sample(all, EVERY.mistake, MOST.proofs),
  ];
}

/** What the proof finds, good and spoiled. */
function proofLines(circuit: Circuit): string[] {
  return [{ text: 'good', circuit }, ...mixedMistakes(circuit)].flatMap((spoiled) => {
    const { states, findings } = prove(spoiled.circuit)!;
    return [
      `${spoiled.text}: ${states} states`,
      ...findings.map((finding) => `  ${findingLine(spoiled.circuit, finding)}`),
    ];
  });
}

const optionLines = (option: SwapOption) => [
  `${methodTitle(option.method)}, ${option.minutes} min; ${tellCosts(option).join(' ')}`,
  ...option.landings.map(
    ({ conductor, screw, far, was, reason }) =>
      `  ${conductor} ${was} → ${screw} ${far}: ${landingReasonText(reason)}`,
  ),
  ...option.empties.map(({ terminal, reason }) => `  ${terminal}: ${emptyReasonText(reason)}`),
  ...option.setUp.map(({ name, value, reason }) => `  ${name} ${value}: ${setUpReasonText(reason)}`),
  ...option.jumpers.map(
    ({ joins, fitted, reason }) => `  ${joins.join(' ')} ${fitted}: ${jumperReasonText(reason)}`,
  ),
];

const stepLines = (before: Circuit, after: Circuit): string[] =>
  walk(before, stepsOf(before, after)).flatMap(({ station, steps }) =>
    steps.map(
      ({ id, task, after: needs, mostVolts, probes, conductor }) =>
        `${station} ${id}: ${tellTask(before, after, task)} ${mostVolts ?? ''} ${probes?.join(' ') ?? ''} ${conductor ? [conductor.tag, conductor.stripMm, conductor.from, conductor.to].join(' ') : ''} after ${needs.join(' ')}`,
    ),
  );

const statOf = ({ devices }: Circuit) => devices.find(({ kind }) => kindOf(kind).asks)!.id;

/** The plans for a thermostat with few screws, without spares too, and the steps of each. */
function planLines(circuit: Circuit): string[] {
  const bare = {
    ...circuit,
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.filter(({ from, to }) => from !== null || to !== null),
    })),
  };
  const jackets = circuit.cables.map(({ id }) => id);
  const swaps = [planSwap(circuit, { device: statOf(circuit), terminals: 'five', supply: 'both' }, jackets)!];
  // Where a spare brings C, doing without one is planned too.
  if (swaps[0]!.options[0]?.method.id === 'spare')
    swaps.push(planSwap(bare, { device: statOf(bare), terminals: 'five', supply: 'both' })!);
  return swaps.flatMap(({ cannot, options, leftOut }) => [
    ...cannot.map((obstacle) => obstacleText(namesIn(circuit), obstacle)),
    ...leftOut.map(({ method }) => `not proposed: ${methodTitle(method)}`),
    ...options.flatMap((option) => [...optionLines(option), ...stepLines(circuit, option.circuit)]),
  ]);
}

/** What each conductor at the thermostat does, and which screw of which set it would go on, and why. */
function screwLines(circuit: Circuit): string[] {
  const device = statOf(circuit);
  const facts = factsOf(circuit, device);
  const wired = leadsLine(facts);
  const spoiled = sample(faultyOf(circuit), EVERY.trial)
    .filter(({ what }) => what !== 'fault')
    .flatMap(({ text, circuit: wrong }) => [text, ...leadsLine(factsOf(wrong, device))]);
  const wishes = [...Object.keys(SCREWS.sets), 'RC RH Y W2 G O C', 'R Y W'].flatMap((terminals) =>
    (['both', 'battery'] as const).map((supply) => ({ device, terminals, supply })),
  );
  return [
    ...wired,
    ...spoiled,
    ...wishes.flatMap((wish) => [
      `${wish.terminals} ${wish.supply}: ${needsLine(needsOf(circuit, facts, wish))}`,
      facts.leads.map((lead) => `${lead.mark} on ${screwFor(lead, facts, wish).mark}`).join(', '),
      setUpOf(facts, wish)
        .map(({ name, value }) => `${name} ${value}`)
        .join(', '),
    ]),
  ];
}

const needsLine = ({ needs, noCommon }: ReturnType<typeof needsOf>) =>
  `${needs.map(({ role, screw, far, now }) => `${role} ${screw} ${far} ${now}`).join(', ')}${noCommon ? ' no common' : ''}`;

const leadsLine = ({ leads, ...unit }: ReturnType<typeof factsOf>) => [
  JSON.stringify(unit),
  ...leads.map(
    ({ conductor, mark, role, domain, runs }) =>
      `  ${conductor.id} on ${mark}: ${role} of ${domain}: ${runs.join(', ')}`,
  ),
];

const SETTING = 'fanWithHeat';

/** Changes by hand, as steps: an end lifted, two exchanged, a jumper, a device taken out, another setting. */
function handworkLines(circuit: Circuit): string[] {
  const [one, other] = circuit.cables
    .flatMap(({ conductors }) => conductors)
    .filter(({ from, to }) => from !== null && to !== null);
  const last = circuit.devices[circuit.devices.length - 1]!;
  const stat = statOf(circuit);
  const changes: Circuit[] = [
    lift(circuit, one!.id, 'from'),
    exchange(circuit, [one!.id, 'to'], [other!.id, 'to']),
    removeDevice(circuit, last.id),
    // A remote has nothing of the kind to set.
    ...(SETTING in kindOf(findDevice(circuit, stat)!.kind).settings
      ? [setValue(circuit, stat, 'settings', SETTING, 'thermostat')]
      : []),
    addLink(circuit, { id: 'strap', kind: 'jumper', joins: [one!.from!, other!.from!] }),
  ];
  return changes.flatMap((changed) => [
    ...stepLines(circuit, changed),
    'and back',
    ...stepLines(changed, circuit),
  ]);
}

/** Every state of the proof; every change a repair may try; what guards each load. */
function searchLines(circuit: Circuit): string[] {
  const guards = ({ kept, fused }: ReturnType<typeof guardsOf>) => [
    ...[...kept].map(([load, by]) => `${load} guarded by ${[...by].join(' ')}`),
    ...[...fused].map(([load, is]) => `${load} ${is ? 'fused' : 'not fused'}`),
  ];
  const wrong = sample(spoilsOf(circuit), EVERY.mistake);
  const drafts = [circuit, ...wrong.slice(0, 3).map((spoiled) => spoiled.circuit)].flatMap((from) => {
    const all = draftsOf(from);
    return [
      `${all.length} drafts`,
      ...sample(all, EVERY.draft).map(({ change, work }) => `${tellChange(from, change)}; ${work}`),
    ];
  });
  return [
    ...casesOf(circuit).map((subject) => caseText(namesIn(circuit), subject)),
    ...guards(guardsOf(compile(circuit))),
    ...wrong.flatMap((spoiled) => [spoiled.text, ...guards(guardsOf(compile(spoiled.circuit)))]),
    ...drafts,
  ];
}

/** What is proposed for the worst of some mistakes, and what is left of them. */
const repairLines = (circuit: Circuit): string[] =>
  sample(mixedMistakes(circuit), EVERY.repair).flatMap(({ text, circuit: spoiled }) => {
    const { findings } = prove(spoiled)!;
    const [worst] = findings;
    if (!worst || worst.severity === 'caution') return [];
    const repair = repairOf(spoiled, worst, undefined, findings);
    return [
      `${text}: ${worst.property}: ${repair ? `${tellRepair(spoiled, repair)} ${repair.left} left` : 'nothing'}`,
    ];
  });

/** Landing cards: what is on every terminal, with its tag and how far it is stripped. */
const cardLines = (circuit: Circuit): string[] => cardsOf(circuit).map((card) => JSON.stringify(card));

const DROP_AT_C = 40;
const MOST_SWEPT = 40;

/** A state by what is said of it. */
const asTold = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && 'situation' in value
    ? Object.fromEntries(
        Object.entries(value).map(([key, own]) =>
          key === 'situation' ? ['call', situationText(own as Situation)] : [key, own as unknown],
        ),
      )
    : value;

/** Loads of transformers, volts on the way to coils, and what a short would draw. */
function sumLines(circuit: Circuit): string[] {
  const rounded = (value: unknown) =>
    JSON.stringify(value, (_key, one: unknown) =>
      typeof one === 'number' ? Number(figure(one)) : asTold(one),
    );
  return [
    ...transformerLoads(circuit).map(rounded),
    ...voltageDrops(circuit, DROP_AT_C).map(rounded),
    ...fuseSums(circuit).map(rounded),
    ...unprotectedHots(circuit).map((found) =>
      rounded({ device: found.about, text: tellViolation(circuit, found) }),
    ),
  ];
}

/** Readings a meter would give between terminals while cooling is called. */
function readingLines(circuit: Circuit): string[] {
  const cool = callsOf(circuit).find(({ id }) => id === 'cool') ?? callsOf(circuit)[0]!;
  const { point } = untilSteady(compile(circuit), cool.inputs, NEW_WORLD, 1200);
  const [black, ...points] = sample(point.network.nodes, EVERY.point);
  return points.flatMap((red) =>
    METER_MODES.map((mode) => {
      const reading = measure(point, { mode, meter: 'high-z', red, black: black! });
      return `${mode} ${red} ${black}: ${JSON.stringify(reading)}`;
    }),
  );
}

/** What a sweep finds of each wrong landing, for small systems. */
const sweepLines = (circuit: Circuit): string[] =>
  wrongLandings(circuit).length > MOST_SWEPT
    ? []
    : sweep(circuit)!.map(({ wrong, harm, does, shownBy, circuit: spoiled }) =>
        [
          tellWrong(circuit, wrong),
          harm,
          does && tellViolation(spoiled, does),
          shownBy?.asked.id,
          shownBy?.mains,
        ].join('; '),
      );

export const TABLES: Readonly<Record<string, (circuit: Circuit) => string[]>> = {
  hands: handLines,
  status: statusLines,
  proof: proofLines,
  plan: planLines,
  screws: screwLines,
  handwork: handworkLines,
  search: searchLines,
  repair: repairLines,
  cards: cardLines,
  sums: sumLines,
  readings: readingLines,
  sweep: sweepLines,
};

/** Tables that take seconds a system are told of every third, each of other ones: between them they tell of all. */
const LONG: readonly string[] = ['status', 'repair', 'proof', 'plan', 'hands', 'sums'];
const ROUNDS = 3;

/** Ready systems that a table is recorded for. */
export const systemsOf = (table: string): readonly Template[] =>
  LONG.includes(table) ? TEMPLATES.filter((_, i) => i % ROUNDS === LONG.indexOf(table) % ROUNDS) : TEMPLATES;
