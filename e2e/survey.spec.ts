import { expect, openNewJob, status, stud, test } from './bench';
import type { Server } from './bench';
import type { Page } from '@playwright/test';
import { colourButton, surveyFurnace } from './survey';

async function startSurvey(page: Page, server: Server, name: string): Promise<string> {
  const answer = await page.request.post(`${server.url}/api/jobs`, {
    data: { name, site: 'Quince orchard', survey: true },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}/survey`);
  await expect(page.getByRole('heading', { name: 'Is it a line-voltage thermostat?' })).toBeVisible();
  return id;
}

test(
  'a plain furnace with air conditioner is surveyed in 25 taps and under two minutes, and is live',
  { tag: '@wide' },
  async ({ page, server }) => {
    const id = await startSurvey(page, server, 'Taps');
    expect(await surveyFurnace(page)).toBeLessThanOrEqual(25);
    await expect(page.getByRole('list', { name: 'Findings' })).toHaveCount(0);
    await page.getByRole('link', { name: 'Trace' }).click();
    await expect(status(page)).toContainText('24 V present, no call');
    await expect(stud(page, 'stat.R')).toHaveAccessibleName(/hot/);
    await expect
      .poll(
        async () =>
          ((await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as { system: string })
            .system,
      )
      .toBe('Furnace with air conditioner');
  },
);

test('a survey left half-way goes on where it was', async ({ page, server }) => {
  const id = await startSurvey(page, server, 'Half');
  for (const answer of ['No', 'Yes', 'Yes', 'Yes']) {
    await page.getByRole('button', { name: answer, exact: true }).click();
  }
  await expect(page.getByRole('button', { name: 'Take back: C at the thermostat' })).toBeVisible();
  await expect
    .poll(async () =>
      JSON.stringify(await (await page.request.get(`${server.url}/api/jobs/${id}/survey`)).json()),
    )
    .toContain('outdoorUnit');
  await page.goto(server.url);
  await page.goto(`${server.url}/job/${id}/survey`);
  await expect(page.getByRole('button', { name: 'Take back: a burner' })).toBeVisible();
  await page.getByRole('button', { name: 'Use Furnace with air conditioner', exact: true }).click();
  await colourButton(page, 'red').click();
  await expect(page.getByRole('radio', { name: 'Thermostat R, red' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Thermostat R, red' })).toBeVisible();
});

test('what contradicts is named, and nothing is lost by it', async ({ page, server }) => {
  await startSurvey(page, server, 'Contradictory');
  const heading = page.getByRole('heading', { level: 2 }).nth(1);
  await page.getByRole('button', { name: 'Yes', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('nothing here is 24 V');
  await page.getByRole('button', { name: 'Take back: a line-voltage thermostat' }).click();
  await page.getByRole('button', { name: 'No', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  for (let i = 0; i < 12 && !(await page.getByRole('alert').isVisible()); i++) {
    const question = await heading.textContent();
    if (question === 'What it is likely to be') break;
    await page.getByRole('button', { name: 'Yes', exact: true }).click();
    await expect(heading).not.toHaveText(question!);
  }
  await expect(page.getByRole('alert')).toContainText('No system known here fits everything');
});

test(
  'record and circuit are one: a wire moved on Trace shows, and a wrong set-up is named',
  { tag: '@wide' },
  async ({ page, server }) => {
    const id = await openNewJob(page, server, 'Linked', 'heat-pump');
    await stud(page, 'board.Y').click();
    await page.getByRole('button', { name: 'Lift the yellow conductor' }).first().click();
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('link', { name: 'Survey' }).click();
    await expect(page.getByRole('list', { name: 'Findings' })).toContainText(
      'landed nowhere or not yet seen',
    );
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('list', { name: 'Findings' })).toHaveCount(0);
    await page.goto(`${server.url}/job/${id}`);
    await page.getByTestId('plate-stat').first().click();
    await page.getByRole('button', { name: 'System type: Conventional' }).click();
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('link', { name: 'Survey' }).click();
    await expect(page.getByRole('list', { name: 'Findings' })).toContainText(
      'A wire on OB at Thermostat, but it is set conventional',
    );
  },
);

test('a photograph is kept, pinned and taken away; a file that is none is refused', async ({
  page,
  server,
}) => {
  await openNewJob(page, server, 'Photographed');
  await page.getByRole('link', { name: 'Survey' }).click();
  await page.getByRole('button', { name: 'Photos' }).click();
  const choose = async (name: string, mimeType: string, buffer: Buffer) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Photograph Hall' }).click(),
    ]);
    await chooser.setFiles({ name, mimeType, buffer });
  };
  await choose('notes.jpg', 'image/jpeg', Buffer.from('these are only words'));
  await expect(page.getByRole('alert')).toContainText('must be a JPEG, PNG or WebP picture');
  await choose('huge.jpg', 'image/jpeg', Buffer.alloc(30 * 1024 * 1024));
  await expect(page.getByRole('alert')).toContainText('at most 15 MB');
  await choose('strip.png', 'image/png', await page.screenshot());
  await page.getByRole('button', { name: /Open photograph 1 of Hall, 0 pins/ }).click();
  await page.getByTestId('photo').click({ position: { x: 60, y: 60 } });
  await page.getByRole('button', { name: 'Thermostat R', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Take away the pin on Thermostat R' })).toBeVisible();
  await page.getByRole('button', { name: 'Delete this photograph' }).click();
  await expect(page.getByRole('button', { name: /Open photograph/ })).toHaveCount(0);
});

test('settings change units and symbols and stay', async ({ page, server }) => {
  await page.goto(`${server.url}/settings`);
  await page.getByRole('button', { name: 'Temperatures: °C' }).click();
  await page.getByRole('button', { name: 'Lengths: Metres' }).click();
  await page.getByRole('button', { name: /Ladder symbols: Blades/ }).click();
  await page.reload();
  for (const name of ['Temperatures: °C', 'Lengths: Metres', /Ladder symbols: Blades/])
    await expect(page.getByRole('button', { name })).toHaveAttribute('aria-pressed', 'true');
  await openNewJob(page, server, 'Metric');
  await expect(page.getByRole('button', { name: 'Change temperatures and set point' })).toContainText('°C');
});
