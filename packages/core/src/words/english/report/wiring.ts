/** Of a report: the system, its settings, its landings as found and as left. */
import type { Block, Section } from '../../../formats';
import type { Report, ReportLanding, ReportValue } from '../../../record';
import type { Names } from '../../names';
import { findConductor, findDevice } from '../../../circuit';
import { kindOf } from '../../../devices';
import { colourName } from '../../../standards';
import { namesIn } from '../../names';
import { listed } from '../../phrases';
import { counted } from '../../show';
import type { ReportStyle } from './style';
import { none, table } from './style';
import { valueText } from '../../field-units';

export const system = ({ job, left }: Report): Section => ({
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

const FROM: Readonly<Record<ReportValue['from'], string>> = {
  set: 'entered in this job',
  begun: 'as the job began',
  default: 'typical value, not read here',
};

export const settings = ({ left, values }: Report, { units }: ReportStyle): Section => ({
  title: 'Settings and nameplates',
  blocks: table(
    ['Device', 'What', 'Value', 'From'],
    values.map(({ device, group, name, value, from }) => {
      const { label, kind } = findDevice(left, device)!;
      const field = kindOf(kind)[group][name]!;
      return [label, field.label, valueText(field, value, units), FROM[from]];
    }),
    'Nothing is set.',
  ),
});

/** One end, or that it is free. */
const endText = (names: Names, end: string | null) => (end === null ? 'free' : names.node(end));

export function landings({ found, left, landings: all, jumpers }: Report): Section {
  const [was, is] = [namesIn(found), namesIn(left)];
  const ends = (names: Names, one: ReportLanding['found']) =>
    one ? `${endText(names, one.from)} – ${endText(names, one.to)}` : 'not there';
  const changed = all.filter((one) => one.changed);
  const row = (one: ReportLanding) => {
    const conductor = findConductor(one.left ? left : found, one.conductor)!;
    const marks = [conductor.number, conductor.tag, conductor.state].filter((mark) => mark !== undefined);
    const colour = `${colourName(one.colour)}${marks.length > 0 ? ` (${marks.join(', ')})` : ''}`;
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
            : `Landed otherwise than they were found: ${changed.length} of ${counted(all.length, 'conductor')}.`,
      },
      ...table(['Conductor', 'As found', 'As left'], all.map(row), 'No conductor is recorded.'),
      ...table(
        ['Jumper', 'As found', 'As left'],
        jumpers.map((one) => [
          one.joins.map((terminal) => (one.left ? is : was).node(terminal)).join(' – '),
          one.found === null ? 'not recorded' : one.found ? 'in' : 'not there',
          one.left ? 'in' : 'taken off',
        ]),
        'No jumpers.',
      ),
    ],
  };
}
