/** A job's report, told: the customer's page first, then what whoever comes next needs. */
import { findConductor, findDevice } from '../../circuit';
import { kindOf, said } from '../../devices';
import type { Block, Paper, Section } from '../../formats';
import type { CautionCode, Report, ReportLanding, ReportReading, ReportTest, Tested } from '../../record';
import { colourName } from '../../standards';
import type { Names } from '../names';
import { namesIn } from '../names';
import { capital, listed } from '../phrases';
import { showAmps, showDuration, showQuantity, showTemperature, showVolts } from '../show';
import type { Units } from '../units';
import { OUTCOME, entryText, holderText, loadText, testTitle } from './record';

export interface ReportStyle {
  units: Units;
  /** IANA time zone in which times are told. */
  zone: string;
}

/** "27 Nov 2026, 10:42 GMT+1" */
export const showTime = (at: string, zone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZoneName: 'short',
  }).format(new Date(at));

const CAUTIONS: Readonly<Record<CautionCode, string>> = {
  dead: 'Power off, locked and proven dead before a hand goes in: a meter on a known live point, then here, then the live point again.',
  line: 'Line voltage and 24 V share compartments. What is not yours to open belongs to who is licensed for it.',
  capacitor: 'Capacitors hold charge after the power is off.',
  gas: 'Gas appliance: limits, pressure switches and roll-out switches are never defeated.',
  smoke:
    'Smoke and fire devices may be reserved to licensed people, and the panel is put on test before anything is touched.',
  bypass: 'A safety is bypassed: somebody stands by, or the unit stays off.',
  code: 'Local code, the equipment’s own diagram and licensed practice win over this report.',
};

const none = (text: string): Block[] => [{ type: 'text', text }];
const table = (columns: readonly string[], rows: readonly (readonly string[])[], empty: string): Block[] =>
  rows.length === 0 ? none(empty) : [{ type: 'table', columns, rows }];

/** Plain words for whoever lives with it. */
function forTheCustomer({ tests, bypasses, items, finished, left }: Report, { zone }: ReportStyle): Section {
  const now = tests.filter(({ expected }) => expected);
  const told = now.flatMap(({ tested }) => tested ?? []);
  const made = told.filter(({ outcome }) => outcome !== 'not-today');
  const later = told.filter(({ outcome }) => outcome === 'not-today');
  const bad = made.filter(({ outcome }) => outcome === 'not-so');
  const all = now.length;
  const still = bypasses.filter(({ state }) => state !== 'restored');
  const open = items.filter(({ done }) => !done);
  const names = namesIn(left);
  const lines = [
    made.length === 0
      ? 'The system was not tested yet.'
      : `${made.length} of ${all} tests were made${bad.length === 0 ? ', all as they should be' : ''}.`,
    ...bad.map(({ title, text }) => `Not as it should be: ${title}${text ? `. ${text}` : ''}.`),
    ...later.map(
      ({ title, until }) =>
        `Could not be tested: ${title}${until ? `; planned for ${showTime(until, zone)}` : ''}.`,
    ),
    ...still.map(
      ({ device, until, ...bypass }) =>
        `A protection is switched off for now: ${names.device(device)} (${holderText({ device, until, ...bypass })}). It has to be put right by ${showTime(until, zone)}.`,
    ),
    still.length === 0
      ? 'Every protection is in service.'
      : 'Do not leave the system running unwatched until then.',
    open.length === 0
      ? 'Nothing is left to do.'
      : `Left to do: ${open.map(({ text, until }) => (until ? `${text} (by ${showTime(until, zone)})` : text)).join('; ')}.`,
    finished ? 'The work is finished.' : 'The work is not finished yet.',
  ];
  return { title: 'For the customer', blocks: [{ type: 'list', items: lines }] };
}

const system = ({ job, left }: Report): Section => ({
  title: 'The system',
  blocks: [
    ...(job.notes.trim() === '' ? [] : none(`Notes: ${job.notes.trim()}`)),
    ...left.stations.flatMap(({ id, name }): Block[] => {
      const here = left.devices.filter(({ station }) => station === id);
      return here.length === 0
        ? []
        : [
            {
              type: 'text',
              text: `${name}: ${listed(here.map(({ label, kind }) => `${label} (${kindOf(kind).title.toLowerCase()})`))}.`,
            },
          ];
    }),
  ],
});

