/** The run between the halves of a ductless unit: two conductors crossed, refused before power, put right and tried. */
import type { Page } from '@playwright/test';
import type { Server } from './bench';
import { expectAccessible } from './axe';
import { button, call, expect, move, status, test } from './bench';
import { workDown } from './landing';

/** A job with a ductless unit, opened on Trace. */
async function openUnit(page: Page, server: Server, name: string): Promise<void> {
  const answer = await page.request.post(`${server.url}/api/jobs`, {
    data: { name, site: 'Quince orchard', template: 'ductless' },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}`);
  await expect(status(page)).toContainText('Both halves have their supply, no call');
}

test('two crossed conductors are refused before power, and put right', async ({ page, server }) => {
  test.slow();
  await openUnit(page, server, 'Loft');
  await move(page, 'indoor.1', 'indoor.3', 'brown');
  await move(page, 'indoor.3', 'indoor.1', 'black');
  await expect(status(page)).toContainText(/Mains went through the signal side of .*it is burnt/);

  await page.getByRole('link', { name: 'Plan' }).click();
  await button(page, 'Halves').click();
  await button(page, 'Check and plan the run').click();
  const refused = page.getByRole('alert').filter({ hasText: 'do not power it' });
  await expect(refused).toContainText('Mains goes through the signal at Indoor unit 3: its board burns.');
  const lines = page.getByRole('list', { name: 'Number to number' });
  await expect(lines).toContainText('Move it from Indoor unit 3 to Indoor unit 1.');
  await expect(page.getByText('The supply comes in at Outdoor unit: begin there')).toBeVisible();
  await expect(page.getByRole('list', { name: 'After power' })).toContainText('230 V a.c., the supply');
  await expect(page.getByRole('list', { name: 'Landed otherwise at Indoor unit' })).toContainText(
    'Of 24 ways to land them there one is right.',
  );
  await expect(
    page.getByText(/^Line voltage: in most places this run is work for who is licensed/),
  ).toBeVisible();
  await expectAccessible(page);

  await button(page, 'Take this plan: number to number').click();
  const steps = await workDown(page);
  expect(steps[0]).toMatch(/^Open .*Unit breaker.* lock it/);
  const dead = steps.filter((text) => text.startsWith('Prove'));
  expect(dead.map((text) => /^Prove (.*) dead, (.*):/.exec(text)!.slice(1).join(' '))).toEqual([
    'outdoor unit L to N',
    'outdoor unit L to PE',
    'outdoor unit 3 to PE',
    'indoor unit 1 to 2',
    'indoor unit 1 to PE',
    'indoor unit 3 to PE',
  ]);
  expect(steps.filter((text) => text.startsWith('Move'))).toHaveLength(2);

  // What burnt while it was tried crossed stays burnt until it has a new board.
  await page.getByRole('link', { name: 'Trace' }).click();
  await expect(status(page)).toContainText('it is burnt');
  for (const half of ['indoor', 'outdoor']) {
    await page.getByTestId(`plate-${half}-line`).first().click();
    await button(page, 'Board: A new one').click();
    await button(page, 'Close').click();
  }
  await call(page, 'Cool');
  await expect(status(page)).toContainText('Cooling: indoor fan and outdoor compressor on');
});
