/** What calls bring and do not bring: loads that run wrongly, loads that stay off, thermostats that are blank. */
import type { Call } from '../../devices';
import type { LoadReading } from '../loads';
import { runningOn } from '../running-on';
import type { Scene } from '../scene';
import { thermostatsOf } from '../scene';
import type { Cause } from '../trace';
import { causeOfDeadHot, causeOfMissing, causeOfRunning, gravest, plainFault } from '../trace';
import type { StatusContext, Status } from './status';
import { faultBy } from './status';

const titlesOf = (loads: readonly LoadReading[]) => loads.map(({ title }) => title);

/** Heating and cooling at once: two thermostats of different minds. */
export function together({ scene, active }: StatusContext): Status | null {
  if (!active.has('heat') || !active.has('cool')) return null;
  const on = (serves: Call) => scene.loads.some((load) => load.serves === serves && load.energised);
  if (!on('heat') || !on('cool')) return null;
  return { tone: 'fault', news: { type: 'together' } };
}

/** Reversing valves that are not as they are called, or are though nobody calls. */
function valveCause({ scene, trace }: StatusContext): Cause {
  const valves = scene.loads.filter(({ serves }) => serves === 'valve');
  return gravest(
    valves.map(({ branch, energised }) =>
      energised ? causeOfRunning(trace, branch) : causeOfMissing(trace, branch),
    ),
  );
}

/** Causes that are no reason for anything to run. */
const NO_REASON: ReadonlySet<Cause['type']> = new Set(['unasked', 'waiting', 'held']);

/** Why loads run that should not: what feeds them, or a valve that stands the wrong way. */
function wrongCause(context: StatusContext, wrong: readonly LoadReading[]): Cause {
  const fed = gravest(wrong.map(({ branch }) => causeOfRunning(context.trace, branch)));
  if (fed.type !== 'unasked' && fed.type !== 'set-up') return fed;
  const valve = valveCause(context);
  return NO_REASON.has(valve.type) ? fed : valve;
}

export function crossed(context: StatusContext): Status | null {
  const { scene, active } = context;
  const runsOn = runningOn(scene.network, scene.inputs, scene.settled);
  for (const [asked, other] of [
    ['cool', 'heat'],
    ['heat', 'cool'],
  ] as const) {
    if (active.has(other)) continue;
    const wrong = scene.loads.filter((load) => load.serves === other && load.energised && !runsOn(load));
    if (wrong.length === 0) continue;
    const loads = titlesOf(wrong);
    return faultBy(
      active.has(asked) ? { type: 'crossed', asked, runs: other, loads } : { type: 'uncalled', loads },
      wrongCause(context, wrong),
    );
  }
  return null;
}

/** A fan that nobody asks for. */
export function idleFan(context: StatusContext): Status | null {
  const { scene, active } = context;
  if (active.size > 0) return null;
  const runsOn = runningOn(scene.network, scene.inputs, scene.settled);
  const wrong = scene.loads.filter((load) => load.serves === 'fan' && load.energised && !runsOn(load));
  if (wrong.length === 0) return null;
  return faultBy({ type: 'uncalled', loads: titlesOf(wrong) }, wrongCause(context, wrong));
}

/** Causes that say what is, and not why. */
const OPEN_ENDED: ReadonlySet<Cause['type']> = new Set(['unasked', 'unwired', 'weak']);

/** A thermostat with nothing on its screen says why by itself. */
export function blank(context: StatusContext): Status | null {
  const { scene, trace } = context;
  for (const { installed, id, state } of thermostatsOf(scene)) {
    if (state.powered) continue;
    const { wire, loads } = installed.kind.livesOn ?? { wire: '', loads: [] };
    const supplies = [wire, ...loads].flatMap((id) => installed.branches.get(id) ?? []);
    const hot = scene.network.branches[supplies[0] ?? -1]?.nodes[0];
    const cause = gravest([
      ...supplies.map((branch) => causeOfMissing(trace, branch)),
      ...(hot === undefined ? [] : [causeOfDeadHot(trace, hot)]),
    ]);
    const why = OPEN_ENDED.has(cause.type) ? (plainFault(trace) ?? cause) : cause;
    const news = { type: 'blank', thermostat: id } as const;
    return why.type !== 'unasked' && why.type !== 'waiting'
      ? faultBy(news, why)
      : { tone: 'fault', news, parts: [id] };
  }
  return null;
}