const settings = ({ left, values }: Report): Section => ({
  title: 'Settings, and what was read off labels',
  blocks: table(
    ['Device', 'What', 'Value', 'From'],
    values.map(({ device, group, name, value, given }) => {
      const { label, kind } = findDevice(left, device)!;
      const field = kindOf(kind)[group][name]!;
      return [label, field.label, said(field, value), given ? 'as entered' : `default, ${field.source}`];
    }),
    'Nothing is set.',
  ),
});

/** One end, or that it is free. */
const endText = (names: Names, end: string | null) => (end === null ? 'free' : names.node(end));

function landings({ found, left, landings: all, jumpers }: Report): Section {
  const [was, is] = [namesIn(found), namesIn(left)];
  const ends = (names: Names, one: ReportLanding['found']) =>
    one ? `${endText(names, one.from)} – ${endText(names, one.to)}` : 'not there';
  const changed = all.filter((one) => one.changed);
  const row = (one: ReportLanding) => {
    const conductor = findConductor(one.left ? left : found, one.conductor)!;
    const colour = `${colourName(one.colour)}${conductor.tag ? ` (${conductor.tag})` : ''}`;
    return [`${one.cable}, ${colour}`, ends(was, one.found), one.changed ? ends(is, one.left) : 'the same'];
  };
  return {
    title: 'Landings as found and as left',
    blocks: [
      {
        type: 'text',
        text:
          changed.length === 0
            ? 'Every conductor is where it was found.'
            : `${changed.length} of ${all.length} conductors are landed otherwise than they were found.`,
      },
      ...table(['Conductor', 'As found', 'As left'], all.map(row), 'No conductor is recorded.'),
      ...table(
        ['Jumper', 'As found', 'As left'],
        jumpers.map((one) => [
          one.joins.map((terminal) => (one.left ? is : was).node(terminal)).join(' – '),
          one.found ? 'in' : 'not there',
          one.left ? 'in' : 'taken off',
        ]),
        'No jumpers.',
      ),
    ],
  };
}

const figure = (value: number | null, unit: ReportReading['unit']) => {
  const shown = showQuantity(value ?? Infinity, unit);
  return `${shown.figure} ${shown.unit}`;
};

const VERDICTS = { agrees: 'agrees', low: 'too low', high: 'too high' } as const;

const readings = ({ left, readings: all }: Report, { zone }: ReportStyle): Section => {
  const { node } = namesIn(left);
  return {
    title: 'Readings',
    blocks: table(
      ['When', 'Red, black', 'Call', 'Expected', 'Read', ''],
      all.map(({ at, red, black, situation, expected, actual, unit, verdict }) => [
        showTime(at, zone),
        `${node(red)}, ${node(black)}`,
        situation,
        figure(expected, unit),
        figure(actual, unit),
        VERDICTS[verdict],
      ]),
      'No reading was logged.',
    ),
  };
};

/** What a test should show. */
function expectedText(names: Names, { expected }: ReportTest, units: Units): string {
  if (!expected) return 'The circuit was changed since; it has no such test any more.';
  const parts: string[] = [];
  if ('stops' in expected && expected.stops.length > 0)
    parts.push(`stops: ${expected.stops.map((key) => loadText(names, key)).join(', ')}`);
  if ('runs' in expected && expected.runs.length > 0)
    parts.push(`runs: ${expected.runs.map((key) => loadText(names, key)).join(', ')}`);
  if ('afterS' in expected && expected.afterS > 1) parts.push(`within ${showDuration(expected.afterS)}`);
  for (const { red, black, volts } of expected.readings)
    parts.push(`${names.node(red)} to ${names.node(black)} ${showVolts(volts)} V`);
  if ('amps' in expected)
    for (const { device, amps } of expected.amps) parts.push(`${names.device(device)} ${showAmps(amps)}`);
  if ('outdoorC' in expected && expected.outdoorC !== null)
    parts.push(`not under ${showTemperature(expected.outdoorC, units.temperature)} outdoors`);
  return capital(parts.join('; ') || 'nothing runs');
}

