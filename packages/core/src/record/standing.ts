/** How a job stands, from its entries: which bypasses are in, what is left open, whether it is finished. */
import type { JacketFunction, Landed } from '../fire';
import { DEAD_VOLTS } from '../standards';
import type { Body, Entry, JacketEnd, Outcome, TestReading } from './entry';
import { LIVE_DEAD_LIVE } from './entry';
import type { PanelStanding } from './panel-steps';
import { NO_PANEL, afterStep, isOnTest, missingBefore, needsTest } from './panel-steps';

export interface Bypass {
  id: string;
  device: string;
  why: string;
  by: string;
  since: string;
  /** When it must be gone. */
  until: string;
  watch: string;
  /** In; left in and taken over by somebody; or out and proven. */
  state: 'in' | 'handed-over' | 'restored';
  /** Who took it over. */
  to: string | null;
}

export interface Item {
  id: string;
  text: string;
  by: string;
  since: string;
  until: string | null;
  done: boolean;
}

/** How a test went the last time. */
export interface Tested {
  outcome: Outcome;
  text: string;
  title: string;
  at: string;
  by: string;
  until: string | null;
  readings: readonly TestReading[];
  /** Mark of the wiring it was made on; `null` where it was not written down. */
  wiring: string | null;
  /** Who took it over since it failed, and by when it is done; `null` while nobody has. */
  handed: { to: string; until: string } | null;
}

/** A jacket that was taken off once: whether it still hangs, what it was found to do. */
export interface JacketStanding {
  id: string;
  mark: string;
  cable: string;
  device: string;
  /** Where its ends were. */
  landed: readonly Landed[];
  by: string;
  since: string;
  does: JacketFunction | null;
  /** `off` while it hangs. */
  state: 'off' | JacketEnd;
}

export interface Standing {
  panel: PanelStanding;
  jackets: readonly JacketStanding[];
  /** By the test's id. */
  tests: ReadonlyMap<string, Tested>;
  bypasses: readonly Bypass[];
  items: readonly Item[];
  /** Nothing was added since it was finished. */
  finished: boolean;
}

type Of<T extends Body['type']> = Extract<Body, { type: T }>;

/** Says that something is done, tested or in order again. */
function claimsDone(body: Body): boolean {
  switch (body.type) {
    case 'restored':
    case 'dealt-with':
    case 'identified':
    case 'settled':
    case 'handed-over':
    case 'test-handed-over':
      return true;
    case 'tested':
      return body.outcome === 'as-it-should';
    case 'panel':
      return body.step !== 'on-test';
    default:
      return false;
  }
}

class Fold {
  readonly bypasses = new Map<string, Bypass>();
  readonly items = new Map<string, Item>();
  readonly tests = new Map<string, Tested>();
  readonly jackets = new Map<string, JacketStanding>();
  panel = NO_PANEL;
  finished = false;

  take({ at, by, body, broughtBy }: Entry): void {
    // What was brought in from elsewhere is told, and is never done here: nobody here saw it.
    const isFromElsewhere = broughtBy != null;
    this.finished = body.type === 'finished' && !isFromElsewhere;
    if (isFromElsewhere && claimsDone(body)) return;
    switch (body.type) {
      case 'bypassed':
        return this.bypassed(body, at, by);
      case 'restored':
        return this.change(body.bypass, { state: 'restored' });
      case 'handed-over':
        return this.change(body.bypass, { state: 'handed-over', to: body.to, until: body.until });
      case 'noticed': {
        const { item: id, text, until } = body;
        this.items.set(id, { id, text, until, by, since: at, done: false });
        return;
      }
      case 'dealt-with': {
        const item = this.items.get(body.item);
        if (item) this.items.set(item.id, { ...item, done: true });
        return;
      }
      case 'tested': {
        const { test, outcome, text, title, until, readings = [], wiring = null } = body;
        this.tests.set(test, { ...{ outcome, text, title, until, readings, wiring }, at, by, handed: null });
        return;
      }
      case 'test-handed-over': {
        const { test, to, until } = body;
        const tested = this.tests.get(test);
        if (tested) this.tests.set(test, { ...tested, handed: { to, until } });
        return;
      }
      case 'panel':
        // One that was put on test elsewhere is on test; who was spoken to there has to be spoken to again.
        this.panel = isFromElsewhere
          ? { ...this.panel, onTestUntil: body.until }
          : afterStep(this.panel, body, { at, by });
        return;
      case 'unlanded': {
        const { jacket: id, mark, cable, device, landed } = body;
        this.jackets.set(id, { id, mark, cable, device, landed, by, since: at, does: null, state: 'off' });
        return;
      }
      case 'identified':
        return this.changeJacket(body.jacket, { does: body.does });
      case 'settled':
        return this.changeJacket(body.jacket, { state: body.as });
      case 'note':
      case 'photographed':
      case 'finished':
    }
  }

