/** What is tapped is no smaller than a gloved thumb, and keeps its distance: 44 px, and 8 px between what lies side by side. */
import type { Page } from '@playwright/test';
import { bypassFloat, expect, openNewJob, ownTest, test } from './bench';

const LEAST = 44;
const APART = 8;
/** Rounding of laid out boxes, px. */
const ROUND = 0.6;

/** What is too small or too near on the page as it stands; the drawing keeps its own measures, and the bar of places is one. */
const wrongTargets = (page: Page) =>
  page.evaluate(
    ([least, apart, round]) => {
      const all = Array.from(
        document.querySelectorAll<HTMLElement>(
          '[role="button"], [role="link"], [role="radio"], [role="checkbox"], [role="switch"], input, textarea',
        ),
      ).filter((one) => {
        if (one.closest('[data-testid="loom"], [role="navigation"], [aria-hidden="true"]')) return false;
        const { width, height } = one.getBoundingClientRect();
        return width > 1 && height > 1 && getComputedStyle(one).opacity !== '0';
      });
      const boxes = all.map((one) => {
        // A field is tapped anywhere in the frame around it.
        const box = one.matches('input, textarea') ? (one.parentElement?.parentElement ?? one) : one;
        const { left, top, right, bottom } = box.getBoundingClientRect();
        return { name: one.getAttribute('aria-label') ?? one.tagName, one, left, top, right, bottom };
      });
      const small = boxes
        .filter((box) => box.right - box.left < least - round || box.bottom - box.top < least - round)
        .map(
          (box) => `${box.name}: ${Math.round(box.right - box.left)} by ${Math.round(box.bottom - box.top)}`,
        );
      // What is scrolled away can be tapped only as far as it is seen.
      const seen = boxes.flatMap((box) => {
        let { top, bottom } = box;
        for (let around = box.one.parentElement; around; around = around.parentElement)
          if (getComputedStyle(around).overflowY !== 'visible') {
            const edge = around.getBoundingClientRect();
            [top, bottom] = [Math.max(top, edge.top), Math.min(bottom, edge.bottom)];
          }
        return bottom - top > 1 ? [{ ...box, top, bottom }] : [];
      });
      const near = seen.flatMap((a, i) =>
        seen.slice(i + 1).flatMap((b) => {
          if (a.one.contains(b.one) || b.one.contains(a.one)) return [];
          const x = Math.max(a.left, b.left) - Math.min(a.right, b.right);
          const y = Math.max(a.top, b.top) - Math.min(a.bottom, b.bottom);
          const beside = x >= 0 && x < apart - round && y < 0;
          const below = y >= 0 && y < apart - round && x < 0;
          return beside || below ? [`${a.name} and ${b.name}: ${Math.round(Math.max(x, y))}`] : [];
        }),
      );
      return [...small, ...near];
    },
    [LEAST, APART, ROUND] as const,
  );

const VIEWS = [
  '',
  '?view=find',
  '?view=path',
  '?view=time',
  '?view=readings',
  '/survey',
  '/plan?view=swap',
  '/plan?view=add',
  '/plan?view=sums',
  '/wire?view=papers',
  '/record',
];

for (const width of [390, 320])
  test(`targets of a job at ${width} px`, async ({ page, server }) => {
    await page.setViewportSize({ width, height: 844 });
    const id = await openNewJob(page, server, 'Targets', 'furnace-ac', 'stat.R');
    const wrong: string[] = [];
    for (const view of VIEWS) {
      await page.goto(`${server.url}/job/${id}${view}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.waitForTimeout(600);
      wrong.push(...(await wrongTargets(page)).map((one) => `${view}: ${one}`));
      // Nothing is wider than the page.
      expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(
        width,
      );
    }
    expect([...new Set(wrong)]).toEqual([]);
  });

ownTest('targets outside of a job', async ({ page, own }) => {
  // What is tapped on the first screen besides: two bypasses, each a target beside the other.
  for (const name of ['Attic', 'Barn']) {
    const job = { name, site: name, template: 'furnace-ac' };
    const made = await page.request.post(`${own.url}/api/jobs`, { data: job });
    const { id } = (await made.json()) as { id: string };
    await bypassFloat(page, `${own.url}/api/jobs/${id}/record`);
  }
  const wrong: string[] = [];
  for (const path of ['/', '/new', '/settings', '/outbox']) {
    await page.goto(own.url + path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForTimeout(600);
    wrong.push(...(await wrongTargets(page)).map((one) => `${path}: ${one}`));
  }
  expect(wrong).toEqual([]);
});
