/** Everything a job comes to, gathered for whoever reads it later: as found, as left, settings, readings, tests, what is open. */
import type { Unit, Verdict } from '../behaviour';
import type { Building } from '../building';
import type { Circuit } from '../circuit';
import type { DeviceKind } from '../devices';
import { contextOf, kindOf, noticesOf } from '../devices';
import { bypassesIn, compile } from '../network';
import { withBypasses } from '../prove';
import type { CommissionTest } from './commission';
import type { ReportJumper, ReportLanding, ReportValue } from './compared';
import { jumpersOf, landingsOf, valuesOf } from './compared';
import { commissionOf } from './commission';
import type { Entry } from './entry';
import type { Bypass, Item, Tested } from './standing';
import { bypassesStillIn, isOutdated, jacketsOff, standingOf } from './standing';
import { wiringMark } from './wiring';
import type { Work } from './work';
import { workOf } from './work';

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
  job: {
    id: string;
    name: string;
    site: string;
    address: string;
    notes: string;
    state: string;
    /** Who brought it in from elsewhere; `null` where it was made here. */
    broughtBy: string | null;
  };
  /** Whoever does the work, as it stands on the customer's page; empty where nobody entered it. */
  firm: Firm;
  /** The circuit as the job began with it, and as it is now; in the report as it is now has whatever bypass is in. */
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

/** Who does the work: a name, and how to reach them. */
export interface Firm {
  name: string;
  contact: string;
}

export const NO_FIRM: Firm = { name: '', contact: '' };

export interface ReportTest {
  id: string;
  /** What the circuit as left expects; `null` where it has no such test any more. */
  expected: CommissionTest | null;
  tested: Tested | null;
  /** Passed before the wiring was changed: it says nothing of what is there now. */
  isOutdated: boolean;
}

/** Cautions by what the circuit holds. */
export type CautionCode = 'dead' | 'line' | 'capacitor' | 'gas' | 'smoke' | 'bypass' | 'code';

export interface Report extends Omit<ReportGiven, 'entries'> {
  format: typeof REPORT_FORMAT;
  version: 1;
  /** Over how many entries the chain goes, and its last link; what was written since is not sealed. */
  seal: { entries: number; link: string | null; unsealed: number };
  landings: readonly ReportLanding[];
  jumpers: readonly ReportJumper[];
  values: readonly ReportValue[];
  tests: readonly ReportTest[];
  bypasses: readonly Bypass[];
  items: readonly Item[];
  finished: boolean;
  /** What was done, from the first circuit to the last, and as it was written down. */
  work: Work;
  /** Safeties of the circuit as it is now: how many there are, and how many were tripped and did what they should. */
  protections: { all: number; passed: number; bypassed: readonly string[] };
  /** Until when the building's fire panel is on test; `null` when it is not. */
  onTestUntil: string | null;
  /** Marks of jackets that are off. */
  jacketsOff: readonly string[];
  cautions: readonly CautionCode[];
  log: readonly Entry[];
}

/** Tests of the circuit as left, in order, and what was tested before it was changed. */
function testsOf(left: Circuit, tested: ReadonlyMap<string, Tested>): ReportTest[] {
  const wiring = wiringMark(left);
  const madeAs = (id: string) => {
    const one = tested.get(id) ?? null;
    return { tested: one, isOutdated: one !== null && isOutdated(one, wiring) };
  };
  const now = commissionOf(left).map((expected): ReportTest => ({
    id: expected.id,
    expected,
    ...madeAs(expected.id),
  }));
  const ids = new Set(now.map(({ id }) => id));
  const earlier = [...tested].flatMap(([id, one]): ReportTest[] =>
    ids.has(id) ? [] : [{ id, expected: null, tested: one, isOutdated: isOutdated(one, wiring) }],
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

/** A safety counts as tested where it was tripped as it is wired now, and everything it was tripped in went as it should. */
function protectionsOf(left: Circuit, tests: readonly ReportTest[]): Report['protections'] {
  const trips = new Map<string, ReportTest[]>();
  for (const test of tests) {
    if (test.expected?.type !== 'trip') continue;
    const { device } = test.expected.case.trip;
    trips.set(device, [...(trips.get(device) ?? []), test]);
  }
  const passed = [...trips.values()].filter((all) =>
    all.every(({ tested, isOutdated: isOld }) => tested?.outcome === 'as-it-should' && !isOld),
  );
  const bypassed = [...new Set(bypassesIn(compile(left)).map(({ device }) => device))];
  return { all: trips.size, passed: passed.length, bypassed };
}

/** Gathers a job. The circuit as it is now, with whatever bypass is in, is run for what its tests should show. */
export function reportOf({ entries, left: recorded, ...given }: ReportGiven): Report {
  const standing = standingOf(entries);
  const { bypasses, items, finished } = standing;
  const { found } = given;
  const left = withBypasses(
    recorded,
    bypassesStillIn(standing).map(({ device }) => device),
  );
  const tests = testsOf(left, standing.tests);
  const landings = landingsOf(found, left);
  const jumpers = jumpersOf(found, left);
  const values = valuesOf(found, left);
  return {
    format: REPORT_FORMAT,
    version: 1,
    ...given,
    left,
    seal: sealOf(entries),
    landings,
    jumpers,
    values,
    tests,
    bypasses,
    items,
    finished,
    work: workOf({
      found,
      left: recorded,
      landings,
      jumpers: jumpersOf(found, recorded),
      values,
      entries,
      bypasses,
    }),
    protections: protectionsOf(left, tests),
    onTestUntil: standing.panel.onTestUntil,
    jacketsOff: jacketsOff(standing).map(({ mark }) => mark),
    cautions: cautionsOf(
      left,
      bypasses.some(({ state }) => state !== 'restored'),
    ),
    log: entries.map(({ id, at, by, body, broughtBy = null }) => ({ id, at, by, body, broughtBy })),
  };
}
