/** A document of a job, declared once: kept here, sent, asked again, put on top of another tab's, taken up again. */
import { EMPTY_SURVEY } from '@zygostat/core/survey';
import type { Clash } from '@zygostat/core/merge';
import type { Survey } from '@zygostat/core/survey';
import type { Draft } from '@zygostat/core/sync';
import { UNREADABLE } from '@zygostat/core/sync';
import { startJobs } from '../features/job/start';
import { surveyDocument } from '../features/survey/document';
import { makeStore } from '../store';
import { happened } from './happened';
import { leftDraft, lyingUnder } from '../testing/left';
import { until } from '../testing/until';
import { syncIn, whatWaits } from './slice';

const answers = (given: Survey['answers']): Survey => ({ ...EMPTY_SURVEY, answers: given });

/** A stand-in for the server's survey: each save answers with the next of `statuses`. */
function serve(statuses: (number | 'silent')[], newest: Survey | 'silent' = EMPTY_SURVEY) {
  const sent: { base: number; save: string; survey: Survey }[] = [];
  globalThis.fetch = (async (input: Request) => {
    if (input.method === 'GET') {
      if (newest === 'silent') throw new TypeError('Failed to fetch');
      return Response.json({ number: 4, survey: newest });
    }
    const body = JSON.parse(await input.text()) as (typeof sent)[number];
    sent.push(body);
    const status = statuses[Math.min(sent.length, statuses.length) - 1]!;
    if (status === 'silent') throw new TypeError('Failed to fetch');
    const answer =
      status === 200
        ? { number: body.base + 1, latest: body.base + 1 }
        : { status, title: 'No', detail: 'because' };
    return Response.json(answer, { status });
  }) as typeof fetch;
  return sent;
}

async function jobStore() {
  const store = makeStore();
  await startJobs(store);
  return store;
}

async function openedStore() {
  const store = await jobStore();
  const saved = { number: 0, value: EMPTY_SURVEY };
  store.dispatch(surveyDocument.opened({ jobId: 'job', base: 0, value: EMPTY_SURVEY }));
  store.dispatch(happened({ type: 'read', name: 'survey', id: 'job', newest: saved, save: 'unused' }));
  return store;
}

const keptNow = async () => (await lyingUnder('survey'))[0]?.[1];

/** Erased from the disk a moment after it is with the server. */
const untilGone = async () => {
  for (let i = 0; i < 40 && (await keptNow()) !== undefined; i++)
    await new Promise((done) => setTimeout(done, 25));
  expect(await keptNow()).toBeUndefined();
};

beforeEach(() => localStorage.clear());

test('a change is kept here at once and forgotten when the server has it', async () => {
  const sent = serve([200]);
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ burner: 'yes' })));
  expect(await keptNow()).toMatchObject({ base: 0, value: { answers: { burner: 'yes' } } });
  await until(() => store.getState().survey.base === 1);
  expect(sent).toMatchObject([{ base: 0, survey: { answers: { burner: 'yes' } } }]);
  await untilGone();
});

test('a silent server is asked again, also when the job was left meanwhile', async () => {
  const sent = serve(['silent', 200]);
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ water: 'no' })));
  await until(() => store.getState().survey.state === 'waiting');
  expect(await keptNow()).toMatchObject({ value: { answers: { water: 'no' } } });
  store.dispatch(surveyDocument.opened({ jobId: 'other', base: 7, value: EMPTY_SURVEY }));
  window.dispatchEvent(new Event('online'));
  await until(() => sent.length === 2);
  await until(() => store.getState().survey.jobId === 'other');
  expect(store.getState().survey).toMatchObject({ base: 7, state: 'saved' });
});

test('what another tab saved is never lost: both are put together', async () => {
  const sent = serve([409, 200], answers({ burner: 'no' }));
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ strips: 'yes' })));
  await until(() => sent.length === 2 && store.getState().survey.state === 'saved');
  expect(sent[1]).toMatchObject({ base: 4, survey: { answers: { burner: 'no', strips: 'yes' } } });
  expect(store.getState().survey.value.answers).toEqual({ burner: 'no', strips: 'yes' });
  expect(store.getState().notice).toMatch(/both changes are in/);
});

test('what the server refuses is said, and stays in hand', async () => {
  serve([422]);
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ strips: 'yes' })));
  await until(() => store.getState().survey.state === 'refused');
  expect(store.getState().survey).toMatchObject({ detail: 'because', value: { answers: { strips: 'yes' } } });
});

