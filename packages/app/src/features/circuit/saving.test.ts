import { land, lift } from '@zygostat/core/circuit';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { draftAs } from '../../documents/slice';
import { makeStore } from '../../store';
import { startJobs } from '../job/start';
import { CIRCUIT, decidedCircuit, openedAs } from './saving';
import { edited, takeUp, UNDO } from './slice';
import { until } from '../../testing/until';

const circuit = furnaceAirConditioner('Saving');
const moved = land(circuit, 'statY', 'from', 'stat.W');
const moved2 = land(moved, 'statW', 'from', 'stat.Y');

interface Sent {
  base: number;
  circuit: unknown;
}

/** A stand-in for the server's revisions: each call answers with the next of `statuses`. */
function serve(statuses: (number | 'silent')[], newest: unknown = circuit) {
  const sent: Sent[] = [];
  globalThis.fetch = (async (input: Request) => {
    if (/revisions\/1$/.test(input.url)) return Response.json({ number: 1, circuit });
    if (input.method === 'GET') return Response.json({ id: 'job', revision: 9, circuit: newest });
    const body = JSON.parse(await input.text()) as Sent;
    sent.push(body);
    const status = statuses[Math.min(sent.length, statuses.length) - 1]!;
    if (status === 'silent') throw new TypeError('Failed to fetch');
    const answer =
      status === 201 ? { number: body.base + 1 } : { status, title: 'No', detail: 'because', latest: 9 };
    return new Response(JSON.stringify(answer), { status, headers: { 'Content-Type': 'application/json' } });
  }) as typeof fetch;
  return sent;
}

async function openedStore() {
  const store = makeStore();
  await startJobs(store);
  store.dispatch(takeUp(circuit));
  store.dispatch(openedAs('job', { number: 1, value: circuit }));
  return store;
}

test('an edit is kept here at once and dropped when the server has it', async () => {
  const sent = serve([201]);
  const store = await openedStore();
  const keptNow = () => draftAs(store.getState(), CIRCUIT, 'job');
  store.dispatch(edited({ circuit: moved, note: 'Moved Y' }));
  expect(keptNow()).toMatchObject({ base: 1, value: moved });
  await until(() => store.getState().saving.state === 'saved');
  expect(sent).toHaveLength(1);
  expect(store.getState().saving.base).toBe(2);
  expect(keptNow()).toBeUndefined();
});

test('edits made while saving follow on top of each other', async () => {
  const sent = serve([201, 201]);
  const store = await openedStore();
  store.dispatch(edited({ circuit: moved, note: '' }));
  await until(() => sent.length === 1);
  store.dispatch(edited({ circuit: moved2, note: '' }));
  await until(() => store.getState().saving.state === 'saved' && sent.length === 2);
  expect(sent.map(({ base }) => base)).toEqual([1, 2]);
  expect(sent[1]!.circuit).toEqual(moved2);
});

test('a silent server is asked again, and the edit stays here meanwhile', async () => {
  const sent = serve(['silent', 201]);
  const store = await openedStore();
  const keptNow = () => draftAs(store.getState(), CIRCUIT, 'job');
  store.dispatch(edited({ circuit: moved, note: '' }));
  await until(() => store.getState().saving.state === 'waiting');
  expect(keptNow()).toMatchObject({ value: moved });
  await until(() => store.getState().saving.state === 'saved');
  expect(sent).toHaveLength(2);
}, 10_000);

test('what somebody else changed meanwhile and this one did not is put together with it, and saved', async () => {
  const other = lift(circuit, 'statG', 'to');
  const sent = serve([409, 201], other);
  const store = await openedStore();
  store.dispatch(edited({ circuit: moved, note: '' }));
  await until(() => store.getState().saving.state === 'saved' && sent.length === 2);
  expect(sent[1]).toMatchObject({ base: 9, circuit: land(other, 'statY', 'from', 'stat.W') });
  expect(store.getState().edits.present.circuit).toEqual(sent[1]!.circuit);
  // To undo past it would take back what another did.
  expect(store.getState().edits.past).toEqual([]);
});

test('the same end landed otherwise elsewhere is never overwritten: the person decides', async () => {
  const sent = serve([409, 201], land(circuit, 'statY', 'from', 'stat.G'));
  const store = await openedStore();
  const keptNow = () => draftAs(store.getState(), CIRCUIT, 'job');
  store.dispatch(edited({ circuit: moved, note: '' }));
  await until(() => store.getState().saving.state === 'conflict');
  store.dispatch(edited({ circuit: moved2, note: '' }));
  expect(sent).toHaveLength(1);
  expect(keptNow()).toMatchObject({ value: moved2 });
  store.dispatch(decidedCircuit('job', { number: 9, value: circuit }, moved2));
  await until(() => store.getState().saving.state === 'saved' && sent.length === 2);
  expect(sent[1]).toMatchObject({ base: 9, circuit: moved2 });
});

test('a save whose answer was lost is recognised as arrived', async () => {
  serve([409], moved);
  const store = await openedStore();
  const keptNow = () => draftAs(store.getState(), CIRCUIT, 'job');
  store.dispatch(edited({ circuit: moved, note: '' }));
  await until(() => store.getState().saving.state === 'saved');
  expect(store.getState().saving.base).toBe(9);
  expect(keptNow()).toBeUndefined();
});

test('opening a job begins a new history; an edit can be undone, and undoing is saved too', async () => {
  const sent = serve([201, 201]);
  const store = await openedStore();
  expect(store.getState().edits.past).toEqual([]);
  store.dispatch(edited({ circuit: moved, note: '' }));
  await until(() => sent.length === 1 && store.getState().saving.state === 'saved');
  store.dispatch({ type: UNDO });
  expect(store.getState().edits.present.circuit).toEqual(circuit);
  await until(() => sent.length === 2 && store.getState().saving.state === 'saved');
  expect(sent[1]!.circuit).toEqual(circuit);
});
