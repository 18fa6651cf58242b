/**
 * A call that starts at a blank thermostat and a red lamp, in an invented hall of several units: walked, mapped, the panel on
 * test, jackets taken apart, the loop moved, the panel walked through and taken off test. The order is common practice.
 */
import type { Page } from '@playwright/test';
import type { Server } from './bench';
import { expectAccessible } from './axe';
import { button, expect, status, stud, test } from './bench';
import { lookAt } from './hall';
import { workDown } from './landing';

const tab = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();

/** A site of its own for a test: the demo's hall, as it was found. */
async function openHall(page: Page, server: Server, site: string): Promise<void> {
  const api = page.request;
  const jobs = (await (await api.get(`${server.url}/api/jobs`)).json()) as Record<string, string>[];
  const demo = jobs.find(({ name, site: at }) => name === 'Assembly room' && at === 'Lamplighters’ Hall')!;
  const { circuit } = (await (await api.get(`${server.url}/api/jobs/${demo.id}`)).json()) as {
    circuit: object;
  };
  const made = await api.post(`${server.url}/api/jobs`, { data: { name: 'Assembly room', site, circuit } });
  const { id, siteId } = (await made.json()) as { id: string; siteId: string };
  const { building } = (await (await api.get(`${server.url}/api/sites/${demo.siteId}/building`)).json()) as {
    building: object;
  };
  await api.put(`${server.url}/api/sites/${siteId}/building`, { data: { base: 0, building } });
  await page.goto(`${server.url}/job/${id}`);
  await expect(stud(page, 'controller.R')).toHaveAccessibleName(/hot/);
}

/** Holds a device on Trace as its surroundings, or a hand, do. */
async function hold(page: Page, device: string, ...choices: string[]): Promise<void> {
  await page.getByTestId(`plate-${device}`).first().click();
  for (const choice of choices) await button(page, choice).click();
  await button(page, 'Close').click();
}

/** Turns the station's key and lets it go. */
async function askFromStation(page: Page): Promise<void> {
  const key = page.getByTestId('plate-station').first();
  await key.click();
  await expect(key).toHaveAccessibleName(/red$|green$/);
  await page.waitForTimeout(500);
  await key.click();
}

async function panelStep(page: Page, title: string, who: string): Promise<void> {
  const card = page.getByRole('region', { name: 'With the panel' });
  await expect(card.getByRole('heading', { name: title, exact: true })).toBeVisible();
  await card.getByRole('textbox').first().fill(who);
  await button(page, `Done: ${title}`).click();
  await expect(card.getByRole('heading', { name: title, exact: true })).toHaveCount(0);
}

const panel = (page: Page) => page.getByRole('region', { name: 'Fire panel', exact: true });
const toPanel = async (page: Page) => {
  await tab(page, 'Record');
  await button(page, 'Panel').click();
};

