/** The exported app as it is served: what may be cached, what must not be, and where deep links go. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import request from 'supertest';
import { ALONE } from './crew/reach';
import { makeTestServer } from './testing/server';

const web = mkdtempSync(join(tmpdir(), 'web-'));
mkdirSync(join(web, '_expo/static'), { recursive: true });
writeFileSync(join(web, 'index.html'), '<!doctype html><title>Page</title>');
writeFileSync(join(web, 'icon.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
writeFileSync(join(web, '_expo/static/entry-abc123.js'), `console.log("${'x'.repeat(4000)}")`);
const LARGE = `console.log("${'y'.repeat(4000)}")`;
const SMALL = brotliCompressSync(LARGE);
writeFileSync(join(web, '_expo/static/large-abc123.js'), LARGE);
writeFileSync(join(web, '_expo/static/large-abc123.js.br'), SMALL);
const { app, stop } = makeTestServer({ web });

afterAll(() => {
  stop();
  rmSync(web, { recursive: true });
});

test('hashed files are cached for ever and sent compressed', async () => {
  const answer = await request(app)
    .get('/_expo/static/entry-abc123.js')
    .set('Accept-Encoding', 'gzip')
    .expect(200);
  expect(answer.headers['cache-control']).toBe('public, max-age=31536000, immutable');
  expect(answer.headers['content-encoding']).toBe('gzip');
});

test('what the build compressed goes out as it lies there, where the browser takes it', async () => {
  const path = '/_expo/static/large-abc123.js';
  const asked = (encodings: string) => request(app).get(path).set('Accept-Encoding', encodings).expect(200);
  const small = await asked('gzip, deflate, br');
  expect(small.headers['content-encoding']).toBe('br');
  expect(small.headers['content-length']).toBe(String(SMALL.length));
  expect(small.headers['content-type']).toMatch(/javascript/);
  expect(small.headers['cache-control']).toBe('public, max-age=31536000, immutable');
  expect(small.headers.vary).toContain('Accept-Encoding');
  const plain = await asked('identity');
  expect(plain.headers['content-encoding']).toBeUndefined();
  expect(plain.text).toBe(LARGE);
});

test('the page is fresh each time, for every deep link', async () => {
  for (const path of ['/', '/new', '/job/abc', '/no/such/place']) {
    const answer = await request(app).get(path).set('Accept', 'text/html').expect(200);
    expect(answer.text).toContain('<title>Page</title>');
    expect(answer.headers['cache-control']).toBe('no-cache');
  }
});

test('the policy lets nothing in from elsewhere', async () => {
  const policy = String(
    (await request(app).get('/').set('Accept', 'text/html')).headers['content-security-policy'],
  );
  expect(policy).toContain("default-src 'self'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toMatch(/unsafe-eval|https?:|\*/);
});

test('types are not guessed, no other site is told where one came from, and HTTPS is insisted on where it is trusted', async () => {
  const headersOf = async (served: typeof app) =>
    (await request(served).get('/').set('Accept', 'text/html')).headers as Record<string, string>;
  const alone = await headersOf(app);
  expect(alone['x-content-type-options']).toBe('nosniff');
  expect(alone['referrer-policy']).toBe('no-referrer');
  expect(alone['x-powered-by']).toBeUndefined();
  // A certificate made here is taken by hand: a browser told to insist could not be let past it any more.
  expect(alone['strict-transport-security']).toBeUndefined();
  const behind = makeTestServer({
    web,
    reach: { ...ALONE, transport: { type: 'proxy', address: '127.0.0.1' } },
  });
  expect((await headersOf(behind.app))['strict-transport-security']).toMatch(/max-age=\d{7,}/);
  behind.stop();
});

test('a missing file is not the page, and nothing outside the folder is served', async () => {
  await request(app)
    .get('/_expo/static/entry-gone.js')
    .expect((answer) => expect(answer.status).toBeGreaterThanOrEqual(400));
  const answer = await request(app).get('/..%2f..%2fetc/passwd');
  expect(answer.text).not.toContain('root:');
});

test('the API is not shadowed by the page', async () => {
  await request(app)
    .get('/api/nothing')
    .set('Accept', 'text/html')
    .expect(404)
    .expect('Content-Type', /problem\+json/);
});
