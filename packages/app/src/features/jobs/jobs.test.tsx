import { fireEvent, waitFor } from '@testing-library/react';
import type { Job } from './api';
import { renderWithStore } from '../../testing/render';
import { serveRoutes } from '../../testing/server';
import { JobList } from './JobList';
import { NewJob } from './NewJob';

const mockPush = jest.fn();
const mockReplace = jest.fn();
jest.mock('expo-router', () => ({
  router: {
    push: (to: unknown) => mockPush(to),
    replace: (to: unknown) => mockReplace(to),
    setParams: () => undefined,
  },
  useLocalSearchParams: () => ({}),
}));

const job = (more: Partial<Job>): Job => ({
  id: 'a1',
  name: 'Loft',
  siteId: 's',
  site: 'Quince orchard',
  system: 'Furnace with air conditioner',
  notes: '',
  address: '',
  broughtBy: null,
  broughtAt: null,
  state: 'open',
  isAway: false,
  createdAt: new Date().toISOString(),
  updatedAt: new Date().toISOString(),
  revision: 1,
  readings: 0,
  disagreeing: 0,
  bypasses: 0,
  ...more,
});

const mockPicked = jest.fn();
jest.mock('../../basics/pickFile', () => ({ pickFile: () => mockPicked() as unknown }));

beforeEach(() => jest.clearAllMocks());

describe('the list of jobs', () => {
  const list = (jobs: Job[]) => serveRoutes({ 'GET /api/jobs': () => ({ body: jobs }) });

  test.each([
    [{ readings: 0 }, 'Not measured yet'],
    [{ readings: 2 }, '2 readings, all agree'],
    [{ readings: 3, disagreeing: 1 }, '1 reading off'],
    [{ readings: 3, disagreeing: 1, state: 'done' as const }, 'Done'],
  ])('says of %o: %s', async (more, words) => {
    list([job(more)]);
    const { screen } = renderWithStore(<JobList />);
    expect(await screen.findByText(words)).toBeTruthy();
  });

  test('opens a job that is pressed, once', async () => {
    list([job({})]);
    const { screen } = renderWithStore(<JobList />);
    const row = await screen.findByLabelText('Open Loft, Quince orchard');
    fireEvent.click(row);
    fireEvent.click(row);
    await waitFor(() =>
      expect(mockPush.mock.calls).toEqual([[{ pathname: '/job/[id]', params: { id: 'a1' } }]]),
    );
    // And it can be opened again.
    fireEvent.click(row);
    await waitFor(() => expect(mockPush).toHaveBeenCalledTimes(2));
  });

  test('is never empty without a word', async () => {
    list([]);
    const { screen } = renderWithStore(<JobList />);
    expect(await screen.findByText(/No jobs yet/)).toBeTruthy();
    fireEvent.change(screen.getByPlaceholderText('Search jobs and sites'), { target: { value: 'kiln' } });
    expect(await screen.findByText('No job or site matches “kiln”.')).toBeTruthy();
  });

  test('shows those put away when they are asked for', async () => {
    const asked = list([job({ isAway: true })]);
    const { screen } = renderWithStore(<JobList />);
    fireEvent.click(await screen.findByText('Jobs put away'));
    expect(await screen.findByText(/^Put away ·/)).toBeTruthy();
    await waitFor(() => expect(asked.some(({ query }) => query.away === 'true')).toBe(true));
  });

  test('offers to try again when the server does not answer', async () => {
    serveRoutes({});
    const { screen } = renderWithStore(<JobList />);
    expect(await screen.findByText(/The server does not answer/)).toBeTruthy();
    list([job({})]);
    fireEvent.click(screen.getByText('Try again'));
    expect(await screen.findByText('Quince orchard')).toBeTruthy();
  });
});

describe('a new job', () => {
  const sites = () => ({ body: [{ id: 's1', name: 'Quince orchard' }] });

  test('asks for what is missing before it asks the server', async () => {
    const asked = serveRoutes({ 'GET /api/sites': sites });
    const { screen } = renderWithStore(<NewJob />);
    fireEvent.click(screen.getByText('Create job'));
    expect(await screen.findByText('Give the site a name.')).toBeTruthy();
    expect(screen.getByText('Give the job a name.')).toBeTruthy();
    expect(asked.filter(({ method }) => method === 'POST')).toEqual([]);
  });

  test('is made from a known site and a template, and opened', async () => {
    const asked = serveRoutes({
      'GET /api/sites': sites,
      'POST /api/jobs': () => ({ status: 201, body: job({ id: 'new1' }) }),
    });
    const posted = () => asked.find(({ method }) => method === 'POST')?.body;
    const made = () => (posted() as { id: string } | undefined)?.id;
    const { screen } = renderWithStore(<NewJob />);
    fireEvent.click(await screen.findByText('Quince orchard'));
    fireEvent.change(screen.getByTestId('new-name'), { target: { value: 'Cider press' } });
    fireEvent.click(screen.getByLabelText('Furnace with air conditioner, no C'));
    fireEvent.click(screen.getByText('Create job'));
    await waitFor(() =>
      expect(mockReplace).toHaveBeenCalledWith({ pathname: '/job/[id]', params: { id: made() } }),
    );
    expect(posted()).toEqual({
      id: made(),
      siteId: expect.any(String) as string,
      site: 'Quince orchard',
      name: 'Cider press',
      template: 'furnace-ac-no-c',
    });
  });

  test('shows what the server refuses', async () => {
    const refusal = { status: 422, title: 'Not valid', detail: 'name must be at most 80 characters' };
    serveRoutes({ 'GET /api/sites': sites, 'POST /api/jobs': () => ({ status: 422, body: refusal }) });
    const { screen } = renderWithStore(<NewJob />);
    fireEvent.change(screen.getByTestId('new-site'), { target: { value: 'A' } });
    fireEvent.change(screen.getByTestId('new-name'), { target: { value: 'B' } });
    fireEvent.click(screen.getByText('Create job'));
    expect(await screen.findByText('name must be at most 80 characters')).toBeTruthy();
  });
});

describe('a whole job read in', () => {
  const read = (answer: { status?: number; body: unknown }) => {
    serveRoutes({ 'GET /api/sites': () => ({ body: [] }), 'POST /api/bundles': () => answer });
    mockPicked.mockResolvedValue(new File(['PK'], 'job.zip', { type: 'application/zip' }));
    const { screen } = renderWithStore(<NewJob />);
    fireEvent.click(screen.getByText('Read a whole job in (ZIP)'));
    return screen;
  };

  test('is opened at its record', async () => {
    read({ status: 201, body: { jobs: [{ id: 'b7', name: 'Loft' }] } });
    await waitFor(() =>
      expect(mockReplace).toHaveBeenCalledWith({ pathname: '/job/[id]/record', params: { id: 'b7' } }),
    );
  });

  test('that does not fit says what is wrong, and that nothing was changed', async () => {
    const detail = 'jobs/b7/record.json [2].link does not hold: the entry, or one before it, was changed';
    const screen = read({ status: 422, body: { status: 422, title: 'Not valid', detail } });
    expect(await screen.findByText(detail)).toBeTruthy();
    expect(screen.getByText('Nothing was changed')).toBeTruthy();
  });
});
