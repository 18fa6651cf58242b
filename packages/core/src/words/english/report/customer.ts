/** The customer's page of a report: what was done, what was tested, what is not right, what is left. No caution for hands. */
import type { Block, Section } from '../../../formats';
import type { Bypass, Report, Tested } from '../../../record';
import { findDevice } from '../../../circuit';
import { kindOf } from '../../../devices';
import type { Names } from '../../names';
import { namesIn } from '../../names';
import { valueText } from '../../field-units';
import { listed } from '../../phrases';
import { deviceText } from '../record';
import { counted } from '../../show';
import type { ReportStyle } from './style';
import { none, showDay, showTime } from './style';

const list = (items: readonly string[]): Block[] => (items.length === 0 ? [] : [{ type: 'list', items }]);

/** Text as it was typed, ended like a sentence. */
const sentence = (text: string) => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`);

/** Of a wire: which, and where it is landed now. */
function movedText({ left, landings }: Report, id: string): string {
  const names = namesIn(left);
  const { left: ends } = landings.find(({ conductor }) => conductor === id)!;
  const at = [ends?.from, ends?.to].flatMap((end) => (end ? [names.node(end)] : []));
  return `${names.conductor(id)}: ${at.length === 0 ? 'not landed' : at.join(' to ')}`;
}

/** Wires that are named one by one; more are counted. */
const MOST_NAMED = 6;

function doneLines(report: Report, { units }: ReportStyle): string[] {
  const { left, work } = report;
  const names = namesIn(left);
  const settings = work.set.map(({ device, name, value }) => {
    const field = kindOf(findDevice(left, device)!.kind).settings[name]!;
    return `${names.device(device)}: ${field.label} set to ${valueText(field, value, units)}.`;
  });
  const moved =
    work.moved.length > MOST_NAMED
      ? [`${counted(work.moved.length, 'wire')} landed differently than found. The list is on a later page.`]
      : work.moved.map((id) => `Wire re-landed: ${movedText(report, id)}.`);
  return [
    ...work.said.map(sentence),
    ...(work.added.length > 0 ? [`Installed: ${listed(work.added.map((id) => names.device(id)))}.`] : []),
    ...(work.removed.length > 0 ? [`Removed: ${listed(work.removed)}.`] : []),
    ...(work.pulled.length > 0 ? [`New cable: ${listed(work.pulled.map((id) => names.cable(id)))}.`] : []),
    ...moved,
    ...(work.jumpers.added > 0 ? [`Put in: ${counted(work.jumpers.added, 'jumper')}.`] : []),
    ...(work.jumpers.removed > 0 ? [`Taken off: ${counted(work.jumpers.removed, 'jumper')}.`] : []),
    ...settings,
    ...work.restored.map((id) => `${deviceText(names, id)} was bypassed, and is in service again.`),
  ];
}

function testedLines({ tests }: Report): string[] {
  const now = tests.filter(({ expected }) => expected);
  const run = now.filter(({ tested }) => tested && tested.outcome !== 'not-today');
  const passed = run.filter(({ tested, isOutdated }) => tested?.outcome === 'as-it-should' && !isOutdated);
  if (run.length === 0) return ['The system has not been tested yet.'];
  return [`${passed.length} of ${counted(now.length, 'test')} passed.`];
}

/** What failed, and who takes care of it. */
const failedText = ({ title, text, handed }: Tested, style: ReportStyle): string =>
  [
    `Failed: ${title}.`,
    ...(text.trim() === '' ? [] : [sentence(text)]),
    handed
      ? `${handed.to} takes care of it by ${showDay(handed.until, style)}.`
      : 'It has to be repaired and tested again.',
  ].join(' ');

const bypassLine = (names: Names, { device, by, to, until }: Bypass, style: ReportStyle): string =>
  `A protection is switched off: ${deviceText(names, device)}. ${to ?? by} is responsible, and has to put it back in service by ${showTime(until, style)}.`;

/** What of the protections can be said: never more than was tested. */
function protectionLines(report: Report, style: ReportStyle): string[] {
  const { left, bypasses, onTestUntil, jacketsOff, protections } = report;
  const names = namesIn(left);
  const still = bypasses.filter(({ state }) => state !== 'restored');
  const unrecorded = protections.bypassed.filter((id) => !still.some(({ device }) => device === id));
  const off = [
    ...still.map((bypass) => bypassLine(names, bypass, style)),
    ...unrecorded.map((id) => `A protection is bypassed in the wiring: ${deviceText(names, id)}.`),
    ...(onTestUntil === null
      ? []
      : [
          `The fire panel is on test until ${showTime(onTestUntil, style)}. Until then no one responds to a fire alarm, and someone has to watch.`,
        ]),
    ...(jacketsOff.length === 0 ? [] : [`Fire alarm cables are disconnected: ${jacketsOff.join(', ')}.`]),
  ];
  if (off.length > 0) return [...off, 'Do not leave the system running unwatched until then.'];
  const { all, passed } = protections;
  if (all === 0) return [];
  return [
    passed === all
      ? 'Every protection was tested and works.'
      : `${passed} of ${counted(all, 'protection')} tested and working. No bypass is on record.`,
  ];
}

function leftLines(
  { tests, items, bypasses, onTestUntil, jacketsOff }: Report,
  style: ReportStyle,
): string[] {
  const untested = tests.filter(({ expected, tested }) => expected && !tested).length;
  const outdated = tests.filter(({ expected, isOutdated }) => expected && isOutdated).length;
  const of = (outcome: Tested['outcome']) =>
    tests.flatMap(({ tested }) => (tested?.outcome === outcome ? [tested] : []));
  return [
    ...of('not-so').map((tested) => failedText(tested, style)),
    ...of('not-today').map(({ title, text, until }) =>
      [
        `Could not be tested: ${title}.`,
        ...(text.trim() === '' ? [] : [sentence(text)]),
        ...(until === null ? [] : [`To be tested by ${showDay(until, style)}.`]),
      ].join(' '),
    ),
    ...bypasses
      .flatMap(({ state }) => (state === 'restored' ? [] : ['Remove the bypass named above.']))
      .slice(0, 1),
    ...(onTestUntil === null ? [] : ['Take the fire panel off test.']),
    ...(jacketsOff.length === 0 ? [] : ['Reconnect the fire alarm cables named above.']),
    ...(untested > 0 ? [`${counted(untested, 'test')} not run yet.`] : []),
    ...(outdated > 0
      ? [`${counted(outdated, 'test')} to be run again on the present wiring and settings.`]
      : []),
    ...items.flatMap(({ done, text, until }) =>
      done ? [] : [until === null ? sentence(text) : `${sentence(text)} By ${showDay(until, style)}.`],
    ),
  ];
}

/** Whether anything says that there is more to do: then nothing says that there is not. */
const endText = ({ finished }: Report, left: readonly string[]): string =>
  finished
    ? left.length === 0
      ? 'The work is finished.'
      : 'This visit is finished. What is left is listed above.'
    : 'The work is not finished yet.';

/** Plain words for whoever lives with it. */
export function customerPage(report: Report, style: ReportStyle): Section[] {
  const done = doneLines(report, style);
  const left = leftLines(report, style);
  return [
    {
      title: 'What was done',
      blocks: done.length === 0 ? none('No change to the system is on record.') : list(done),
    },
    { title: 'What was tested', blocks: list([...testedLines(report), ...protectionLines(report, style)]) },
    {
      title: 'What is left to do',
      blocks: [
        ...(left.length === 0 ? none('Nothing else is on record.') : list(left)),
        ...none(endText(report, left)),
      ],
    },
  ];
}
