/**
 * Working with a fire panel in its order, and jackets that are off. Call monitoring, on test, tell the contact, work, then
 * alarm, reset, trouble, normal, and off test: common practice in the trade, no published source.
 */
import type { Body, Entry, PanelStep } from '.';
import { PANEL_STEPS, entryProblems, mayWork, missingBefore, nextStep, objectionsTo, standingOf } from '.';

const AT = '2027-03-02T09:00:00-06:00';
const UNTIL = '2027-03-02T13:00:00-06:00';
let written = 0;
const entry = (body: Body): Entry => ({ id: `e${++written}`, at: AT, by: 'Ansa Bright', body });
const step = (one: PanelStep): Entry =>
  entry({ type: 'panel', step: one, who: 'Operator 41', text: '', until: one === 'on-test' ? UNTIL : null });
const off = entry({
  type: 'unlanded',
  jacket: 'j1',
  mark: '1',
  cable: 'loopJacket',
  device: 'ductSmoke',
  landed: [{ conductor: 'loopPlus', end: 'to', terminal: 'ductSmoke.AL1' }],
});

const after = (...steps: PanelStep[]) => standingOf(steps.map(step));

test('each step waits for those before it', () => {
  PANEL_STEPS.forEach((one, i) => {
    const standing = after(...PANEL_STEPS.slice(0, i));
    expect(nextStep(standing.panel)).toBe(one);
    expect(objectionsTo(step(one), standing)).toEqual([]);
    const skipped = PANEL_STEPS[i - 1];
    if (skipped === undefined) return;
    const without = after(...PANEL_STEPS.slice(0, i - 1));
    expect(missingBefore(without.panel, one)).toBe(skipped);
    expect(objectionsTo(step(one), without)).toEqual([
      { path: 'body.step', message: `must wait for “${skipped}”` },
    ]);
  });
});

test('hands go to it only on test and with the building told', () => {
  const now = new Date(AT);
  expect(mayWork(after('monitoring', 'on-test').panel, now)).toBe(false);
  const { panel } = after('monitoring', 'on-test', 'told');
  expect(mayWork(panel, now)).toBe(true);
  expect(panel.onTestUntil).toBe(UNTIL);
  // Once the test time is over an alarm is an alarm again.
  const late = '2027-03-02T13:00:01-06:00';
  expect(mayWork(panel, new Date(late))).toBe(false);
  expect(objectionsTo({ ...step('alarm'), at: late }, after('monitoring', 'on-test', 'told'))).toEqual([
    { path: 'at', message: 'must be before the test time is over: have it extended' },
  ]);
  expect(objectionsTo({ ...step('on-test'), at: late }, after('monitoring', 'on-test', 'told'))).toEqual([]);
});

test('an alarm once more begins the walk anew; off test nothing is left of it', () => {
  const walked = after(...PANEL_STEPS.slice(0, 7), 'alarm');
  expect(nextStep(walked.panel)).toBe('reset');
  expect(after(...PANEL_STEPS).panel).toEqual({ steps: new Map(), onTestUntil: null });
});

test('a job is not finished with the panel on test or a jacket off', () => {
  const finish = entry({ type: 'finished', text: '' });
  expect(objectionsTo(finish, after('monitoring', 'on-test'))).toEqual([
    { path: 'body', message: expect.stringMatching(/panel is on test/) as string },
  ]);
  expect(objectionsTo(finish, standingOf([off]))).toEqual([
    { path: 'body', message: expect.stringMatching(/jacket 1 is off/) as string },
  ]);
  for (const as of ['back', 'moved', 'retired'] as const) {
    const standing = standingOf([off, entry({ type: 'settled', jacket: 'j1', as, text: '' })]);
    expect(objectionsTo(finish, standing)).toEqual([]);
  }
});

test('what was found of a jacket is kept with it; another’s is refused', () => {
  const found = entry({ type: 'identified', jacket: 'j1', does: 'loop', text: 'Panel went to trouble' });
  expect(standingOf([off, found]).jackets).toMatchObject([{ mark: '1', does: 'loop', state: 'off' }]);
  expect(objectionsTo(found, standingOf([]))).toEqual([
    { path: 'body.jacket', message: 'must be a jacket of this job' },
  ]);
  expect(objectionsTo(off, standingOf([off]))).toHaveLength(1);
});

test.each<[Body, string]>([
  [{ type: 'panel', step: 'on-test', who: 'Operator', text: '', until: null }, 'body.until'],
  [{ type: 'panel', step: 'told', who: 'Operator', text: '', until: UNTIL }, 'body.until'],
  [{ type: 'panel', step: 'guess' as PanelStep, who: 'Operator', text: '', until: null }, 'body.step'],
  [{ type: 'panel', step: 'told', who: ' ', text: '', until: null }, 'body.who'],
  [{ type: 'settled', jacket: 'j1', as: 'lost' as 'back', text: '' }, 'body.as'],
  [{ ...(off.body as Extract<Body, { type: 'unlanded' }>), landed: [] }, 'body.landed'],
])('%j names what is wrong with it', (body, path) => {
  expect(entryProblems(entry(body)).map((one) => one.path)).toEqual([path]);
});
