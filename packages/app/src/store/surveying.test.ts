import { EMPTY_SURVEY } from '@zygostat/core/survey';
import type { Survey } from '@zygostat/core/survey';
import { keptSurvey } from './kept';
import { answered, surveyOpened } from './survey';
import { makeStore } from '.';

/** A stand-in for the server's survey: each save answers with the next of `statuses`. */
function serve(statuses: (number | 'silent')[], newest: Survey = EMPTY_SURVEY) {
  const sent: { base: number; survey: Survey }[] = [];
  globalThis.fetch = (async (input: Request) => {
    if (input.method === 'GET') return Response.json({ number: 4, survey: newest });
    const body = JSON.parse(await input.text()) as (typeof sent)[number];
    sent.push(body);
    const status = statuses[Math.min(sent.length, statuses.length) - 1]!;
    if (status === 'silent') throw new TypeError('Failed to fetch');
    const answer =
      status === 200 ? { number: body.base + 1, survey: body.survey } : { status, title: 'No', detail: '' };
    return Response.json(answer, { status });
  }) as typeof fetch;
  return sent;
}

function openedStore() {
  const store = makeStore();
  store.dispatch(surveyOpened({ jobId: 'job', base: 0, survey: EMPTY_SURVEY }));
  return store;
}

const until = async (holds: () => boolean) => {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(holds()).toBe(true);
};

beforeEach(() => localStorage.clear());

test('an answer is kept here at once and dropped when the server has it', async () => {
  const sent = serve([200]);
  const store = openedStore();
  store.dispatch(answered({ feature: 'burner', answer: 'yes' }));
  expect(keptSurvey('job')?.survey.answers).toEqual({ burner: 'yes' });
  await until(() => store.getState().survey.base === 1);
  expect(sent).toMatchObject([{ base: 0, survey: { answers: { burner: 'yes' } } }]);
  expect(keptSurvey('job')).toBeUndefined();
});

test('a silent server is asked again, and the answer stays meanwhile', async () => {
  const sent = serve(['silent', 200]);
  const store = openedStore();
  store.dispatch(answered({ feature: 'water', answer: 'no' }));
  await until(() => store.getState().survey.state === 'waiting');
  expect(keptSurvey('job')?.survey.answers).toEqual({ water: 'no' });
  await until(() => sent.length === 2 && store.getState().survey.state === 'saved');
}, 15_000);

test('answers go on top of another tab’s, and none is lost', async () => {
  const sent = serve([409, 200], { ...EMPTY_SURVEY, answers: { burner: 'no' } });
  const store = openedStore();
  store.dispatch(answered({ feature: 'strips', answer: 'yes' }));
  await until(() => sent.length === 2 && store.getState().survey.state === 'saved');
  expect(sent[1]).toMatchObject({ base: 4, survey: { answers: { burner: 'no', strips: 'yes' } } });
});

test('an answer can be taken back', () => {
  serve([200]);
  const store = openedStore();
  store.dispatch(answered({ feature: 'burner', answer: 'yes' }));
  store.dispatch(answered({ feature: 'burner', answer: null }));
  expect(store.getState().survey.survey.answers).toEqual({});
});
