/** Whoever tries the door: with a cookie that was taken, an old code, guesses, from another page or under another name. */
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Page } from '@playwright/test';
import { chromium, expect } from '@playwright/test';
import { button, test as open } from './bench';
import { HEADLESS } from './chromium';
import { SECRET, another, codeFrom, joinBy, signedInLongAgo, test as crewed } from './crew';

const isShut = (page: Page) =>
  expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible();

crewed(
  'a cookie that was taken is worth nothing once its device is signed out',
  async ({ page, browser, crew }) => {
    await joinBy(page, crew.first, 'Ansa');
    const theirs = await another(browser);
    await joinBy(theirs, await codeFrom(page, crew.url), 'Sol');
    const thief = await another(browser);
    await thief.context().addCookies(await theirs.context().cookies());
    // Until it is known it works: a cookie is all a session is.
    await thief.goto(crew.url);
    await expect(thief.getByRole('link', { name: /^Open / }).first()).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: /^Sign out .* of Sol$/ }).click();
    await expect(page.getByRole('button', { name: /^Sign out .* of Sol$/ })).toHaveCount(0);
    await thief.reload();
    await isShut(thief);
    expect((await thief.request.get(`${crew.url}/api/jobs`)).status()).toBe(401);
  },
);

crewed('a code that is too old is refused, and says so', async ({ page, browser, crew }) => {
  await joinBy(page, crew.first, 'Ansa');
  const address = await codeFrom(page, crew.url);
  // A quarter of an hour passes.
  const db = new Database(join(crew.data, 'zygostat.sqlite'));
  db.prepare('update invitations set expires_at = ? where used_at is null').run(Date.now() - 1000);
  db.close();
  const late = await another(browser);
  await late.goto(address);
  await late.getByLabel('Your name').fill('Rue');
  await late.getByLabel('A password').fill(SECRET);
  await button(late, 'Join').click();
  await expect(late.getByRole('alert')).toContainText('This code is not good');
});

crewed('guessing is stopped, and is told for how long', async ({ page, browser, crew }) => {
  await joinBy(page, crew.first, 'Ansa');
  const guesser = await another(browser);
  await guesser.goto(crew.url);
  await isShut(guesser);
  const answers: number[] = [];
  for (let tries = 0; tries < 11; tries++) {
    const answered = guesser.waitForResponse((response) => response.request().method() === 'POST');
    await guesser.getByLabel('Name').fill('Ansa');
    await guesser.getByLabel('Password').fill(tries < 10 ? `four dry copper leaves ${tries}` : SECRET);
    await button(guesser, 'Sign in').click();
    answers.push((await answered).status());
  }
  // The right one then, too.
  expect(answers.slice(0, 10).every((status) => status === 401)).toBe(true);
  expect(answers[10]).toBe(429);
  await expect(guesser.getByRole('alert')).toContainText('Wait a quarter of an hour');
  await isShut(guesser);
});

crewed('a passkey of this device opens the door without a password', async ({ page, crew }) => {
  // A passkey belongs to a name, not to a number.
  const url = crew.url.replace('127.0.0.1', 'localhost');
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await joinBy(page, crew.first.replace('127.0.0.1', 'localhost'), 'Ansa');
  await page.goto(`${url}/crew`);
  await button(page, 'Sign in with this device from now on (passkey)').click();
  await expect(page.getByText(/^Passkey of /)).toBeVisible();
  await button(page, 'Sign out on this device').click();
  await isShut(page);
  await page.getByLabel('Name').fill('Ansa');
  await button(page, /passkey/i).click();
  await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toHaveCount(0);
  // And it is proof enough for what only whoever leads may do.
  await page.goto(`${url}/crew`);
  signedInLongAgo(crew);
  await button(page, 'Make a code to join').click();
  await button(page, 'Go on with this device’s passkey').click();
  await expect(page.getByText(/^Good once, for 15 minutes/)).toBeVisible();
});

open('a page of another origin reads nothing and changes nothing', async ({ page, server }) => {
  const jobs = async () =>
    ((await (await page.request.get(`${server.url}/api/jobs`)).json()) as unknown[]).length;
  const before = await jobs();
  const elsewhere = createServer((_request, response) => {
    response.setHeader('Content-Type', 'text/html');
    response.end('<!doctype html><title>Elsewhere</title>');
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => elsewhere.once('listening', resolve));
  await page.goto(`http://127.0.0.1:${(elsewhere.address() as AddressInfo).port}/`);
  const told = await page.evaluate(async (url) => {
    const body = JSON.stringify({ name: 'Planted', site: 'Elsewhere', template: 'furnace-ac' });
    const asked = (init: RequestInit) =>
      fetch(`${url}/api/jobs`, init).then(
        (answer) => `${answer.type} ${answer.status}`,
        () => 'kept from it',
      );
    return [
      await asked({}),
      await asked({ method: 'POST', body, headers: { 'Content-Type': 'application/json' } }),
      // As a form of old sends it, which asks nobody first: what comes back may not be read.
      await asked({ method: 'POST', body, mode: 'no-cors', headers: { 'Content-Type': 'text/plain' } }),
    ];
  }, server.url);
  elsewhere.close();
  expect(told).toEqual(['kept from it', 'kept from it', expect.stringMatching(/^opaque|kept/)]);
  expect(await jobs()).toBe(before);
});

open('a name that was turned to this machine gets nothing', async ({ server }) => {
  const { port } = new URL(server.url);
  const browser = await chromium.launch({
    ...HEADLESS,
    args: [...HEADLESS.args, '--host-resolver-rules=MAP rebound.example 127.0.0.1'],
  });
  const page = await browser.newPage();
  const answer = await page.goto(`http://rebound.example:${port}/api/jobs`);
  expect(answer!.status()).toBe(421);
  expect(await page.content()).not.toContain('Quince');
  await browser.close();
});
