/** How a job stands, from its entries: which bypasses are in, what is left open, whether it is finished. */
import type { Body, Entry, Outcome, TestReading } from './entry';

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
}

export interface Standing {
  /** By the test's id. */
  tests: ReadonlyMap<string, Tested>;
  bypasses: readonly Bypass[];
  items: readonly Item[];
  /** Nothing was added since it was finished. */
  finished: boolean;
}

type Of<T extends Body['type']> = Extract<Body, { type: T }>;

class Fold {
  readonly bypasses = new Map<string, Bypass>();
  readonly items = new Map<string, Item>();
  readonly tests = new Map<string, Tested>();
  finished = false;

  take({ at, by, body }: Entry): void {
    this.finished = body.type === 'finished';
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
        const { test, outcome, text, title, until, readings = [] } = body;
        this.tests.set(test, { outcome, text, title, until, readings, at, by });
        return;
      }
      case 'note':
      case 'finished':
    }
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
    finished: fold.finished,
  };
}

/** Bypasses that are still in, whoever has them. */
export const bypassesStillIn = ({ bypasses }: Pick<Standing, 'bypasses'>): Bypass[] =>
  bypasses.filter(({ state }) => state !== 'restored');

/**
 * What is against an entry as a job stands, as a path into the entry and what would be valid; none when it may be added.
 *
 * A bypass is only closed with the proof its entry carries, and a job is not finished with one in that nobody took over.
 */
export function objectionsTo({ body }: Entry, standing: Standing): { path: string; message: string }[] {
  const known = (id: string) => standing.bypasses.some((bypass) => bypass.id === id);
  switch (body.type) {
    case 'bypassed':
      // Under an id that is taken it would open again what somebody has proven.
      return known(body.bypass) ? [{ path: 'body.bypass', message: 'must be an id of its own' }] : [];
    case 'restored':
    case 'handed-over':
      return known(body.bypass) ? [] : [{ path: 'body.bypass', message: 'must be a bypass of this job' }];
    case 'dealt-with':
      return standing.items.some(({ id }) => id === body.item)
        ? []
        : [{ path: 'body.item', message: 'must be an open item of this job' }];
    case 'finished': {
      const left = standing.bypasses.filter(({ state }) => state === 'in');
      return left.length === 0
        ? []
        : [
            {
              path: 'body',
              message: `must wait: ${left.map(({ device }) => device).join(', ')} is bypassed; take it out and prove it, or hand it over by name and date`,
            },
          ];
    }
    default:
      return [];
  }
}
