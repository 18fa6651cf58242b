/**
 * The panel stand-in. That an alarm stays until it is reset, trouble goes by itself, and nobody is called out while the panel
 * is on test, is common practice in the trade (no published source).
 */
import request from 'supertest';
import { makeTestServer } from '../testing/server';
import type { FirePanel } from './panel';
import {
  acknowledged,
  atTime,
  conditionOf,
  driven,
  newPanel,
  offTest,
  onTest,
  reset,
  silenced,
} from './panel';

const { app, stop } = makeTestServer();
afterAll(stop);

const START = new Date('2027-03-02T15:00:00Z');
const later = (minutes: number) => new Date(START.getTime() + minutes * 60_000);
const alarm = { reads: 'alarm', milliamps: 97 } as const;
const normal = { reads: 'normal', milliamps: 4.86 } as const;
const trouble = { reads: 'trouble', milliamps: 0 } as const;

const said = ({ events }: FirePanel) =>
  events.map(({ type, passedOn }) => (passedOn ? `${type}, passed on` : type));

describe('what the panel does', () => {
  test('the walk-through on test: alarm, reset, trouble, normal; nobody is called out', () => {
    const steps: [FirePanel, string][] = [];
    let panel = onTest(newPanel('Hall'), 240, START);
    const go = (next: FirePanel) => steps.push([(panel = next), conditionOf(next)]);
    go(driven(panel, 'zone1', alarm, later(1)));
    // The contact opens again: the alarm stays.
    go(driven(panel, 'zone1', normal, later(2)));
    go(reset(panel, later(3)));
    go(driven(panel, 'zone1', trouble, later(4)));
    go(driven(panel, 'zone1', normal, later(5)));
    go(offTest(panel, later(6)));
    expect(steps.map(([, condition]) => condition)).toEqual([
      'alarm',
      'alarm',
      'normal',
      'trouble',
      'normal',
      'normal',
    ]);
    expect(said(panel)).toEqual(['on-test', 'alarm', 'normal', 'reset', 'trouble', 'normal', 'off-test']);
    expect(panel.events[1]!.at).toBe('2027-03-02T15:01:00.000Z');
  });

  test('off test an alarm is passed on, sounds, and is silenced by hand only', () => {
    const panel = driven(newPanel('Hall'), 'zone1', alarm, START);
    expect(said(panel)).toEqual(['alarm, passed on']);
    expect(panel).toMatchObject({ sounding: true, buzzing: true });
    expect(acknowledged(panel, later(1))).toMatchObject({ sounding: true, buzzing: false });
    expect(silenced(panel, later(1))).toMatchObject({ sounding: false });
  });

  test('reset while a detector is still wet alarms again at once', () => {
    const panel = reset(driven(onTest(newPanel('Hall'), 60, START), 'zone1', alarm, later(1)), later(2));
    expect(conditionOf(panel)).toBe('alarm');
    expect(said(panel)).toEqual(['on-test', 'alarm', 'reset', 'alarm']);
  });

  test('a test that is over with an alarm standing calls people out', () => {
    const standing = driven(onTest(newPanel('Hall'), 30, START), 'zone1', alarm, later(1));
    expect(atTime(standing, later(29))).toBe(standing);
    const over = atTime(standing, later(30));
    expect(over.onTestUntil).toBeNull();
    expect(said(over)).toEqual(['on-test', 'alarm', 'test-over', 'alarm, passed on']);
  });

  test('a supervisory signal is no alarm, and stays; the gravest of several loops is shown', () => {
    const one = driven(newPanel('Hall'), 'damper', { reads: 'supervisory', milliamps: null }, START);
    expect([conditionOf(one), one.sounding]).toEqual(['supervisory', false]);
    expect(conditionOf(driven(one, 'damper', normal, later(1)))).toBe('supervisory');
    expect(conditionOf(driven(one, 'zone1', trouble, later(1)))).toBe('supervisory');
    expect(conditionOf(driven(one, 'zone1', alarm, later(1)))).toBe('alarm');
  });

  test('the same reading again is no event', () => {
    const once = driven(newPanel('Hall'), 'zone1', trouble, START);
    expect(driven(once, 'zone1', trouble, later(1)).events).toHaveLength(1);
  });
});

describe('over HTTP', () => {
  const at = '/api/fire-panels/site-1';
  const put = (path: string, body: object) => request(app).put(`${at}${path}`).send(body);

  test('it is made once, driven, worked with, and tells of itself', async () => {
    await put('', { name: 'Old creamery' }).expect(201);
    await put('', { name: 'Another' }).expect(200);
    await put('/test', { minutes: 60 }).expect(200);
    await put('/loops/zone1', alarm).expect(200);
    const { body } = await request(app).get(at).expect(200);
    expect(body).toMatchObject({ name: 'Old creamery', condition: 'alarm', sounding: true });
    const { body: all } = await request(app).get('/api/fire-panels').expect(200);
    expect(all).toMatchObject([{ id: 'site-1', name: 'Old creamery', condition: 'alarm' }]);
    await request(app).post(`${at}/silence`).expect(200);
    await put('/loops/zone1', normal).expect(200);
    const { body: cleared } = await request(app).post(`${at}/reset`).expect(200);
    expect(cleared).toMatchObject({ condition: 'normal', sounding: false });
    const { body: back } = await request(app).delete(`${at}/test`).expect(200);
    expect(back).toMatchObject({ onTestUntil: null });
  });

  test.each([
    ['/loops/zone1', { reads: 'smoke', milliamps: 5 }, /^reads must be one of normal, alarm/],
    ['/loops/zone1', { reads: 'alarm' }, /^milliamps is required, or null/],
    ['/loops/zone%201', alarm, /^loop must be 1 to 60 letters/],
    ['/test', { minutes: 0 }, /^minutes must be at least 1/],
    ['/test', { minutes: 10_000 }, /^minutes must be at most 480/],
    ['', { name: ' ' }, /^name/],
  ])('%s with %j is refused by field', async (path, body, detail) => {
    const { body: problem } = await put(path, body).expect(422);
    expect((problem as { detail: string }).detail).toMatch(detail);
  });

  test('a panel that was never made is not found', async () => {
    await request(app).get('/api/fire-panels/moon').expect(404);
    await request(app).post('/api/fire-panels/moon/reset').expect(404);
  });
});
