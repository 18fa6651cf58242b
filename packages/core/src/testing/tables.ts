/**
 * What the model says of every ready system, good and with one thing wrong, as lines that can be read and compared.
 * Recorded beside this file (`npm run record`), they show in a change's own diff every word and figure it changes.
 * They say what is said, not that it is right: that is for the tests with a source, and for `npm run bench:advice`.
 */
import type { Circuit } from '../circuit';
import { kindOf } from '../devices';
import { METER_MODES, compile, makeSolver, measure } from '../network';
import { NEW_WORLD, advance, untilSteady, viewOf } from '../behaviour';
import { fuseSums, planSwap, transformerLoads, unprotectedHots, voltageDrops } from '../plan';
import type { SwapOption } from '../plan';
import type { Finding } from '../prove';
import { prove, sweep, wrongLandings } from '../prove';
import { cardsOf, stepsOf, walk } from '../wire';
import type { Faulty } from './faulty';
import { callsOf, faultyOf, runCalls, statusesOf } from './faulty';
import { spoilsOf } from './spoils';

/** One in so many is enough to notice a change, and keeps the tests quick. */
const EVERY = { fault: 14, spoil: 9, mistake: 90, point: 8 };

/** Seconds from a cold start to rest, and into a call. */
const REST_S = 420;
const SOON_S = 5;
const LATE_S = 900;
const HANDS_IN: readonly string[] = ['off', 'cool', 'heat-far'];

const sample = <T>(list: readonly T[], every: number): T[] => list.filter((_, i) => i % every === 5 % every);
const figure = (value: number) =>
  Number.isFinite(value) ? String(Number(value.toPrecision(4))) : String(value);

const celsius = (value: number) => `${value} °C`;

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
        const { status } = viewOf(network, inputs, settled, celsius);
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

const findingLine = ({ severity, property, about, text, states, shownBy }: Finding) =>
  `${severity} ${property} ${about}, ${states} states from ${shownBy.asked.id} ${shownBy.trip?.device ?? ''} ${shownBy.mains}: ${text}`;

/** What the proof finds, good and spoiled. */
function proofLines(circuit: Circuit): string[] {
  return [{ text: 'good', circuit }, ...sample(spoilsOf(circuit), EVERY.mistake)].flatMap((spoiled) => {
    const { states, findings } = prove(spoiled.circuit)!;
    return [`${spoiled.text}: ${states} states`, ...findings.map((finding) => `  ${findingLine(finding)}`)];
  });
}

const optionLines = ({
  title,
  minutes,
  landings,
  empties,
  setUp,
  jumpers,
  parts,
  lost,
  lookOut,
}: SwapOption) => [
  `${title}, ${minutes} min; ${[...parts, ...lost, ...lookOut].join(' ')}`,
  ...landings.map(
    ({ conductor, screw, far, was, reason }) => `  ${conductor} ${was} → ${screw} ${far}: ${reason}`,
  ),
  ...empties.map(({ terminal, reason }) => `  ${terminal}: ${reason}`),
  ...setUp.map(({ name, value, reason }) => `  ${name} ${value}: ${reason}`),
  ...jumpers.map(({ joins, fitted, reason }) => `  ${joins.join(' ')} ${fitted}: ${reason}`),
];

/** The plans for a thermostat of another kind, and the steps of the first. */
function planLines(circuit: Circuit, terminals: string): string[] {
  const stat = circuit.devices.find(({ kind }) => kind === 'thermostat')!;
  const { facts, cannot, options, leftOut } = planSwap(circuit, {
    device: stat.id,
    terminals,
    supply: 'both',
  })!;
  const [first] = options;
  const steps = first ? walk(circuit, stepsOf(circuit, first.circuit)) : [];
  return [
    ...facts.leads.map(
      ({ conductor, mark, role, runs }) => `${conductor.id} on ${mark}: ${role} ${runs.join(', ')}`,
    ),
    ...cannot,
    ...leftOut.map(({ title }) => `not proposed: ${title}`),
    ...options.flatMap(optionLines),
    ...steps.flatMap(({ station, steps: here }) =>
      here.map(
        ({ id, text, after, mostVolts }) =>
          `${station} ${id}: ${text} ${mostVolts ?? ''} after ${after.join(' ')}`,
      ),
    ),
  ];
}

/** Landing cards: what is on every terminal, with its tag and how far it is stripped. */
const cardLines = (circuit: Circuit): string[] => cardsOf(circuit).map((card) => JSON.stringify(card));

const DROP_AT_C = 40;
const MOST_SWEPT = 40;

/** Loads of transformers, volts on the way to coils, and what a short would draw. */
function sumLines(circuit: Circuit): string[] {
  const rounded = (value: unknown) =>
    JSON.stringify(value, (_key, one: unknown) => (typeof one === 'number' ? Number(figure(one)) : one));
  return [
    ...transformerLoads(circuit).map(rounded),
    ...voltageDrops(circuit, DROP_AT_C).map(rounded),
    ...fuseSums(circuit).map(rounded),
    ...unprotectedHots(circuit).map(rounded),
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
    : sweep(circuit)!.map(({ text, harm, does, shownBy }) =>
        [text, harm, does, shownBy?.asked.id, shownBy?.mains].join('; '),
      );

export const TABLES: Readonly<Record<string, (circuit: Circuit) => string[]>> = {
  hands: handLines,
  status: statusLines,
  proof: proofLines,
  'plan-five': (circuit) => planLines(circuit, 'five'),
  'plan-full': (circuit) => planLines(circuit, 'full'),
  cards: cardLines,
  sums: sumLines,
  readings: readingLines,
  sweep: sweepLines,
};
