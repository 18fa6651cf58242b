/** What calls bring and do not bring: loads that run wrongly, loads that stay off, thermostats that are blank. */
import type { Call } from '../../devices';
import type { LoadReading } from '../loads';
import { runningOn } from '../running-on';
import type { Scene } from '../scene';
import { CALL_NAMES, capital, inSentence, listed, thermostatsOf } from '../scene';
import type { Cause } from '../trace';
import { causeOfDeadHot, causeOfMissing, causeOfRunning, gravest, plainFault } from '../trace';
import type { StatusContext, Status } from './status';
import { faultBy } from './status';

const namesOf = (loads: readonly LoadReading[]) => listed(loads.map(({ title }) => inSentence(title)));

/** Heating and cooling at once: two thermostats of different minds. */
export function together({ scene, active }: StatusContext): Status | null {
  if (!active.has('heat') || !active.has('cool')) return null;
  const on = (serves: Call) => scene.loads.some((load) => load.serves === serves && load.energised);
  if (!on('heat') || !on('cool')) return null;
  return {
    tone: 'fault',
    text: 'Heating and cooling run together',
    next: 'Thermostats in parallel must be in the same mode. Set them alike and label them.',
  };
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

/** Why loads run that should not: what feeds them, or a valve that stands the wrong way. */
function wrongCause(context: StatusContext, wrong: readonly LoadReading[]): Cause {
  const fed = gravest(wrong.map(({ branch }) => causeOfRunning(context.trace, branch)));
  if (fed.type !== 'unasked' && fed.type !== 'set-up') return fed;
  const valve = valveCause(context);
  return valve.type === 'unasked' || valve.type === 'waiting' ? fed : valve;
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
    const text = active.has(asked)
      ? `${CALL_NAMES[asked]} called, but ${CALL_NAMES[other].toLowerCase()} runs (${namesOf(wrong)})`
      : `${capital(namesOf(wrong))} on without a call`;
    return faultBy(context, text, wrongCause(context, wrong));
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
  return faultBy(context, `${capital(namesOf(wrong))} on without a call`, wrongCause(context, wrong));
}

/** Causes that say what is, and not why. */
const OPEN_ENDED: ReadonlySet<Cause['type']> = new Set(['unasked', 'unwired', 'weak']);

/** A thermostat with nothing on its screen says why by itself. */
export function blank(context: StatusContext): Status | null {
  const { scene, trace } = context;
  for (const { installed, label, state } of thermostatsOf(scene)) {
    if (state.powered) continue;
    const { wire, loads } = installed.kind.livesOn ?? { wire: '', loads: [] };
    const supplies = [wire, ...loads].flatMap((id) => installed.branches.get(id) ?? []);
    const hot = scene.network.branches[supplies[0] ?? -1]?.nodes[0];
    const cause = gravest([
      ...supplies.map((branch) => causeOfMissing(trace, branch)),
      ...(hot === undefined ? [] : [causeOfDeadHot(trace, hot)]),
    ]);
    const why = OPEN_ENDED.has(cause.type) ? (plainFault(trace) ?? cause) : cause;
    if (why.type !== 'unasked' && why.type !== 'waiting') return faultBy(context, `${label} is blank`, why);
    return {
      tone: 'fault',
      text: `${label} is blank: no good batteries, and no C to live on`,
      next: 'Fit fresh batteries, or bring it a C.',
      parts: [installed.device.id],
    };
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
    return cause.type === 'unasked' ? [] : [{ call, load, cause }];
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
  'opened',
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
    if (!runs) return faultBy(context, `${CALL_NAMES[call]} called`, cause);
    return faultBy(context, `${CALL_NAMES[call]} called, ${inSentence(load.title)} stays off`, cause);
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
    if (ASTRAY.has(cause.type)) return faultBy(context, `${capital(load.title)} is fed astray`, cause);
  }
  return null;
}

/** A thermostat that calls, and closes nothing that would bring it here. */
function otherwiseAsked(scene: Scene, serves: Call): Status {
  const asking = thermostatsOf(scene).filter(({ asks }) => asks.includes(serves));
  return {
    tone: 'fault',
    text: `${CALL_NAMES[serves]} called, but ${listed(asking.map(({ label }) => label))} closes nothing that brings it here`,
    next: 'Check its set-up against what the unit is.',
    parts: asking.map(({ id }) => id),
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
      if (plain)
        return faultBy(
          context,
          `${CALL_NAMES[serves]} called, and nothing ${serves === 'cool' ? 'cools' : 'heats'}`,
          plain,
        );
      return {
        tone: 'caution',
        text: `${CALL_NAMES[serves]} called, but nothing here ${serves === 'cool' ? 'cools' : 'heats'}`,
        next: 'Check the thermostat’s set-up against what the unit can do.',
      };
    }
    const own = gravest(wanted.map(({ branch }) => causeOfMissing(context.trace, branch)));
    const cause = OPEN_ENDED.has(own.type) ? (plainFault(context.trace) ?? own) : own;
    if (cause.type === 'unasked') return otherwiseAsked(scene, serves);
    return faultBy(context, `${CALL_NAMES[serves]} called`, cause);
  }
  return null;
}
