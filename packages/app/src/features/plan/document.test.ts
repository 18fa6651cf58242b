/** A plan in this browser: kept with what was ticked, and a power-off that another took back is back for nobody. */
import { exchange } from '@zygostat/core/circuit';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import type { ListEvent, Plan } from '@zygostat/core/wire';
import { PLAN_VERSION, stepsOf, ticksOf } from '@zygostat/core/wire';
import { draftAs } from '../../documents/slice';
import { makeStore } from '../../store';
import { until } from '../../testing/until';
import { leftDraft } from '../../testing/left';
import { startJobs } from '../job/start';
import { planDocument } from './document';

const circuit = furnaceAirConditioner('Kept');
const now = new Date().toISOString();
const event = (id: string, more: object): ListEvent => ({ id, by: 'Ada', at: now, ...more }) as ListEvent;
const off = event('off', { type: 'ticked', step: 'off', knows: [] });
const plan: Plan = {
  version: PLAN_VERSION,
  id: 'plan-1',
  title: 'New thermostat',
  before: circuit,
  after: exchange(circuit, ['statY', 'from'], ['statG', 'from']),
  swap: null,
  reasons: {},
  events: [off],
};

/** The plan that is opened when that was kept here and this is what the server has. */
async function openedWith(draft: Parameters<typeof leftDraft>[2], newest: Plan | null) {
  globalThis.fetch = (async (input: Request) => {
    if (input.method === 'GET') return Response.json({ number: 5, plan: newest });
    const { base } = JSON.parse(await input.text()) as { base: number };
    if (base === 5) return Response.json({ number: 6, latest: 6 });
    return Response.json({ status: 409, title: 'No', detail: 'because' }, { status: 409 });
  }) as typeof fetch;
  await leftDraft('plan', 'job', draft);
  const store = makeStore();
  await startJobs(store);
  await store.dispatch(planDocument.open('job'));
  await until(() => draftAs(store.getState(), 'plan', 'job') === undefined);
  return store.getState().plan.value;
}

test('a plan comes back with what was ticked, or as put away', async () => {
  expect(await openedWith({ base: 5, before: null, value: plan }, null)).toEqual(plan);
  expect(await openedWith({ base: 5, before: plan, value: null }, plan)).toBeNull();
});

test('a power-off that was taken back elsewhere stays taken back, whatever was ticked here meanwhile', async () => {
  const back = event('back', { type: 'taken-back', step: 'off', ticks: ['off'] });
  const mine = {
    ...plan,
    events: [off, event('dead', { type: 'ticked', step: 'dead:board.R', knows: [], volts: 0 })],
  };
  const both = await openedWith({ base: 4, before: plan, value: mine }, { ...plan, events: [off, back] });
  expect(both!.events.map(({ id }) => id).sort()).toEqual(['back', 'dead', 'off']);
  const { standing, shut } = ticksOf(stepsOf(plan.before, plan.after), both!.events, now);
  expect([...standing.keys()]).toEqual([]);
  expect(shut).toMatchObject({ why: 'taken-back', by: 'Ada' });
});

test('of two plans the one that was first stands, and the other is asked about', async () => {
  const other = { ...plan, id: 'plan-2', title: 'Another' };
  expect((await openedWith({ base: 4, before: null, value: plan }, other))?.id).toBe('plan-2');
});

test('a plan of a later version is not taken up', async () => {
  expect(await openedWith({ base: 4, value: { ...plan, version: 9 } }, plan)).toEqual(plan);
});
