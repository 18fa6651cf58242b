/** What only the device itself can do: stay awake, buzz, speak, take a photograph, offer figures. Noted here, for there is none. */
import type { Page } from '@playwright/test';
import { button, call, expect, openNewJob, test } from './bench';
import { takeBatteryPlan } from './landing';

/** The device as the browser offers it, writing down what it was asked for; one voice of its own, one that needs a network. */
function noteWhatIsAsked(): void {
  const notes: string[] = [];
  const note = (text: string) => notes.push(text);
  const voice = (name: string, localService: boolean) => ({ name, localService, lang: 'en-GB' });
  class Utterance {
    voice = { name: 'nobody' };
    constructor(public text: string) {}
  }
  const speech = Object.assign(new EventTarget(), {
    getVoices: () => [voice('far', false), voice('own', true)],
    speak: (spoken: Utterance) => note(`${spoken.voice.name}: ${spoken.text}`),
    cancel: () => undefined,
  });
  const lock = {
    request: (kind: string) => {
      note(`awake: ${kind}`);
      return Promise.resolve({ release: () => Promise.resolve(note('may sleep')) });
    },
  };
  Object.assign(window, { notes, SpeechSynthesisUtterance: Utterance });
  Object.defineProperty(window, 'speechSynthesis', { value: speech });
  Object.defineProperty(navigator, 'vibrate', { value: (ms: number) => note(`buzz: ${String(ms)} ms`) > 0 });
  Object.defineProperty(navigator, 'wakeLock', { value: lock });
  Object.defineProperty(HTMLInputElement.prototype, 'capture', {
    set: (which: string) => note(`camera: ${which}`),
  });
}

const notes = (page: Page, about: string) =>
  page.evaluate((start) => {
    const { notes: all } = window as unknown as { notes: string[] };
    return all.filter((one) => one.startsWith(start));
  }, about);

async function chooseSetting(page: Page, url: string, answer: RegExp): Promise<void> {
  await page.goto(`${url}/settings`);
  await button(page, answer).click();
  await expect(button(page, answer)).toHaveAttribute('aria-pressed', 'true');
}

const step = (page: Page) => page.getByRole('region', { name: 'Next step' });

test.beforeEach(({ page }) => page.addInitScript(noteWhatIsAsked));

test('steps are read aloud by a voice of the device, with done and again for an elbow', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Aloud', 'furnace-ac-no-c');
  await takeBatteryPlan(page);
  const title = step(page).getByRole('heading', { level: 2 });
  await expect(title).toHaveText(/^Open .* lock it/);
  expect(await notes(page, 'own:'), 'nobody speaks unasked').toEqual([]);
  await button(page, 'Read the steps aloud').click();
  await expect.poll(async () => (await notes(page, 'own:')).length).toBe(1);
  expect((await notes(page, 'own:'))[0]).toContain(await title.textContent());
  const again = page.getByRole('button', { name: 'Again: read it once more' });
  await again.click();
  await expect.poll(async () => (await notes(page, 'own:')).length).toBe(2);
  for (const large of [again, page.getByRole('button', { name: 'Done: on to the next' })])
    expect((await large.boundingBox())!.height).toBeGreaterThanOrEqual(88);
  await expect(step(page).getByRole('button', { name: /^Done/ }), 'one of them, the large one').toHaveCount(
    1,
  );
  await page.getByRole('button', { name: 'Done: on to the next' }).click();
  await expect(title).toHaveText(/^Prove .* dead/);
  await expect.poll(async () => (await notes(page, 'own:')).at(-1)).toMatch(/Prove .* dead/);
  await expect(step(page).getByLabel('Reading, V'), 'a pad of figures').toHaveAttribute(
    'inputmode',
    'decimal',
  );
  await button(page, 'Read no more').click();
  await expect(button(page, 'Read the steps aloud')).toBeVisible();
  expect(await notes(page, 'far:'), 'what needs a network never speaks').toEqual([]);
});

test('a short buzz when something is done, until it is not wanted', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Felt', 'furnace-ac-no-c');
  await takeBatteryPlan(page);
  await expect.poll(async () => (await notes(page, 'buzz')).length).toBeGreaterThan(0);
  await chooseSetting(page, server.url, /^A short buzz .*: No$/);
  await page.goto(`${server.url}/job/${id}/wire`);
  await step(page).getByRole('button', { name: 'Done' }).first().click();
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText(/^Prove .* dead/);
  expect(await notes(page, 'buzz')).toEqual([]);
});

test('the screen stays awake while a job is open, for who asked for it', async ({ page, server }) => {
  await openNewJob(page, server, 'Asleep');
  expect(await notes(page, 'awake')).toEqual([]);
  await chooseSetting(page, server.url, /^Screen while a job is open: Stays awake$/);
  await openNewJob(page, server, 'Awake');
  await expect.poll(() => notes(page, 'awake')).toEqual(['awake: screen']);
  await button(page, 'Back to jobs').click();
  await expect.poll(() => notes(page, 'may sleep')).toEqual(['may sleep']);
});

test('heat called on a hot day is asked about, and one tap brings the season', async ({ page, server }) => {
  await openNewJob(page, server, 'Season');
  const asked = page.getByText(/^Heat is called at .* outdoors/);
  await call(page, 'Cool');
  await expect(asked).toHaveCount(0);
  await call(page, 'Heat');
  await expect(asked).toBeVisible();
  await page.getByTestId('conditions').click();
  await page.getByRole('button', { name: /Winter/ }).click();
  await button(page, 'Close').click();
  await expect(asked).toHaveCount(0);
});

test('a photograph for the log opens the camera, and no folder', async ({ page, server }) => {
  await openNewJob(page, server, 'Seen', 'rooftop', 'stat.R');
  await page.getByRole('link', { name: 'Record' }).click();
  await button(page, 'Log').click();
  await button(page, 'Photograph it').click();
  await Promise.all([page.waitForEvent('filechooser'), button(page, 'Of which place: Roof').click()]);
  expect(await notes(page, 'camera')).toEqual(['camera: environment']);
});
