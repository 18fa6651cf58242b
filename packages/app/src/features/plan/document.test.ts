import { furnaceAirConditioner } from '@zygostat/core/systems';
import { keep } from '../../documents/keep';
import { makeStore } from '../../store';
import { startJobs } from '../job/start';
import { planDocument } from './document';

const circuit = furnaceAirConditioner('Kept');
const plan = {
  version: 1 as const,
  title: 'New thermostat',
  before: circuit,
  after: circuit,
  swap: null,
  reasons: {},
  done: { off: { at: '2026-11-25T10:00:00.000Z' } },
};

/** The plan that is opened when this was kept and the server has none. */
async function openedWith(found: unknown) {
  globalThis.fetch = (async (input: Request) =>
    Response.json(input.method === 'GET' ? { number: 3, plan: null } : { number: 4 })) as typeof fetch;
  const store = makeStore();
  await startJobs(store);
  await keep('plan', 'job', found);
  await store.dispatch(planDocument.open('job'));
  return store.getState().plan.value;
}

test('a plan comes back with what was ticked, or as put away', async () => {
  expect(await openedWith({ base: 3, value: plan })).toEqual(plan);
  expect(await openedWith({ base: 3, value: null })).toBeNull();
});

test('of two plans of the same change all ticks count; of two changes the one that was first stands', async () => {
  const theirs = { ...plan, done: { on: { at: '2026-11-25T11:00:00.000Z' } } };
  const other = furnaceAirConditioner('Other');
  const open = async (newest: unknown) => {
    globalThis.fetch = (async (input: Request) =>
      Response.json(input.method === 'GET' ? { number: 5, plan: newest } : { number: 6 })) as typeof fetch;
    const store = makeStore();
    await startJobs(store);
    await keep('plan', 'job', { base: 3, value: plan });
    await store.dispatch(planDocument.open('job'));
    return store.getState().plan.value;
  };
  expect((await open(theirs))?.done).toEqual({ ...plan.done, ...theirs.done });
  expect((await open({ ...plan, after: other }))?.after).toEqual(other);
});

test.each<[string, unknown]>([
  ['of another version', { base: 3, value: { ...plan, version: 2 } }],
  ['with a circuit that is none', { base: 3, value: { ...plan, after: { name: 'x' } } }],
  ['with ticks that are none', { base: 3, value: { ...plan, done: 'all' } }],
  ['without the save it builds on', { value: plan }],
])('a plan %s is left out', async (_what, found) => {
  expect(await openedWith(found)).toBeNull();
});