describe('opened again', () => {
  test('what was left is put on top of what the server has since', async () => {
    const sent = serve([409, 200], answers({ burner: 'no' }));
    await leftDraft('survey', 'job', { base: 2, before: EMPTY_SURVEY, value: answers({ strips: 'yes' }) });
    const store = await jobStore();
    await store.dispatch(surveyDocument.open('job'));
    await until(() => sent.length === 2);
    expect(store.getState().survey.value.answers).toEqual({ burner: 'no', strips: 'yes' });
    expect(sent[1]).toMatchObject({ base: 4 });
  });

  test.each<[string, Partial<Draft> | string]>([
    ['of no survey', { base: 1, value: { answers: 'all' } }],
    ['without the save it builds on', { value: EMPTY_SURVEY }],
    ['of nothing', 'hello'],
  ])('a draft %s is left out', async (_what, found) => {
    const sent = serve([200], answers({ burner: 'no' }));
    await leftDraft('survey', 'job', found);
    const store = await jobStore();
    await store.dispatch(surveyDocument.open('job'));
    expect(store.getState().survey.value.answers).toEqual({ burner: 'no' });
    expect(sent).toEqual([]);
    // It stays, beside, for whoever wants to save it.
    expect(whatWaits(store.getState())).toMatchObject([{ name: 'survey-aside', refused: UNREADABLE }]);
  });
});

test('what an earlier visit left is sent without the job being opened', async () => {
  const sent = serve([200]);
  await leftDraft('survey', 'job', { base: 3, value: answers({ strips: 'no' }) });
  await jobStore();
  await until(() => sent.length === 1);
  expect(sent[0]).toMatchObject({ base: 3, survey: { answers: { strips: 'no' } } });
  await untilGone();
});

test('a save whose answer was lost is sent again as the same save, with what came meanwhile on top of it', async () => {
  const sent = serve(['silent', 200, 200]);
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ burner: 'yes' })));
  await until(() => store.getState().survey.state === 'waiting');
  store.dispatch(surveyDocument.changed(answers({ burner: 'no' })));
  window.dispatchEvent(new Event('online'));
  await until(() => sent.length === 3 && store.getState().survey.state === 'saved');
  expect(sent.map(({ base, survey }) => [base, survey.answers])).toEqual([
    [0, { burner: 'yes' }],
    [0, { burner: 'yes' }],
    [1, { burner: 'no' }],
  ]);
  expect(sent[1]!.save).toBe(sent[0]!.save);
  expect(sent[2]!.save).not.toBe(sent[0]!.save);
});

test('an answer that was taken back does not come back by what another saved', async () => {
  const sent = serve([409, 200], answers({ burner: 'yes', water: 'no' }));
  await leftDraft('survey', 'job', { base: 2, before: answers({ burner: 'yes' }), value: answers({}) });
  const store = await jobStore();
  await until(() => sent.length === 2);
  expect(sent[1]).toMatchObject({ base: 4, survey: { answers: { water: 'no' } } });
  expect(sent[1]!.survey.answers).not.toHaveProperty('burner');
  void store;
});

test('what both changed differently is asked about, kept with both, and decided by a person', async () => {
  serve([409, 200, 200], answers({ burner: 'no' }));
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ burner: 'yes' })));
  const asked = () => syncIn(store.getState()).items['survey-asked/job']?.value as Clash[] | undefined;
  await until(() => asked() !== undefined);
  expect(asked()).toEqual([{ path: ['answers', 'burner'], mine: 'yes', theirs: 'no' }]);
  expect(store.getState().survey.value.answers).toEqual({ burner: 'no' });
  store.dispatch(surveyDocument.decide(asked()![0]!, 'mine'));
  expect(store.getState().survey.value.answers).toEqual({ burner: 'yes' });
  expect(asked()).toBeUndefined();
});

test('what is put away can be taken up again', async () => {
  serve([200]);
  const store = await openedStore();
  store.dispatch(surveyDocument.changed(answers({ strips: 'no' })));
  store.dispatch(surveyDocument.changed(EMPTY_SURVEY));
  expect(store.getState().survey.putAway).toMatchObject({ answers: { strips: 'no' } });
});

// The last: it goes on asking the server that is silent.
test('without the server, what is kept here is what there is', async () => {
  serve(['silent'], 'silent');
  await leftDraft('survey', 'job', { base: 2, before: EMPTY_SURVEY, value: answers({ strips: 'yes' }) });
  const store = await jobStore();
  await store.dispatch(surveyDocument.open('job'));
  expect(store.getState().survey).toMatchObject({ base: 2, value: { answers: { strips: 'yes' } } });
});
