/** Everything a job comes to, gathered for whoever reads it later: as found, as left, settings, readings, tests, what is open. */
import type { Unit, Verdict } from '../behaviour';
import type { Building } from '../building';
import type { Circuit, Conductor, TerminalId } from '../circuit';
import { findConductor } from '../circuit';
import type { DeviceKind, Value } from '../devices';
import { contextOf, fill, kindOf, noticesOf } from '../devices';
import type { ColourCode } from '../standards';
import type { CommissionTest } from './commission';
import { commissionOf } from './commission';
import type { Entry } from './entry';
import type { Bypass, Item, Tested } from './standing';
import { jacketsOff, standingOf } from './standing';

export const REPORT_FORMAT = 'zygostat-report';

/** A reading as it was logged. */
export interface ReportReading {
  at: string;
  red: string;
  black: string;
  unit: Unit;
  /** `null` stands for no limit: an open circuit in ohms. */
  expected: number | null;
  actual: number | null;
  verdict: Verdict;
  situation: string;
}

export interface ReportGiven {
  job: { id: string; name: string; site: string; notes: string; state: string };
  /** The circuit as the job began with it, and as it is now. */
  found: Circuit;
  left: Circuit;
  /** In the order of their chain; those the server has not had yet have no link, and come last. */
  entries: readonly (Entry & { link: string | null })[];
  readings: readonly ReportReading[];
  photographs: readonly { id: string; station: string; at: string }[];
  /** The site's building, as it was walked. */
  building: Building;
  /** ISO time it is written at. */
  written: string;
}

type Ends = Pick<Conductor, 'from' | 'to'>;

/** One conductor, as found and as left; `null` where it was not there. */
export interface ReportLanding {
  conductor: string;
  cable: string;
  colour: ColourCode;
  found: Ends | null;
  left: Ends | null;
  changed: boolean;
}

/** One thing that is set or read off a label. */
export interface ReportValue {
  device: string;
  group: 'params' | 'settings';
  name: string;
  value: Value;
  /** Somebody entered it; otherwise it is the kind's default. */
  given: boolean;
}

export interface ReportTest {
  id: string;
  /** What the circuit as left expects; `null` where it has no such test any more. */
  expected: CommissionTest | null;
  tested: Tested | null;
}

/** Cautions by what the circuit holds. */
export type CautionCode = 'dead' | 'line' | 'capacitor' | 'gas' | 'smoke' | 'bypass' | 'code';

export interface Report extends Omit<ReportGiven, 'entries'> {
  format: typeof REPORT_FORMAT;
  version: 1;
  /** Over how many entries the chain goes, and its last link; what was written since is not sealed. */
  seal: { entries: number; link: string | null; unsealed: number };
  landings: readonly ReportLanding[];
  jumpers: readonly { joins: readonly TerminalId[]; found: boolean; left: boolean }[];
  values: readonly ReportValue[];
  tests: readonly ReportTest[];
  bypasses: readonly Bypass[];
  items: readonly Item[];
  finished: boolean;
  /** Until when the building's fire panel is on test; `null` when it is not. */
  onTestUntil: string | null;
  /** Marks of jackets that are off. */
  jacketsOff: readonly string[];
  cautions: readonly CautionCode[];
  log: readonly Entry[];
}

const cableOf = ({ cables }: Circuit, id: string) =>
  cables.find(({ conductors }) => conductors.some((conductor) => conductor.id === id))!;

function landingsOf(found: Circuit, left: Circuit): ReportLanding[] {
  const ids = [left, found].flatMap(({ cables }) =>
    cables.flatMap(({ conductors }) => conductors.map(({ id }) => id)),
  );
  return [...new Set(ids)].map((id): ReportLanding => {
    const [was, is] = [findConductor(found, id), findConductor(left, id)];
    const ends = (one: Conductor | undefined): Ends | null => (one ? { from: one.from, to: one.to } : null);
    return {
      conductor: id,
      cable: cableOf(is ? left : found, id).label,
      colour: (is ?? was)!.colour,
      found: ends(was),
      left: ends(is),
      changed: was?.from !== is?.from || was?.to !== is?.to,
    };
  });
}

