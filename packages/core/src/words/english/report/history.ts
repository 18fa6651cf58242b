/** Of a report: what is open, the log, the photographs, the building, the seal. */
import { airOf, mapOf, signsOf, walkOf } from '../../../building';
import type { Section } from '../../../formats';
import type { Report } from '../../../record';
import type { ReportStyle } from './style';
import { airTexts, signText, walkText } from '../building';
import { namesIn } from '../../names';
import { counted } from '../../show';
import { earlierIn, entryText, holderText, writtenByText } from '../record';
import { table, showTime } from './style';

export function openThings({ left, bypasses, items }: Report, style: ReportStyle): Section {
  const names = namesIn(left);
  const state = { in: 'in', 'handed-over': 'in', restored: 'out, tested' } as const;
  return {
    title: 'Bypasses and what is left',
    blocks: [
      ...table(
        ['Bypassed', 'Why', 'By, since', 'Remove by', 'Now'],
        bypasses.map((one) => [
          names.device(one.device),
          one.why,
          `${one.by}, ${showTime(one.since, style)}`,
          showTime(one.until, style),
          one.state === 'restored' ? state.restored : `${state[one.state]}; ${holderText(one)}`,
        ]),
        'No bypass was recorded.',
      ),
      ...table(
        ['Left for later', 'By, since', 'Until', 'Now'],
        items.map(({ text, by, since, until, done }) => [
          text,
          `${by}, ${showTime(since, style)}`,
          until ? showTime(until, style) : '',
          done ? 'taken care of' : 'open',
        ]),
        'Nothing was left for later.',
      ),
    ],
  };
}

export function logOf({ left, log }: Report, style: ReportStyle): Section {
  const names = namesIn(left);
  const earlier = earlierIn(log);
  return {
    title: 'Log',
    blocks: table(
      ['When', 'Who', 'What'],
      log.map((entry) => [
        showTime(entry.at, style),
        writtenByText(entry),
        entryText(names, entry.body, earlier),
      ]),
      'Nothing was written.',
    ),
  };
}

/** Photographs with where and when; whoever puts it on paper has them by their ids. */
export function photographs({ left, photographs: all, log }: Report, style: ReportStyle): Section {
  const placeOf = (station: string) => left.stations.find(({ id }) => id === station)?.name ?? station;
  const said = new Map(
    log.flatMap(({ body }) => (body.type === 'photographed' ? [[body.photo, body.text] as const] : [])),
  );
  return {
    title: 'Photographs',
    blocks:
      all.length === 0
        ? [{ type: 'text', text: 'No photographs.' }]
        : [
            {
              type: 'pictures',
              items: all.map(({ id, station, at }) => ({
                id,
                caption: [`${placeOf(station)}, ${showTime(at, style)}`, said.get(id) ?? '']
                  .filter((one) => one !== '')
                  .join(': '),
              })),
            },
          ],
  };
}

const sealText = ({ entries, link, unsealed }: Report['seal']): string => {
  if (link !== null)
    return `${counted(entries, 'entry')}, each chained to the one before (SHA-256). Last link: ${link}.`;
  return unsealed > 0 ? 'Nothing is sealed yet.' : 'Nothing is in the log, and nothing is sealed.';
};

export const seal = ({ seal: sealed }: Report): Section => ({
  title: 'Seal',
  blocks: [
    { type: 'text', text: sealText(sealed) },
    ...(sealed.unsealed > 0
      ? [{ type: 'text', text: `Not sealed yet, for lack of an answer: ${sealed.unsealed}.` } as const]
      : []),
  ],
});

/** The building, where somebody walked it: what the looks say, what hangs on what, its air. */
export function buildingSection({ building }: Report): Section[] {
  const { units, detectors, air } = building;
  if (units.length + detectors.length + air.length === 0) return [];
  const label = (list: readonly { id: string; label: string }[], id: string) =>
    list.find((one) => one.id === id)?.label ?? id;
  const hung = mapOf(building).map(({ detector, stations, thermostats, tied }) => [
    detector === null ? 'None that is known' : label(detectors, detector),
    [
      ...stations.map((id) => label(building.stations, id)),
      ...thermostats.map((id) => label(building.thermostats, id)),
    ].join(', '),
    tied.map((id) => label(detectors, id)).join(', '),
  ]);
  const says = signsOf(building).map((sign) => signText(building, sign));
  const left = walkOf(building).map((stop) => `Not looked at: ${walkText(building, stop)}`);
  const all = [...says, ...left, ...(air.length > 0 ? airTexts(building, airOf(building)) : [])];
  return [
    {
      title: 'The building',
      blocks: [
        all.length > 0
          ? { type: 'list', items: all }
          : { type: 'text', text: 'Everything was looked at, and nothing stands out.' },
        ...table(['Detector', 'What hangs on it', 'Tied to'], hung, 'No detector was found.'),
      ],
    },
  ];
}
