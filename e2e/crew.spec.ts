/** A crew on one server: the first joins by the terminal's code, another by a code of theirs; a device that is lost is out. */
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { expectAccessible } from './axe';
import { button, looseEnd } from './bench';
import { SECRET, another, codeFrom, joinBy, signInBy, signedInLongAgo, test } from './crew';

test('two people join, write under their names, and a lost telephone is signed out', async ({
  page,
  browser,
  crew,
}) => {
  // Nothing without sign-in, and the first thing seen says what to do.
  await page.goto(crew.url);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await expect(page.getByText(/Nobody is here yet/)).toBeVisible();
  await expectAccessible(page, 'sign in');

  // A password that is too short is told by its field, and the code is still good.
  await page.goto(crew.first);
  await page.getByLabel('Your name').fill('Ansa');
  await page.getByLabel('A password').fill('short');
  await button(page, 'Join').click();
  await expect(page.getByRole('alert')).toContainText('Password must have 12 characters or more');
  await expectAccessible(page, 'join');
  await joinBy(page, crew.first, 'Ansa');

  await button(page, 'Settings').click();
  await button(page, 'Crew: who works here').click();
  await button(page, 'Make a code to join').click();
  const invitation = page.getByRole('region', { name: 'One more' }).getByText(/\/join#/);
  const address = await invitation.innerText();
  await expectAccessible(page, 'crew');

  const theirs = await another(browser);
  await joinBy(theirs, address, 'Sol');
  await theirs
    .getByRole('link', { name: /^Open / })
    .first()
    .click();
  await theirs.getByRole('link', { name: 'Record' }).click();
  await expect(theirs.getByText('Written by Sol')).toBeVisible();
  // What Sol changes of the wiring is Sol's, for whoever looks.
  await theirs.getByRole('link', { name: 'Trace', exact: true }).click();
  await theirs.getByTestId('stud-stat.G').click();
  await button(theirs, 'Lift the green conductor').click();
  await button(theirs, 'Close').click();
  await button(theirs, 'Notes, theme and files').click();
  await button(theirs, 'Revisions: who changed what').click();
  await expect(theirs.getByRole('list', { name: 'Revisions' }).getByRole('listitem').first()).toContainText(
    /^2 · .*Sol · [A-Z][a-z]+ \d/,
  );
  await button(theirs, 'Close').click();

  // The code was good once.
  const late = await another(browser);
  await late.goto(address);
  await late.getByLabel('Your name').fill('Rue');
  await late.getByLabel('A password').fill(SECRET);
  await button(late, 'Join').click();
  await expect(late.getByRole('alert')).toContainText('This code is not good');

  // Sol's telephone is lost: signed out here, it is out there, and forgets what it kept for days without signal.
  const answers = () =>
    theirs.evaluate(async () => (await (await caches.open('zygostat-answers')).keys()).length);
  await theirs.evaluate(async () => {
    const cache = await caches.open('zygostat-answers');
    await cache.put('/api/jobs', Response.json([{ name: 'Of the crew' }]));
  });
  expect(await answers()).toBeGreaterThan(0);
  await page.reload();
  await page.getByRole('button', { name: /^Sign out .* of Sol$/ }).click();
  await expect(page.getByRole('button', { name: /^Sign out .* of Sol$/ })).toHaveCount(0);
  await theirs.reload();
  await expect(theirs.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await expect.poll(answers).toBe(0);
  await theirs.getByLabel('Name').fill('Sol');
  await theirs.getByLabel('Password').fill(SECRET);
  await button(theirs, 'Sign in').click();
  await expect(theirs.getByRole('heading', { name: 'Sign in' })).toHaveCount(0);
});

test('two on one job see who else is there, and what the other lifts, without asking', async ({
  page,
  browser,
  crew,
}) => {
  await joinBy(page, crew.first, 'Ansa Quill');
  const address = await codeFrom(page, crew.url);
  const theirs = await another(browser);
  await joinBy(theirs, address, 'Sol');
  const [job] = (await (await page.request.get(`${crew.url}/api/jobs`)).json()) as { id: string }[];
  await theirs.goto(`${crew.url}/job/${job!.id}`);
  await page.goto(`${crew.url}/job/${job!.id}`);
  const loose = looseEnd(theirs, 'statG');
  await expect(theirs.getByTestId('stud-stat.R')).toHaveAccessibleName(/hot/);
  await expect(loose).toHaveCount(0);
  await expect(theirs.getByRole('img', { name: 'Also here: Ansa Quill' })).toHaveText('AQ');
  await expect(page.getByRole('img', { name: 'Also here: Sol' })).toHaveText('S');
  await page.getByTestId('stud-stat.G').click();
  await button(page, 'Lift the green conductor').click();
  await expect(loose).toBeVisible();
  await page.close();
  await expect(theirs.getByRole('img', { name: /^Also here/ })).toHaveCount(0);
});

test('whoever leads sees a person off, asked twice, and their device is out', async ({
  page,
  browser,
  crew,
}) => {
  await joinBy(page, crew.first, 'Ansa');
  await page.goto(`${crew.url}/crew`);
  await button(page, 'Who joins: Reads').click();
  await button(page, 'Make a code to join').click();
  const address = await page
    .getByRole('region', { name: 'One more' })
    .getByText(/\/join#/)
    .innerText();
  const theirs = await another(browser);
  await joinBy(theirs, address, 'Rue');
  // Who reads may look at everything and begin nothing.
  await theirs.goto(`${crew.url}/new`);
  await theirs.getByTestId('new-site').fill('Quince orchard');
  await theirs.getByTestId('new-name').fill('Attic');
  await button(theirs, /^(Begin|Make|Create|Start)/)
    .last()
    .click();
  await expect(theirs.getByText(/Rue may read here, and change nothing/)).toBeVisible();

  await page.reload();
  await button(page, 'Rue is no longer of the crew').click();
  await button(page, 'Rue stays').click();
  // Signed in for a while: whoever holds the device says that it is them, and what they were about to do is done.
  signedInLongAgo(crew);
  await button(page, 'Rue is no longer of the crew').click();
  await button(page, 'Rue leaves').click();
  const asked = page.getByRole('dialog', { name: 'Is it you?' });
  await expectAccessible(page, 'proving that it is oneself');
  await asked.getByLabel('Your password').fill('another long one');
  await button(page, 'It is me: go on').click();
  await expect(asked.getByRole('alert')).toContainText('Your password is another one');
  await asked.getByLabel('Your password').fill(SECRET);
  await button(page, 'It is me: go on').click();
  await expect(page.getByText('Role of Rue')).toHaveCount(0);
  await theirs.goto(crew.url);
  await expect(theirs.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

test('a password shows how soon it is guessed, and another device that signs in is told of', async ({
  page,
  browser,
  crew,
}) => {
  await page.goto(crew.first);
  await page.getByLabel('Your name').fill('Ansa');
  const meter = page.getByRole('meter', { name: 'Strength of the password' });
  await page.getByLabel('A password').fill('password1234');
  await expect(meter).toHaveAttribute('aria-valuetext', 'Guessed soon');
  await expectAccessible(page, 'strength');
  await page.getByLabel('A password').fill(SECRET);
  await expect(meter).toHaveAttribute('aria-valuetext', 'Very good');
  await button(page, 'Join').click();
  await expect(page.getByRole('heading', { name: 'Zygostat' })).toBeVisible();

  const other = await another(browser);
  await signInBy(other, crew.url, 'Ansa');

  await page.reload();
  const news = page.getByRole('region', { name: 'News of your sign-in' });
  await expect(news).toContainText(/was signed in under your name/);
  await expectAccessible(page, 'news of the door');
  await button(page, 'That was me').click();
  await expect(news).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('link', { name: /^Open / }).first()).toBeVisible();
  await expect(news).toHaveCount(0);
});

test('a device let in by a password alone leads once a code of another one shows that it is theirs; a forgotten password is no end', async ({
  page,
  browser,
  crew,
}) => {
  await joinBy(page, crew.first, 'Ansa');
  const sol = await another(browser);
  await joinBy(sol, await codeFrom(page, crew.url), 'Sol');
  const other = await another(browser);
  await signInBy(other, crew.url, 'Ansa');
  await other.goto(`${crew.url}/crew`);
  await expect(other.getByText('Let in by a password alone: it leads nobody')).toBeVisible();
  await button(other, 'A code: new device, forgotten password, for Sol').click();
  const asked = other.getByRole('dialog', { name: 'Is this device yours?' });
  await expectAccessible(other, 'whose device it is');
  await asked.getByLabel('Code').fill('23456 789AB');
  await button(other, 'It is mine: go on').click();
  await expect(asked.getByRole('alert')).toContainText('This code is not good');

  /** A code as it stands there to be read out. */
  const readOut = (from: Page, region: string) =>
    from
      .getByRole('region', { name: region })
      .getByText(/^[2-9A-HJ-NP-Z]{5} [2-9A-HJ-NP-Z]{5}$/)
      .innerText();
  await page.goto(`${crew.url}/crew`);
  await button(page, 'A code for another device of mine').click();
  await asked.getByLabel('Code').fill(await readOut(page, 'Signed in'));
  await button(other, 'It is mine: go on').click();
  // What they were about to do is done, and the device is theirs.
  const forSol = await readOut(other, 'People');
  await expect(other.getByText('Let in by a password alone: it leads nobody')).toHaveCount(0);
  await page.goto(crew.url);
  await expect(page.getByRole('region', { name: 'News of your sign-in' })).toContainText(
    'is known as yours now',
  );

  // Sol forgot their password: the code takes another one, and what knew the old one is out.
  const fresh = await another(browser);
  await fresh.goto(`${crew.url}/join`);
  await fresh.getByLabel('Code').fill(forSol);
  await fresh.getByLabel('Your name').fill('Rue');
  await fresh.getByLabel('A password').fill('seven dry tin kettles');
  await button(fresh, 'Join').click();
  await expect(fresh.getByRole('alert')).toContainText('Name is not that of whoever this code was made for');
  await fresh.getByLabel('Your name').fill('Sol');
  await button(fresh, 'Join').click();
  await expect(fresh.getByRole('heading', { name: 'Zygostat' })).toBeVisible();
  await sol.reload();
  await expect(sol.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});