interface Missing {
  call: Call;
  load: LoadReading;
  cause: Cause;
}

/** Loads of what is called that are off, with why; what nobody asked for left out. */
function missingLoads({ scene, trace, active }: StatusContext): Missing[] {
  const isFan = ({ serves, nature }: LoadReading) => serves === 'fan' && nature === 'motor';
  const moves = scene.loads.some((load) => isFan(load) && load.energised);
  return scene.loads.flatMap((load): Missing[] => {
    if (load.energised || load.nature === 'igniter') return [];
    const called = ([...active] as Call[]).find((call) =>
      isFan(load) ? !moves : load.serves === call || (call !== 'fan' && load.reversible),
    );
    const call = called ?? (load.serves === 'valve' && active.size > 0 ? [...active][0] : undefined);
    if (call === undefined) return [];
    const cause = causeOfMissing(trace, load.branch);
    return cause.type === 'unasked' || cause.type === 'held' ? [] : [{ call, load, cause }];
  });
}

const ORDER: readonly Cause['type'][] = [
  'wiring',
  'broken',
  'touching',
  'astray',
  'stuck',
  'shorted',
  'inside',
  'dead',
  'capacity',
  'opened',
  'stalled',
  'lossy',
  'weak',
];

/** A stage, compressor, valve or fan that the call should bring and does not. */
export function missing(context: StatusContext): Status | null {
  const { scene } = context;
  const found = missingLoads(context);
  for (const type of ORDER) {
    const first = found.find(({ cause }) => cause.type === type);
    if (!first) continue;
    const { call, load, cause } = first;
    const runs = scene.loads.some(({ serves, energised }) => serves === call && energised);
    return faultBy({ type: 'missing', call, load: runs ? load.title : null }, cause);
  }
  return null;
}

const ASTRAY: ReadonlySet<Cause['type']> = new Set(['wiring', 'touching', 'stuck', 'astray']);

/** A load that runs with its call, but by a way that should not feed it: the call next to it will run it too. */
export function astray(context: StatusContext): Status | null {
  const { scene, trace } = context;
  for (const load of scene.loads) {
    if (!load.energised) continue;
    const cause = causeOfRunning(trace, load.branch);
    if (ASTRAY.has(cause.type)) return faultBy({ type: 'astray', load: load.title }, cause);
  }
  return null;
}

/** A thermostat that calls, and closes nothing that would bring it here. */
function otherwiseAsked(scene: Scene, serves: Call): Status {
  const asking = thermostatsOf(scene).flatMap(({ id, asks }) => (asks.includes(serves) ? [id] : []));
  return {
    tone: 'fault',
    news: { type: 'closes-nothing', call: serves, thermostats: asking },
    parts: asking,
  };
}

/** A call that nothing answers: what explains it, or else what is plainly wrong with the wiring. */
export function unanswered(context: StatusContext): Status | null {
  const { scene, active } = context;
  for (const serves of ['cool', 'heat', 'fan'] as const) {
    if (!active.has(serves)) continue;
    const wanted = scene.loads.filter((load) => load.serves === serves);
    if (wanted.some(({ energised }) => energised)) continue;
    if (wanted.length === 0) {
      if (serves === 'fan') continue;
      const plain = plainFault(context.trace);
      const news = { type: 'cannot', call: serves } as const;
      return plain ? faultBy(news, plain) : { tone: 'caution', news };
    }
    const own = gravest(wanted.map(({ branch }) => causeOfMissing(context.trace, branch)));
    const cause = OPEN_ENDED.has(own.type) ? (plainFault(context.trace) ?? own) : own;
    if (cause.type === 'held') continue;
    if (cause.type === 'unasked') return otherwiseAsked(scene, serves);
    return faultBy({ type: 'missing', call: serves, load: null }, cause);
  }
  return null;
}