  private changeJacket(id: string, change: Partial<JacketStanding>): void {
    const jacket = this.jackets.get(id);
    if (jacket) this.jackets.set(id, { ...jacket, ...change });
  }

  private bypassed({ bypass: id, device, why, until, watch }: Of<'bypassed'>, since: string, by: string) {
    this.bypasses.set(id, { id, device, why, by, since, until, watch, state: 'in', to: null });
  }

  /** One that is out stays out, whatever somebody else writes of it at the same time. */
  private change(id: string, change: Partial<Bypass>): void {
    const bypass = this.bypasses.get(id);
    if (bypass && bypass.state !== 'restored') this.bypasses.set(id, { ...bypass, ...change });
  }
}

/** @param entries - in the order they were taken in. */
export function standingOf(entries: readonly Entry[]): Standing {
  const fold = new Fold();
  for (const entry of entries) fold.take(entry);
  return {
    bypasses: [...fold.bypasses.values()],
    items: [...fold.items.values()],
    tests: fold.tests,
    panel: fold.panel,
    jackets: [...fold.jackets.values()],
    finished: fold.finished,
  };
}

/** Bypasses that are still in, whoever has them. */
export const bypassesStillIn = ({ bypasses }: Pick<Standing, 'bypasses'>): Bypass[] =>
  bypasses.filter(({ state }) => state !== 'restored');

/** Jackets that still hang. */
export const jacketsOff = ({ jackets }: Pick<Standing, 'jackets'>): JacketStanding[] =>
  jackets.filter(({ state }) => state === 'off');

/** Tests that failed the last time they were run, by id. */
export const failedTests = ({ tests }: Pick<Standing, 'tests'>): (Tested & { id: string })[] =>
  [...tests].flatMap(([id, tested]) => (tested.outcome === 'not-so' ? [{ id, ...tested }] : []));

/** Whether a test was passed on other wiring than there is now, or on wiring nobody knows of: it has to be made again. */
export const isOutdated = ({ outcome, wiring }: Pick<Tested, 'outcome' | 'wiring'>, now: string): boolean =>
  outcome === 'as-it-should' && wiring !== now;

/** What has to be settled before a job is finished. */
export type Unsettled =
  | { type: 'bypassed'; devices: readonly string[] }
  | { type: 'failed'; titles: readonly string[] }
  | { type: 'jackets-off'; marks: readonly string[] }
  | { type: 'panel-on-test'; until: string };

/** What keeps a job from being finished; none when it may be. */
export function unsettledOf(standing: Standing): Unsettled[] {
  const devices = standing.bypasses.flatMap(({ state, device }) => (state === 'in' ? [device] : []));
  const titles = failedTests(standing).flatMap(({ handed, title }) => (handed ? [] : [title]));
  const marks = jacketsOff(standing).map(({ mark }) => mark);
  const until = standing.panel.onTestUntil;
  return [
    ...(devices.length > 0 ? [{ type: 'bypassed', devices } as const] : []),
    ...(titles.length > 0 ? [{ type: 'failed', titles } as const] : []),
    ...(marks.length > 0 ? [{ type: 'jackets-off', marks } as const] : []),
    ...(until === null ? [] : [{ type: 'panel-on-test', until } as const]),
  ];
}

interface Objection {
  path: string;
  message: string;
}

const unless = (holds: boolean, path: string, message: string): Objection[] =>
  holds ? [] : [{ path, message }];