test('the whole story of two tied detectors, one of them wet', async ({ page, server }) => {
  await openHall(page, server, 'Cooper’s Hall');

  // A blank thermostat and a red lamp: water in the detector on the roof, told by the one it is tied to.
  await hold(page, 'smoke', 'Housing: Water in it');
  await expect(page.getByTestId('plate-station').first()).toHaveAccessibleName(/red$/);
  await expect(status(page)).toContainText(/Thermostat is blank|Detector in the duct/);

  // The walk: everything looked at before anything is reset.
  await page.getByRole('link', { name: /to the site/ }).click();
  await expect(status(page)).toContainText('Reset nothing yet: 5 units or detectors');
  await lookAt(page, 'Assembly room thermostat', 'Its screen: Blank');
  await lookAt(page, 'Stage thermostat', 'Its screen: On');
  await lookAt(page, 'Station by the cloakroom', 'Its lamp: Red');
  for (const unit of ['RTU 1', 'RTU 2', 'RTU 3'])
    await lookAt(
      page,
      unit,
      'Its own display: No trip',
      `Belt: ${unit === 'RTU 3' ? 'Off or slack' : 'On and tight'}`,
      'Motor: Turns freely',
      'Coil: Clean',
      'Frost: None',
      'Drain: Runs',
    );
  const says = page.getByRole('list', { name: 'What it says' });
  await expect(says).toContainText('RTU 1 shows no trip: not that unit holds it; look at Detector above');
  await expect(says).toContainText('RTU 3: belt off or slack.');
  await lookAt(
    page,
    'Detector above the ceiling',
    'Its housing: Sound and dry',
    'Caps of its tubes: Off',
    'Its lamp: Red',
  );
  await lookAt(
    page,
    'Detector in RTU 1',
    'Its housing: Wet',
    'Caps of its tubes: Still on',
    'Its lamp: Red',
    'On the panel’s loop: It is not',
  );
  await expect(status(page)).toContainText('Every unit and detector was looked at.');
  await expect(says).toContainText('Water in Detector in RTU 1: that is a cause');
  await expect(says).toContainText('Detector in RTU 1 was never commissioned');
  await expect(says).toContainText('Detector above the ceiling was left in the duct');
  await lookAt(page, 'Kitchen hood', 'It runs: All the time');
  await lookAt(page, 'Make-up fan', 'It runs: Not');
  await lookAt(page, 'RTU 1 outdoor air', 'It runs: On auto');
  await button(page, 'Air').click();
  await expect(page.getByRole('heading', { name: /under pressure/ })).toBeVisible();
  await expect(page.getByText(/doors pull, traps dry out/)).toBeVisible();

  // What hangs on what, as it is found.
  await button(page, 'Map').click();
  const map = page.getByRole('list', { name: 'Map' });
  await lookAt(page, 'Station by the cloakroom', 'Hangs on: Detector above the ceiling');
  await lookAt(page, 'Assembly room thermostat', 'Its circuit passes through: Detector above the ceiling');
  await expect(map.getByRole('listitem').first()).toContainText('Assembly room thermostat');
  await expectAccessible(page);

  // Monitoring, on test, the building's contact; only then hands go to it.
  await button(page, 'Jobs').last().click();
  await page.getByRole('link', { name: 'Open Assembly room' }).click();
  await toPanel(page);
  await expect(panel(page)).toContainText('Fire panel: alarm');
  await expect(panel(page)).toContainText('An alarm went out while it was in service');
  await expect(button(page, 'Reset')).toBeDisabled();
  await expect(button(page, 'Take off Loop from the panel')).toBeDisabled();
  await panelStep(page, 'Call the monitoring company', 'Operator 41');
  await panelStep(page, 'Have the panel put on test', 'Operator 41');
  await expect(page.getByRole('link', { name: /Panel on test, 3:59:\d\d left/ })).toBeVisible();
  await expect(panel(page)).toContainText(/on test until/);
  await panelStep(page, 'Tell the building’s contact', 'Ines, porter');
  // Whoever leaves the job still sees it.
  await button(page, 'Back to jobs').click();
  await expect(page.getByRole('region', { name: 'On test' })).toContainText(
    'Fire panel on test: Cooper’s Hall',
  );
  await page.getByRole('link', { name: 'Open Assembly room, Cooper’s Hall' }).click();

  // The cause first: dried, then reset where it was.
  await tab(page, 'Trace');
  await hold(page, 'smoke', 'Housing: Sound and dry', 'Button at it: Reset', 'Button at it: Not pressed');
  await expect(page.getByTestId('plate-station').first()).toHaveAccessibleName(/green$/);
  await toPanel(page);
  await expect(panel(page)).toContainText('Fire panel: alarm');
  await button(page, 'Reset').click();
  await expect(panel(page)).toContainText('Fire panel: normal');

  // Jacket by jacket.
  const jackets = page.getByRole('region', { name: 'Jackets' });
  const off = async (cable: string, what: string, agrees: RegExp) => {
    await button(page, `Take off ${cable}`).click();
    await expect(page.getByRole('link', { name: /jacket \d off/ })).toBeVisible();
    await button(page, `What went with it: ${what}`).click();
    await expect(jackets).toContainText(agrees);
  };
  await off('Loop from the panel', 'The panel’s loop', /As recorded: Fire panel loop/);
  await expect(jackets).toContainText(
    'The panel no longer hears Detector in the unit and Detector in the duct.',
  );
  await expect(panel(page)).toContainText('Fire panel: trouble');
  await expectAccessible(page);
  await button(page, 'Put it back as it was').click();
  await expect(panel(page)).toContainText('Fire panel: normal');
  await off('Thermostat hold', 'The station', /the record is wrong, or the look was/);
  await button(page, 'What went with it: The thermostat').click();
  await expect(jackets).toContainText(/As recorded: .*Thermostat/);
  await button(page, 'Put it back as it was').click();
  await expect(jackets).toContainText('the thermostat’s circuit');

  // The loop and the station over to the detector in the unit, and wired.
  await button(page, 'Away from: Detector in the duct').click();
  await button(page, 'Plan the move').click();
  const ways = page.getByRole('list', { name: 'Ways to move it' });
  await expect(ways).toContainText('Detector supply is used again.');
  await expect(ways).toContainText('marked at both ends before it is pulled');
  await button(page, 'Take this plan: Take the old one out: bring its loop and station over').click();
  await workDown(page);

  // The panel's walk: alarm from the station, reset, trouble, normal; and off test.
  await tab(page, 'Trace');
  await askFromStation(page);
  await toPanel(page);
  await expect(page.getByText('The panel shows alarm, as it should.')).toBeVisible();
  await panelStep(page, 'Alarm', 'Operator 41');
  await tab(page, 'Trace');
  await askFromStation(page);
  await toPanel(page);
  await button(page, 'Reset').click();
  await expect(page.getByText('The panel shows normal, as it should.')).toBeVisible();
  await panelStep(page, 'Reset', 'Operator 41');
  await tab(page, 'Trace');
  await stud(page, 'eol.1').click();
  await button(page, 'Lift the brown conductor').click();
  await button(page, 'Close').click();
  await toPanel(page);
  await expect(page.getByText('The panel shows trouble, as it should.')).toBeVisible();
  await panelStep(page, 'Trouble', 'Operator 41');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('The panel shows normal, as it should.')).toBeVisible();
  await panelStep(page, 'Normal', 'Operator 41');
  await button(page, 'Open').click();
  await expect(button(page, 'Finish the job')).toBeDisabled();
  await expect(page.getByText(/The fire panel is on test until/)).toBeVisible();
  await button(page, 'Panel').click();
  await panelStep(page, 'Have it taken off test', 'Operator 41');
  await expect(page.getByRole('link', { name: /Panel on test/ })).toHaveCount(0);
  await expect(panel(page)).toContainText('in service');
  await button(page, 'Open').click();
  await button(page, 'Finish the job').click();
  await expect(page.getByText('The job is finished. A new entry opens it again.')).toBeVisible();
});

test('what the panel tells comes again after the server was gone', async ({ page, server }) => {
  await openHall(page, server, 'Weighbridge');
  await toPanel(page);
  await expect(panel(page)).toContainText('Fire panel: normal');
  await server.restart();
  await tab(page, 'Trace');
  await hold(page, 'ductSmoke', 'Air in the duct: Smoke');
  await toPanel(page);
  await expect(panel(page)).toContainText('Fire panel: alarm');
});
