/** A job opened before there is a page to show it. */
import { waitFor } from '@testing-library/react';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { leftDraft } from '../../testing/left';
import { makeStore } from '../../store';
import { pageStore } from '../../store/early';
import { serveRoutes } from '../../testing/server';
import { renderWithStore } from '../../testing/render';
import { paperThemes } from '../../theme';
import { OpenJob, useOpenedJob } from './OpenJob';
import { leaveEarly, openEarly, takeEarly } from './open';

jest.mock('../../model/model', () => jest.requireActual<object>('../../testing/model'));

const circuit = furnaceAirConditioner('Early');
const job = { id: 'early', name: 'Early', siteId: 's', site: 'S', revision: 3, circuit };
const serve = (status = 200) => serveRoutes({ 'GET /api/jobs/early': () => ({ status, body: job }) });
const readings = (asked: { path: string }[]) => asked.filter(({ path }) => path === '/api/jobs/early').length;

test('it is on the bench, read once, with what the server has not had of it', async () => {
  const asked = serve();
  const edited = { ...circuit, name: 'Edited' };
  await leftDraft('circuit', 'early', { base: 2, before: circuit, value: edited });
  const store = makeStore();
  openEarly(store, 'early');
  await takeEarly(store, 'early');
  expect(store.getState().saving).toMatchObject({ jobId: 'early', base: 2 });
  expect(store.getState().edits.present.circuit?.name).toBe('Edited');
  expect(readings(asked)).toBe(1);
  // Whoever comes back to it reads it anew.
  expect(takeEarly(store, 'early')).toBeNull();
  // A page has one store, however often its layout is made: what is in hand stays in hand.
  expect(pageStore()).toBe(pageStore());
});

test('what was opened so, and left for another job, is put on the bench anew', async () => {
  const asked = serveRoutes({
    'GET /api/jobs/early': () => ({ body: job }),
    'GET /api/jobs/other': () => ({ body: { ...job, id: 'other', name: 'Other' } }),
  });
  const Shown = () => <p>{useOpenedJob().job.name}</p>;
  const shownAs = (id: string) => (
    <OpenJob id={id}>
      <Shown />
    </OpenJob>
  );
  const { screen, store } = renderWithStore(<></>);
  openEarly(store, 'early');
  const inStore = (id: string) => (
    <Provider store={store}>
      <PaperProvider theme={paperThemes.light}>{shownAs(id)}</PaperProvider>
    </Provider>
  );
  screen.rerender(inStore('early'));
  await waitFor(() => screen.getByText('Early'));
  expect(readings(asked)).toBe(1);
  screen.rerender(inStore('other'));
  await waitFor(() => screen.getByText('Other'));
  expect(store.getState().saving.jobId).toBe('other');
});

test('what is read after it was left comes over nothing', async () => {
  let answer: () => void = () => undefined;
  const late = new Promise<void>((resolve) => (answer = resolve));
  serveRoutes({ 'GET /api/jobs/early': () => ({ body: job }) });
  const store = makeStore();
  openEarly(store, 'early', late);
  const opening = takeEarly(store, 'early');
  leaveEarly(store);
  answer();
  await opening;
  expect(store.getState().saving?.jobId ?? null).toBeNull();
});

test('what could not be opened so is opened by whoever shows it', async () => {
  const refused = serve(503);
  openEarly(makeStore(), 'early');
  await waitFor(() => expect(readings(refused)).toBe(1));
  const asked = serve();
  const Shown = () => <p>{useOpenedJob().job.name}</p>;
  const { screen } = renderWithStore(
    <OpenJob id="early">
      <Shown />
    </OpenJob>,
  );
  await waitFor(() => screen.getByText('Early'));
  expect(readings(asked)).toBe(1);
});
