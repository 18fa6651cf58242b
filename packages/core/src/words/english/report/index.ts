/** A job's report, told: the customer's page first, then what whoever comes next needs. */
import type { Paper, Section } from '../../../formats';
import type { CautionCode, Report } from '../../../record';
import type { ReportStyle } from './style';
import { namesIn } from '../../names';
import { holderText } from '../record';
import { showTime } from './style';
import { system, settings, landings } from './wiring';
import { readings, tests } from './proof';
import { buildingSection, logOf, openThings, photographs, seal } from './history';

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

/** Plain words for whoever lives with it. */
function forTheCustomer(
  { tests, bypasses, items, finished, onTestUntil, jacketsOff, left }: Report,
  { zone }: ReportStyle,
): Section {
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
    ...(onTestUntil === null
      ? []
      : [
          `The fire panel is on test until ${showTime(onTestUntil, zone)}: meanwhile nobody comes for a fire, and somebody has to watch.`,
        ]),
    ...(jacketsOff.length === 0
      ? []
      : [`Cables of the fire alarm are off: jacket ${jacketsOff.join(', ')}.`]),
    ...(still.length > 0 ? ['Do not leave the system running unwatched until then.'] : []),
    ...(still.length === 0 && onTestUntil === null && jacketsOff.length === 0
      ? ['Every protection is in service.']
      : []),
    open.length === 0
      ? 'Nothing is left to do.'
      : `Left to do: ${open.map(({ text, until }) => (until ? `${text} (by ${showTime(until, zone)})` : text)).join('; ')}.`,
    finished ? 'The work is finished.' : 'The work is not finished yet.',
  ];
  return { title: 'For the customer', blocks: [{ type: 'list', items: lines }] };
}

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
      ...buildingSection(report),
      photographs(report, style),
      seal(report),
    ],
  };
}
