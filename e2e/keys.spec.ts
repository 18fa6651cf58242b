/** By keys and by ear: WCAG 2.2, 2.1.1, 2.1.4, 2.4.1 to 2.4.3, 2.4.7, 2.5.3, 4.1.3, and the keys the ARIA practices give a group. */
import type { Page } from '@playwright/test';
import { button, call, expect, openNewJob, status, stud, test } from './bench';
import { surveyFurnace } from './survey';

const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: at } = document;
    return at?.getAttribute('data-testid') ?? at?.getAttribute('aria-label') ?? at?.tagName ?? '';
  });

test('the loom is one stop with arrows inside; a link leads past the head', async ({ page, server }) => {
  await openNewJob(page, server, 'Stops');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('Tab');
  expect(await focused(page)).toBe('To the work');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  expect(await focused(page)).toMatch(/^Circuit/);
  // The meter comes before it.
  await page.keyboard.press('Shift+Tab');
  expect(await page.evaluate(() => document.activeElement?.closest('[aria-label^="Meter"]') !== null)).toBe(
    true,
  );
  await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowDown');
  const first = await focused(page);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowDown');
  expect(await focused(page)).not.toBe(first);
  expect(await focused(page)).toMatch(/^(stud|plate|About|chip)/);
  // Out of it in one step, not through every terminal.
  await page.keyboard.press('Tab');
  expect(await focused(page)).not.toMatch(/^(stud|plate)/);
});

test('on a wide screen a link leads to the circuit, past all that is beside it', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const id = await openNewJob(page, server, 'Beside');
  for (const place of ['', '/plan']) {
    await page.goto(`${server.url}/job/${id}${place}`);
    await expect(stud(page, 'board.R')).toHaveAccessibleName(/hot/);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    for (let press = 0; press < 12 && (await focused(page)) !== 'To the circuit'; press++)
      await page.keyboard.press('Tab');
    expect(await focused(page)).toBe('To the circuit');
    await page.keyboard.press('Enter');
    for (let press = 0; press < 8 && !/^Circuit:/.test(await focused(page)); press++)
      await page.keyboard.press('Tab');
    expect(await focused(page)).toMatch(/^Circuit:/);
  }
});

test('Enter follows a link, Space presses what it rests on, arrows go through a group', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await page
    .getByRole('link', { name: /^Open / })
    .first()
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Plan', exact: true })).toBeVisible();
  await openNewJob(page, server, 'Space');
  const float = page.getByRole('switch').first();
  const before = await float.getAttribute('aria-checked');
  await float.focus();
  await page.keyboard.press('Space');
  await expect(float).not.toHaveAttribute('aria-checked', before!);
  await button(page, 'Loom').focus();
  await page.keyboard.press('ArrowRight');
  expect(await focused(page)).toBe('Find');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  expect(await focused(page)).toBe('Readings log');
});

test('the focus goes to the question that comes next, never to the page', async ({ page, server }) => {
  const { id } = (await (
    await page.request.post(`${server.url}/api/jobs`, {
      data: { name: 'Asked', site: 'Quince orchard', survey: true },
    })
  ).json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
  const question = page.getByRole('heading', { level: 2 }).nth(1);
  const asked = await question.textContent();
  await button(page, 'Yes').focus();
  await page.keyboard.press('Enter');
  await expect(question).not.toHaveText(asked ?? '');
  expect(await page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
  expect(await page.locator('[aria-live="polite"]').filter({ hasText: /\?/ }).count()).toBeGreaterThan(0);
});

test('letters can be turned off; the title names place, view and job', async ({ page, server }) => {
  await openNewJob(page, server, 'Titles');
  await expect(page).toHaveTitle('Trace, Loom · Titles, Quince orchard');
  await page.keyboard.press('p');
  await expect(page).toHaveTitle('Trace, Path · Titles, Quince orchard');
  await expect(page.getByRole('heading', { name: 'Trace, Path', level: 2 })).toHaveCount(1);
  await page.goto(`${server.url}/settings`);
  await button(page, 'Single-letter keys on Trace: Off').click();
  await page.goBack();
  await expect(button(page, 'Path')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('l');
  await page.keyboard.press('c');
  await expect(button(page, 'Path')).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: 'Call: Cool' })).toHaveAttribute('aria-pressed', 'false');
});

