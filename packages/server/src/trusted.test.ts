/** Host and Origin: status 421 by RFC 9110 15.5.20; which names are loopback by RFC 6761 and RFC 4291, from memory. */
import request from 'supertest';
import { makeTestServer } from './testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);

const JOB = { name: 'Hall', site: 'Quince orchard', template: 'boiler' };

test.each(['127.0.0.1:4310', 'localhost:4310', '[::1]:4310', 'localhost'])('%s is answered', async (host) => {
  await request(app).get('/api/health').set('Host', host).expect(200);
});

test.each([
  'example.org',
  'example.org:4310',
  '127.0.0.1.example.org',
  '192.168.1.20:4310',
  'localhost@example.org',
])('a page that calls this server %s gets nothing', async (host) => {
  const answer = await request(app).get('/api/jobs').set('Host', host).expect(421);
  expect(answer.type).toBe('application/problem+json');
  expect(JSON.stringify(answer.body)).not.toContain('Quince');
  await request(app).post('/api/jobs').set('Host', host).send(JOB).expect(421);
});

test.each(['http://example.org', 'http://127.0.0.1:9999', 'null', 'not an origin'])(
  'what comes from %s changes nothing',
  async (origin) => {
    const from = () => request(app).post('/api/jobs').set('Host', '127.0.0.1:4310').set('Origin', origin);
    await from().send(JOB).expect(403);
    const { body } = await request(app).get('/api/jobs').expect(200);
    expect(body).toEqual([]);
  },
);

test('what comes from its own page does', async () => {
  const own = request(app).post('/api/jobs').set('Host', '127.0.0.1:4310');
  await own.set('Origin', 'http://127.0.0.1:4310').send(JOB).expect(201);
});
