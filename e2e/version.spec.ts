/** The app changes its version under work that waits: the old one goes on, the new one takes the work over, nothing is lost. */
import type { IncomingMessage, Server } from 'node:http';
import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, installed, looseEnd, openNewJob, stud, ownTest as test } from './bench';

/** What a later build would differ by, as far as the worker can tell: the page, and the page's mark among what it holds. */
const LATER = '<meta name="later" content="yes">';
const later = (path: string, body: string): string =>
  path === '/sw.js'
    ? body.replace(/(url:"index\.html",revision:")\w+/, '$1later')
    : body.replace('<head>', `<head>${LATER}`);

const textOf = async (answer: IncomingMessage): Promise<string> =>
  Buffer.concat((await answer.toArray()) as Buffer[]).toString();

/** Stands before a server: gives out a later build of the app once it is told, and has no way to the data while it is cut. */
function front(upstream: string): { server: Server; isLater: boolean; isCut: boolean } {
  const { hostname, port, host } = new URL(upstream);
  const state = {
    isLater: false,
    isCut: false,
    server: createServer((asked, answer) => {
      const path = asked.url ?? '/';
      if (state.isCut && path.startsWith('/api/')) return void asked.socket.destroy();
      const headers = { ...asked.headers, host, 'accept-encoding': 'identity' };
      delete headers.origin;
      const isChanged = state.isLater && ['/', '/index.html', '/sw.js'].includes(path.split('?')[0]!);
      delete headers['if-none-match'];
      delete headers['if-modified-since'];
      const passed = request({ hostname, port, path, method: asked.method, headers }, (given) => {
        if (!isChanged) {
          answer.writeHead(given.statusCode ?? 502, given.headers);
          return void given.pipe(answer);
        }
        void textOf(given).then((body) => {
          const rest = { ...given.headers };
          delete rest['content-length'];
          delete rest.etag;
          answer.writeHead(given.statusCode ?? 502, rest);
          answer.end(later(path, body));
        });
      });
      passed.on('error', () => asked.socket.destroy());
      asked.pipe(passed);
    }),
  };
  return state;
}

test('a new version waits for the old one to be closed, and what waits to be sent goes over to it', async ({
  page,
  context,
  own,
}) => {
  const before = front(own.url);
  await new Promise<void>((resolve) => before.server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(before.server.address() as AddressInfo).port}`;
  await installed(page, url);
  const id = await openNewJob(page, { url, restart: own.up }, 'Versions');

  // Without signal a wire is lifted; a later build is out meanwhile.
  before.isCut = true;
  await stud(page, 'stat.G').click();
  await page.getByRole('button', { name: 'Lift the green conductor' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('link', { name: /Not sent yet: 1 thing/ })).toBeVisible();
  before.isLater = true;
  await page.evaluate(async () => {
    const registration = (await navigator.serviceWorker.getRegistration())!;
    await registration.update();
    while (!registration.waiting) await new Promise((resolve) => setTimeout(resolve, 50));
  });
  // The old one goes on as it was.
  await expect(looseEnd(page, 'statG')).toBeVisible();
  await page.reload();
  await expect(looseEnd(page, 'statG')).toBeVisible();
  await expect(page.locator('meta[name="later"]')).toHaveCount(0);
  await page.close();

  const next = await context.newPage();
  await expect(async () => {
    await next.goto(`${url}/job/${id}`);
    await expect(next.locator('meta[name="later"]')).toHaveCount(1, { timeout: 1000 });
  }).toPass();
  await expect(looseEnd(next, 'statG')).toBeVisible();
  await expect(next.getByRole('link', { name: /Not sent yet: 1 thing/ })).toBeVisible();
  before.isCut = false;
  await expect
    .poll(async () => {
      const answer = await next.request.get(`${own.url}/api/jobs/${id}`);
      return ((await answer.json()) as { revision: number }).revision;
    })
    .toBe(2);
  await next.close();
  before.server.closeAllConnections();
  before.server.close();
});