function jumpersOf(found: Circuit, left: Circuit): Report['jumpers'] {
  const key = (joins: readonly TerminalId[]) => [...joins].sort().join(' ');
  const of = ({ links }: Circuit) => new Map(links.map(({ joins }) => [key(joins), joins] as const));
  const [was, is] = [of(found), of(left)];
  return [...new Map([...was, ...is])].map(([name, joins]) => ({
    joins,
    found: was.has(name),
    left: is.has(name),
  }));
}

/** What somebody entered, and every setting: those count even where nobody touched them. */
const valuesOf = ({ devices }: Circuit): ReportValue[] =>
  devices.flatMap((device) =>
    (['params', 'settings'] as const).flatMap((group) => {
      const fields = kindOf(device.kind)[group];
      return Object.entries(fill(fields, device[group])).flatMap(([name, value]): ReportValue[] => {
        const given = device[group][name] !== undefined;
        return given || group === 'settings' ? [{ device: device.id, group, name, value, given }] : [];
      });
    }),
  );

/** Tests of the circuit as left, in order, and what was tested before it was changed. */
function testsOf(left: Circuit, tested: ReadonlyMap<string, Tested>): ReportTest[] {
  const now = commissionOf(left).map((expected): ReportTest => ({
    id: expected.id,
    expected,
    tested: tested.get(expected.id) ?? null,
  }));
  const ids = new Set(now.map(({ id }) => id));
  const earlier = [...tested].flatMap(([id, one]): ReportTest[] =>
    ids.has(id) ? [] : [{ id, expected: null, tested: one }],
  );
  return [...now, ...earlier];
}

/** What a kind of device makes a caution of. */
function cautionsOf(circuit: Circuit, bypassed: boolean): CautionCode[] {
  const kinds = circuit.devices.map((device) => {
    return { kind: kindOf(device.kind), context: contextOf(device, circuit.mains) };
  });
  const some = (is: (kind: DeviceKind, context: (typeof kinds)[number]['context']) => boolean) =>
    kinds.some(({ kind, context }) => is(kind, context));
  const found: [CautionCode, boolean][] = [
    ['dead', true],
    ['line', some((kind, { params }) => kind.designations(params).some(({ role }) => role === 'line'))],
    [
      'capacitor',
      some((kind, context) => kind.elements(context).some((element) => element.kind === 'capacitor')),
    ],
    ['gas', some((kind, context) => kind.loads(context).some(({ nature }) => nature === 'flame'))],
    ['smoke', some((kind, { params }) => noticesOf(kind, params).includes('smoke'))],
    ['bypass', bypassed],
    ['code', true],
  ];
  return found.flatMap(([code, is]) => (is ? [code] : []));
}

function sealOf(entries: ReportGiven['entries']): Report['seal'] {
  const sealed = entries.filter(({ link }) => link !== null);
  return {
    entries: sealed.length,
    link: sealed.at(-1)?.link ?? null,
    unsealed: entries.length - sealed.length,
  };
}

/** Gathers a job. The circuit as left is run for what its tests should show. */
export function reportOf({ entries, ...given }: ReportGiven): Report {
  const standing = standingOf(entries);
  const { tests, bypasses, items, finished } = standing;
  const { found, left } = given;
  return {
    format: REPORT_FORMAT,
    version: 1,
    ...given,
    seal: sealOf(entries),
    landings: landingsOf(found, left),
    jumpers: jumpersOf(found, left),
    values: valuesOf(left),
    tests: testsOf(left, tests),
    bypasses,
    items,
    finished,
    onTestUntil: standing.panel.onTestUntil,
    jacketsOff: jacketsOff(standing).map(({ mark }) => mark),
    cautions: cautionsOf(
      left,
      bypasses.some(({ state }) => state !== 'restored'),
    ),
    log: entries.map(({ id, at, by, body }) => ({ id, at, by, body })),
  };
}
