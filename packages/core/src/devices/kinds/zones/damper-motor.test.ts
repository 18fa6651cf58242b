/** Zone damper motors: three wires stay where power leaves them, two wires go back by their spring (common practice). */
import type { Moment, Senses, State } from '../..';
import { fill, kindOf } from '../..';

const motor = kindOf('damper-motor');

type Live = Partial<Record<'OPEN' | 'CLOSE', number>>;

const momentAt = (drive: string, now: number, shaft = 'free'): Moment => ({
  params: fill(motor.params, { drive }),
  settings: fill(motor.settings, { openS: 40, closeS: 20 }),
  controls: fill(motor.controls, { shaft }),
  mains: { volts: 120, hertz: 60 },
  conditions: { indoorC: 22, outdoorC: 20 },
  now,
});
const feeling = (live: Live): Senses => ({
  volts: (mark) => live[mark as keyof Live] ?? 0,
  amps: () => 0,
  directAmps: () => 0,
  directVolts: () => 0,
  hears: () => [],
});

/** Lets a motor go through what is held, each for so many seconds; answers its state and what it shows. */
function through(drive: string, from: State, ...held: readonly (readonly [Live, number])[]) {
  let now = 0;
  let state = from;
  for (const [live, seconds] of held) {
    state = motor.next(state, feeling(live), momentAt(drive, now));
    now += seconds;
    state = motor.next(state, feeling(live), momentAt(drive, now));
  }
  return { state, shows: motor.face(state, momentAt(drive, now))!.text, now };
}

const OPEN: State = { from: 1, to: 1, since: null };
const SHUT: State = { from: 0, to: 0, since: null };

test.each<[string, State, readonly (readonly [Live, number])[], string]>([
  ['power', SHUT, [[{ OPEN: 24 }, 20]], 'opening'],
  ['power', SHUT, [[{ OPEN: 24 }, 40]], 'open'],
  // Half way when the power goes: there it stays, and from there it goes on.
  [
    'power',
    SHUT,
    [
      [{ OPEN: 24 }, 20],
      [{}, 600],
    ],
    '50 % open',
  ],
  [
    'power',
    SHUT,
    [
      [{ OPEN: 24 }, 20],
      [{}, 600],
      [{ CLOSE: 24 }, 10],
    ],
    'closed',
  ],
  ['power', OPEN, [[{ OPEN: 24, CLOSE: 24 }, 600]], 'open'],
  ['power', OPEN, [[{ CLOSE: 12 }, 600]], 'open'],
  ['spring-open', OPEN, [[{ CLOSE: 24 }, 20]], 'closed'],
  [
    'spring-open',
    OPEN,
    [
      [{ CLOSE: 24 }, 20],
      [{}, 40],
    ],
    'open',
  ],
  ['spring-closed', OPEN, [[{}, 20]], 'closed'],
  ['spring-closed', SHUT, [[{ OPEN: 24 }, 40]], 'open'],
])('%s, from %j, held as %j, is %s', (drive, from, held, shows) => {
  expect(through(drive, from, ...held).shows).toBe(shows);
});

test('what is under way is waited for, to the second', () => {
  const state = motor.next(SHUT, feeling({ OPEN: 24 }), momentAt('power', 5));
  expect(motor.waits(state, momentAt('power', 5))).toEqual([
    { until: 45, text: 'damper opens', done: 'damper open' },
  ]);
});

test('at its end a motor driven both ways takes nothing, one on a spring holds', () => {
  const elements = (drive: string) => motor.elements(momentAt(drive, 0));
  const positions = (drive: string) =>
    elements(drive).flatMap((element) =>
      element.kind === 'branch' ? [[element.id, element.positions.end]] : [],
    );
  expect(positions('power')).toEqual([
    ['open', 'open'],
    ['close', 'open'],
  ]);
  expect(positions('spring-closed')).toEqual([
    ['open', expect.objectContaining({ ohms: expect.any(Number) as number })],
  ]);
  expect(motor.positions(OPEN, momentAt('power', 0))).toEqual({ open: 'end', close: 'moving' });
});

test('stuck it stays; slipped the motor turns and says so', () => {
  const held = motor.next(SHUT, feeling({ OPEN: 24 }), momentAt('power', 0, 'stuck'));
  expect(motor.next(held, feeling({ OPEN: 24 }), momentAt('power', 600, 'stuck'))).toEqual(SHUT);
  expect(motor.face(OPEN, momentAt('power', 0, 'slipped'))!.text).toBe('open, blade slips');
});

test.each([
  ['power', ['COM', 'OPEN', 'CLOSE']],
  ['spring-open', ['COM', 'CLOSE']],
  ['spring-closed', ['COM', 'OPEN']],
])('%s has the terminals %j', (drive, marks) => {
  expect(motor.designations(fill(motor.params, { drive })).map(({ mark }) => mark)).toEqual(marks);
});