function againstFinishing(one: Unsettled): string {
  switch (one.type) {
    case 'bypassed':
      return `must wait: ${one.devices.join(', ')} is bypassed; take it out and prove it, or hand it over by name and date`;
    case 'failed':
      return `must wait: a test failed (${one.titles.join('; ')}); repair it and test again, or hand it over by name and date`;
    case 'jackets-off':
      return `must wait: jacket ${one.marks.join(', ')} is off; put it back, move it, or insulate it at both ends`;
    case 'panel-on-test':
      return 'must wait: the fire panel is on test; walk it through and have it taken off';
  }
}

/** What a job must wait for before it is finished. */
const unfinished = (standing: Standing): Objection[] =>
  unsettledOf(standing).map((one) => ({ path: 'body', message: againstFinishing(one) }));

/**
 * What is against an entry as a job stands, as a path into the entry and what would be valid; none when it may be added.
 *
 * A bypass is only closed with the proof its entry carries. A job is not finished with one in that nobody took over, with a
 * test that failed and nobody took over, with a jacket off, or with the fire panel on test; and with the panel nothing is done out of its order.
 */
export function objectionsTo(entry: Entry, standing: Standing): Objection[] {
  return [...unsigned(entry), ...unproven(entry), ...outOfOrder(entry, standing)];
}

/** The name of whoever gave none. */
const NOBODY = 'Somebody';
const isNamed = (name: string) => name.trim() !== '' && name.trim() !== NOBODY;

/** What is done to a protection, and that a place is dead, is said by somebody with a name. */
function unsigned({ by, body }: Entry): Objection[] {
  const answers =
    ['bypassed', 'restored', 'handed-over', 'test-handed-over'].includes(body.type) || isDeadTest(body);
  return unless(!answers || isNamed(by), 'by', 'must be your name: this is signed by a person');
}

/** The test that comes before a hand goes in. */
export const DEAD_TEST = 'dead';

const isDeadTest = (body: Body): body is Of<'tested'> =>
  body.type === 'tested' && body.test === DEAD_TEST && body.outcome === 'as-it-should';

/** What was tripped or read, and what happened then, takes at least so many letters. */
const LEAST_PROOF = 8;

/** A proof says what was seen, and dead is a reading. */
function unproven({ body }: Entry): Objection[] {
  if (body.type === 'restored')
    return unless(
      body.text.trim().length >= LEAST_PROOF,
      'body.text',
      'must say what you tripped or read, and what happened',
    );
  if (!isDeadTest(body)) return [];
  const { readings = [] } = body;
  return [
    ...unless(
      readings.length > 0 && readings.every(({ volts }) => volts <= DEAD_VOLTS),
      'body.readings',
      `must be a reading of ${DEAD_VOLTS} V or less at each place`,
    ),
    ...unless(
      body.meter === LIVE_DEAD_LIVE,
      'body.meter',
      `must be ${LIVE_DEAD_LIVE}: the meter is tried on something live before and after`,
    ),
  ];
}

function outOfOrder({ at, body }: Entry, standing: Standing): Objection[] {
  const known = (id: string) => standing.bypasses.some((bypass) => bypass.id === id);
  const jacket = (id: string) => standing.jackets.find((one) => one.id === id);
  switch (body.type) {
    case 'bypassed':
      // Under an id that is taken it would open again what somebody has proven.
      return unless(!known(body.bypass), 'body.bypass', 'must be an id of its own');
    case 'restored':
    case 'handed-over':
      return unless(known(body.bypass), 'body.bypass', 'must be a bypass of this job');
    case 'test-handed-over':
      return unless(
        standing.tests.get(body.test)?.outcome === 'not-so',
        'body.test',
        'must be a test of this job that failed',
      );
    case 'dealt-with':
      return unless(
        standing.items.some(({ id }) => id === body.item),
        'body.item',
        'must be an open item of this job',
      );
    case 'panel': {
      const missing = missingBefore(standing.panel, body.step);
      if (missing !== null) return [{ path: 'body.step', message: `must wait for “${missing}”` }];
      return unless(
        !needsTest(body.step) || isOnTest(standing.panel, new Date(at)),
        'at',
        'must be before the test time is over: have it extended',
      );
    }
    case 'unlanded':
      return unless(!jacket(body.jacket), 'body.jacket', 'must be an id of its own');
    case 'identified':
    case 'settled':
      return unless(jacket(body.jacket) !== undefined, 'body.jacket', 'must be a jacket of this job');
    case 'finished':
      return unfinished(standing);
    default:
      return [];
  }
}