test('the status is told when it changes, and not every second', async ({ page, server }) => {
  await openNewJob(page, server, 'Told');
  await call(page, 'Cool');
  await expect(status(page)).toContainText('held by the thermostat');
  const changes = await status(page).evaluate(async (element) => {
    let count = 0;
    const seen = new MutationObserver((all) => (count += all.length));
    seen.observe(element, { subtree: true, childList: true, characterData: true });
    await new Promise((resolve) => setTimeout(resolve, 4500));
    seen.disconnect();
    return count;
  });
  expect(changes).toBe(0);
  await page.getByRole('switch', { name: /^Pan float/ }).click();
  await expect(status(page)).toContainText(/float/i);
});

test('what is written on a button is in its name', async ({ page, server }) => {
  const id = await openNewJob(page, server, 'Names');
  const places = [
    '',
    '?view=find',
    '?view=ladder',
    '?view=path',
    '?view=time',
    '/plan',
    '/survey',
    '/record',
    '/wire?view=papers',
  ];
  for (const place of places) {
    await page.goto(`${server.url}/job/${id}${place}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForTimeout(500);
    const wrong = await page.evaluate(() => {
      const plain = (text: string) =>
        text
          .toLowerCase()
          .replace(/[^\p{L}\p{N}]+/gu, ' ')
          .trim();
      return Array.from(
        document.querySelectorAll<HTMLElement>('[role="button"][aria-label], [role="link"][aria-label]'),
      )
        .filter((one) => one.innerText.trim() !== '' && !one.closest('[data-testid="loom"]'))
        .map((one) => ({
          says: plain(one.innerText.split('\n')[0]!),
          name: plain(one.getAttribute('aria-label')!),
        }))
        .filter(({ says, name }) => !name.includes(says))
        .map(({ says, name }) => `${says} | ${name}`);
    });
    expect(wrong, place).toEqual([]);
  }
});

test('a ring of 3:1 shows where the focus is, and the page follows the theme', async ({ page, server }) => {
  await openNewJob(page, server, 'Ring');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  const ring = () =>
    page.evaluate(() => {
      const { outlineStyle, outlineWidth } = getComputedStyle(document.activeElement!);
      return `${outlineStyle} ${outlineWidth}`;
    });
  expect(await ring()).toBe('solid 3px');
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(() => page.evaluate(() => document.documentElement.style.colorScheme)).toBe('dark');
  const bar = page.locator('meta[name="theme-color"]').first();
  await expect(bar).toHaveAttribute('content', '#14191A');
});

test('surveyed to the last terminal it says so and where to go', async ({ page, server }) => {
  const { id } = (await (
    await page.request.post(`${server.url}/api/jobs`, {
      data: { name: 'Whole', site: 'Quince orchard', survey: true },
    })
  ).json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
  await surveyFurnace(page);
  const said = page.getByText(/^All \d+ terminals are recorded$/);
  await expect(said).toBeVisible();
  // Nothing there is an answer, and counts.
  const ends = page.getByRole('group', { name: 'Ends to record' }).getByRole('button');
  await ends.first().click();
  await page.getByRole('radio', { name: /^Thermostat G/ }).click();
  await button(page, 'Nothing').click();
  await expect(page.getByRole('radio', { name: 'Thermostat G, nothing there' })).toBeVisible();
  await expect(ends.first()).toContainText('5/5');
  await expect(said).toBeVisible();
  await button(page, 'See it live').click();
  await expect(stud(page, 'stat.R')).toBeVisible();
});
