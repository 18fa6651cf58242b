/**
 * The room that is left for the work, on windows of five kinds: held upright, sideways, and zoomed.
 * Reflow and orientation: WCAG 2.2 success criteria 1.4.10 (320 by 256 CSS px, which is 1280 by 1024 at 400 %) and 1.3.4.
 */
import type { Page } from '@playwright/test';
import { expect, openNewJob, test } from './bench';

/** Upright, a phone gives the circuit this share of its height while nothing is probed. */
const SHARE = 0.6;
/** Least part of the work that can be seen at once elsewhere, px: a row of blocks with its conductors. */
const LEAST = 150;

/** What can be seen of an element: its box cut by the window and by whatever scrolls around it. */
const seen = (page: Page, testId: string) =>
  page.getByTestId(testId).evaluate((element) => {
    let { top, bottom } = element.getBoundingClientRect();
    for (let at = element.parentElement; at; at = at.parentElement) {
      if (getComputedStyle(at).overflowY === 'visible') continue;
      const box = at.getBoundingClientRect();
      [top, bottom] = [Math.max(top, box.top), Math.min(bottom, box.bottom)];
    }
    return Math.max(0, Math.min(bottom, innerHeight) - Math.max(top, 0));
  });

test('an upright phone gives the circuit six tenths at rest', async ({ page, server }) => {
  await openNewJob(page, server, 'Room', 'furnace-ac', 'stat.R');
  expect(await seen(page, 'loom')).toBeGreaterThanOrEqual(844 * SHARE);
});

const WINDOWS = [
  { width: 844, height: 390 },
  { width: 740, height: 360 },
  { width: 640, height: 400 },
  { width: 640, height: 480 },
  { width: 320, height: 640 },
  { width: 320, height: 256 },
];

for (const size of WINDOWS)
  test(`room for the circuit at ${size.width} by ${size.height}`, async ({ page, server }) => {
    await page.setViewportSize(size);
    await openNewJob(page, server, 'Room', 'furnace-ac', 'stat.R');
    await page.getByTestId('stud-stat.C').scrollIntoViewIfNeeded();
    await page.getByTestId('loom').evaluate((loom) => loom.scrollIntoView({ block: 'start' }));
    expect(await seen(page, 'loom')).toBeGreaterThanOrEqual(LEAST);
    // Every way to other places can be brought into view and is not cut.
    for (const name of ['Survey', 'Plan', 'Wire', 'Trace', 'Record']) {
      const link = page.getByRole('link', { name, exact: true });
      await link.scrollIntoViewIfNeeded();
      const box = (await link.boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(size.width);
      expect(box.y + box.height).toBeLessThanOrEqual(size.height + 1);
      expect(box.height).toBeGreaterThanOrEqual(44);
    }
    // Nothing is wider than the window.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
  });