/** How a test went, what was read and what was said. */
function testedText({ node }: Names, { outcome, readings: read, text }: Tested): string {
  const figures = read.map(({ red, black, volts }) => `${node(red)} to ${node(black)} ${showVolts(volts)} V`);
  return [OUTCOME[outcome], ...figures, ...(text ? [text] : [])].join('; ');
}

function tests({ left, tests: all }: Report, { units, zone }: ReportStyle): Section {
  const names = namesIn(left);
  return {
    title: 'Tests',
    blocks: table(
      ['Test', 'Should show', 'Was', 'When, by'],
      all.map((one) => [
        one.expected ? testTitle(names, one.expected) : one.tested!.title,
        expectedText(names, one, units),
        one.tested ? testedText(names, one.tested) : 'not made',
        one.tested ? `${showTime(one.tested.at, zone)}, ${one.tested.by}` : '',
      ]),
      'There is nothing to test.',
    ),
  };
}

function openThings({ left, bypasses, items }: Report, { zone }: ReportStyle): Section {
  const names = namesIn(left);
  const state = { in: 'in', 'handed-over': 'in', restored: 'out, proven' } as const;
  return {
    title: 'Bypasses and what is left',
    blocks: [
      ...table(
        ['Bypassed', 'Why', 'By, since', 'Gone by', 'Now'],
        bypasses.map((one) => [
          names.device(one.device),
          one.why,
          `${one.by}, ${showTime(one.since, zone)}`,
          showTime(one.until, zone),
          one.state === 'restored' ? state.restored : `${state[one.state]}; ${holderText(one)}`,
        ]),
        'No safety was bypassed.',
      ),
      ...table(
        ['Noticed and left', 'By, since', 'Until', 'Now'],
        items.map(({ text, by, since, until, done }) => [
          text,
          `${by}, ${showTime(since, zone)}`,
          until ? showTime(until, zone) : '',
          done ? 'dealt with' : 'open',
        ]),
        'Nothing was noticed and left.',
      ),
    ],
  };
}

function logOf({ left, log }: Report, { zone }: ReportStyle): Section {
  const names = namesIn(left);
  const devices = new Map(
    log.flatMap(({ body }) => (body.type === 'bypassed' ? [[body.bypass, body.device]] : [])),
  );
  return {
    title: 'Log',
    blocks: table(
      ['When', 'Who', 'What'],
      log.map(({ at, by, body }) => [
        showTime(at, zone),
        by,
        entryText(names, body, (id) => devices.get(id)),
      ]),
      'Nothing was written.',
    ),
  };
}

const seal = ({ seal: { entries, link }, photographs, left }: Report): Section => ({
  title: 'Seal',
  blocks: [
    {
      type: 'text',
      text:
        link === null
          ? 'Nothing is in the log, and nothing is sealed.'
          : `${entries} entries, each chained to the one before (SHA-256). Last link: ${link}.`,
    },
    {
      type: 'text',
      text:
        photographs.length === 0
          ? 'No photographs.'
          : `${photographs.length} photographs: ${listed([...new Set(photographs.map(({ station }) => left.stations.find(({ id }) => id === station)?.name ?? station))])}.`,
    },
  ],
});

/** The whole report as a paper. */
export function reportPaper(report: Report, style: ReportStyle): Paper {
  const { job, written, cautions } = report;
  return {
    title: `${job.site}: ${job.name}`,
    under: [`Report of ${showTime(written, style.zone)}.`],
    sections: [
      forTheCustomer(report, style),
      { title: 'Cautions', blocks: [{ type: 'list', items: cautions.map((code) => CAUTIONS[code]) }] },
      { ...system(report), apart: true },
      landings(report),
      settings(report),
      tests(report, style),
      readings(report, style),
      openThings(report, style),
      logOf(report, style),
      seal(report),
    ],
  };
}
