/** The bench meter over HTTP, against the model of the circuit with the same fault. */
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { hypothesesOf, makeDictionary, remedyKey } from '@zygostat/core/diagnose';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import request from 'supertest';
import { makeTestServer } from '../testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);

const post = (path: string, body: object) => request(app).post(path).send(body);
const circuit = furnaceAirConditioner('Bench');
const hypotheses = hypothesesOf(circuit);
const dictionary = makeDictionary(circuit, hypotheses);

async function newJob(): Promise<string> {
  const { body } = await post('/api/jobs', { name: 'Bench', site: 'Tannery', circuit }).expect(201);
  return (body as { id: string }).id;
}

async function newMeter(more: object = {}): Promise<string> {
  const { body } = await post('/api/bench-meters', { job: await newJob(), noisy: false, ...more }).expect(
    201,
  );
  return (body as { id: string }).id;
}

/** What the stream says until so many readings have come. */
function streamed(id: string, readings: number): Promise<unknown[]> {
  return new Promise((resolve, reject) => {
    const server = app.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      const asked = httpRequest(
        { port, host: '127.0.0.1', path: `/api/bench-meters/${id}/stream` },
        (answer) => {
          expect(answer.headers['content-type']).toBe('text/event-stream');
          let text = '';
          answer.on('data', (chunk: Buffer) => {
            text += chunk.toString();
            const seen = [...text.matchAll(/^data: (.*)$/gm)].map(([, line]) => JSON.parse(line!) as unknown);
            if (seen.length < readings) return;
            asked.destroy();
            server.close();
            resolve(seen);
          });
        },
      );
      asked.on('error', (error) => (asked.destroyed ? undefined : reject(error)));
      asked.end();
    });
  });
}

/** Without a kind of meter, as the app sends it: of high impedance. */
const probes = { state: 'cool', mode: 'ac-volts', red: 'board.Y', black: 'board.C' };

test('a stream tells what the probes find, in the air and on the screws', async () => {
  const id = await newMeter({ faults: ['statY broken'] });
  expect(await streamed(id, 2)).toEqual([{ value: null }, { value: null }]);
  await request(app).put(`/api/bench-meters/${id}/probes`).send(probes).expect(204);
  const [{ value }] = (await streamed(id, 1)) as [{ value: number }];
  const broken = hypotheses.findIndex((one) => one.id === 'statY broken');
  const expected = dictionary.predict(broken, 'cool').read({
    mode: 'ac-volts',
    red: 'board.Y',
    black: 'board.C',
    meter: 'high-z',
  });
  expect(value).toBeCloseTo(expected.ok ? expected.value : NaN, 6);
});

test('ohms of an open loop are open, and on a live circuit misused', async () => {
  const id = await newMeter({ faults: ['contactor coil-open'] });
  const at = { ...probes, mode: 'ohms', red: 'contactor.A1', black: 'contactor.A2' };
  await request(app).put(`/api/bench-meters/${id}/probes`).send(at).expect(204);
  expect(await streamed(id, 1)).toEqual([{ value: 'misused' }]);
});

test('what is seen is told, and a repair is tried', async () => {
  const id = await newMeter({ faults: ['float tripped'] });
  const face = { type: 'face', state: 'cool', device: 'float' };
  const { body } = await post(`/api/bench-meters/${id}/observe`, face).expect(200);
  expect(body).toEqual({ observed: [{ type: 'face', state: 'cool', device: 'float', text: 'wet' }] });
  const of = (fault: string) => remedyKey(hypotheses.find((one) => one.id === fault)!.remedy);
  const repair = (remedy: string) => post(`/api/bench-meters/${id}/repair`, { remedy }).expect(200);
  expect((await repair(of('statY broken'))).body).toEqual({ sound: false });
  expect((await repair(of('float tripped'))).body).toEqual({ sound: true });
  const after = await post(`/api/bench-meters/${id}/observe`, face);
  expect(after.body).toEqual({ observed: [{ type: 'face', state: 'cool', device: 'float', text: 'dry' }] });
});

test('noise is the same for the same seed, and another for another', async () => {
  const read = async (seed: number) => {
    const id = await newMeter({ faults: ['statW broken'], seed, noisy: true });
    await request(app)
      .put(`/api/bench-meters/${id}/probes`)
      .send({ ...probes, red: 'board.R' });
    return ((await streamed(id, 1)) as [{ value: number }])[0].value;
  };
  expect(await read(7)).toBe(await read(7));
  expect(await read(7)).not.toBe(await read(8));
});

test.each([
  [{ faults: ['gremlins'] }, /faults There is no fault "gremlins"/],
  [{ faults: [] }, /faults must not be empty/],
  [{ seed: -1 }, /seed must be 0 or more/],
])('a meter that cannot be is refused: %j', async (given, problem) => {
  const { body } = await post('/api/bench-meters', { job: await newJob(), ...given }).expect(422);
  expect((body as { detail: string }).detail).toMatch(problem);
});

test('what cannot be asked names the field', async () => {
  const id = await newMeter();
  const put = (body: object) => request(app).put(`/api/bench-meters/${id}/probes`).send(body).expect(422);
  expect((await put({ ...probes, red: 'moon.R' })).body.detail).toMatch(/^red must name a terminal/);
  expect((await put({ ...probes, state: 'disco' })).body.detail).toMatch(/^state must be a call/);
  const ask = (body: object) => post(`/api/bench-meters/${id}/observe`, body).expect(422);
  expect((await ask({ type: 'look', device: 'moon' })).body.detail).toMatch(/^device must name a device/);
  expect((await ask({ type: 'wires', cable: 'moon' })).body.detail).toMatch(/^cable must name a cable/);
  expect((await ask({ type: 'guess' })).body.detail).toMatch(/type/);
  await request(app).delete(`/api/bench-meters/${id}`).expect(204);
  await post(`/api/bench-meters/${id}/observe`, { type: 'call', state: 'cool' }).expect(404);
});

test('confirmed faults are counted by class, each once, and forgotten on demand', async () => {
  const job = await newJob();
  const found = { id: 'one', name: 'contactor coil-open' };
  await post(`/api/jobs/${job}/found`, found).expect(201);
  await post(`/api/jobs/${job}/found`, found).expect(201);
  await post(`/api/jobs/${job}/found`, { id: 'two', name: 'broken' }).expect(201);
  const known = async () => (await request(app).get('/api/found').expect(200)).body as unknown;
  expect(await known()).toEqual({ counts: { 'contactor coil-open': 1, broken: 1 }, factors: {} });
  await post(`/api/jobs/${job}/found`, { id: 'three', name: '' }).expect(422);
  const say = (factor: number) => request(app).put('/api/found/factors').send({ name: 'broken', factor });
  await say(2).expect(200);
  expect(await known()).toMatchObject({ factors: { broken: 2 } });
  await say(1).expect(200);
  expect(await known()).toMatchObject({ factors: {} });
  expect((await say(0).expect(422)).body.detail).toMatch(/^factor must be at least 0.1/);
  await say(3).expect(200);
  await request(app).delete('/api/found').expect(200);
  expect(await known()).toEqual({ counts: {}, factors: {} });
});
