/**
 * A job as one file, out of one server and into another. The ZIP is read by yauzl, the CSV by csv-parse (RFC 4180): neither
 * is what writes them.
 */
import type { OutgoingHttpHeaders } from 'node:http';
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { parse } from 'csv-parse/sync';
import { eq } from 'drizzle-orm';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import request from 'supertest';
import { fromBuffer } from 'yauzl';
import { putIn } from '../db/bundle';
import { pruneHalfTaken } from '../db/prune';
import { photos } from '../db/schema';
import { makeTestServer, refusalOf } from '../testing/server';
import { readBundle } from './read';

const [one, other] = [makeTestServer(), makeTestServer()];
afterAll(() => [one, other].forEach(({ stop }) => stop()));

const from = (server: typeof one) => request(server.app);

/** The files of a ZIP by name, as another library reads them; it checks every CRC. */
const read = (zip: Buffer): Promise<Map<string, Buffer>> =>
  new Promise((resolve, reject) => {
    fromBuffer(zip, { lazyEntries: true }, (error, file) => {
      if (error) return reject(error);
      const found = new Map<string, Buffer>();
      file.on('entry', (entry: { fileName: string }) => {
        if (entry.fileName.endsWith('/')) return file.readEntry();
        file.openReadStream(entry as never, (failed, stream) => {
          if (failed) return reject(failed);
          const chunks: Buffer[] = [];
          stream.on('data', (chunk: Buffer) => chunks.push(chunk));
          stream.on('end', () => {
            found.set(entry.fileName, Buffer.concat(chunks));
            file.readEntry();
          });
        });
      });
      file.on('end', () => resolve(found));
      file.readEntry();
    });
  });

async function bundleOf(server: typeof one, path: string): Promise<Buffer> {
  const { body } = await from(server).get(path).responseType('blob').expect(200);
  return body as Buffer;
}

const put = (server: typeof one, bundle: Uint8Array) =>
  from(server).post('/api/bundles').set('Content-Type', 'application/zip').send(Buffer.from(bundle));

/** A job with a photograph, a reading, a survey and a record. */
async function makeJob(): Promise<string> {
  const made = await from(one)
    .post('/api/jobs')
    .send({ name: 'Loft "A", east', site: 'Walnut row', template: 'furnace-ac' })
    .expect(201);
  const { id } = made.body as { id: string };
  const picture = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#845' } })
    .png()
    .toBuffer();
  await from(one)
    .post(`/api/jobs/${id}/photos?station=plant`)
    .set('Content-Type', 'image/png')
    .send(picture)
    .expect(201);
  await from(one)
    .post(`/api/jobs/${id}/readings`)
    .send({
      id: 'reading-one',
      revision: 1,
      mode: 'ac-volts',
      meter: 'high-z',
      red: 'board.R',
      black: 'board.C',
      expected: 26.4,
      actual: 25.9,
      situation: 'Cool, "far", 2nd',
    })
    .expect(201);
  const body = {
    type: 'bypassed',
    bypass: 'b1',
    device: 'float',
    why: 'Part on order',
    until: '2026-12-01T08:00:00Z',
    watch: 'Sol',
  };
  await from(one)
    .post(`/api/jobs/${id}/record`)
    .send({ id: `e-${id}`, at: '2026-11-27T09:00:00Z', by: 'Sol', body })
    .expect(201);
  return id;
}

let id = '';
let bundle: Buffer;
beforeAll(async () => {
  id = await makeJob();
  bundle = await bundleOf(one, `/api/jobs/${id}/bundle.zip`);
});

test('another library reads it: JSON, CSV, SVG and the photograph', async () => {
  const files = await read(bundle);
  const names = [...files.keys()].map((name) => name.replace(`jobs/${id}/`, ''));
  for (const name of ['manifest.json', 'job.json', 'revisions.json', 'record.json', 'wires.csv', 'loom.svg'])
    expect(names).toContain(name);
  expect(names.filter((name) => /^photographs\/[\w-]+\.jpg$/.test(name))).toHaveLength(1);
  const rows = parse(files.get(`jobs/${id}/readings.csv`)!, {
    columns: true,
    record_delimiter: '\r\n',
  }) as Record<string, string>[];
  expect(rows).toEqual([
    expect.objectContaining({ red: 'board.R', actual: '25.9', situation: 'Cool, "far", 2nd' }),
  ]);
  const wires = parse(files.get(`jobs/${id}/wires.csv`)!, {
    columns: true,
    record_delimiter: '\r\n',
  }) as Record<string, string>[];
  expect(wires.find(({ conductor }) => conductor === 'statY')).toMatchObject({
    colour: 'YE',
    from: 'stat.Y',
    to: 'board.Y',
  });
});

test('goes into another server and comes out of it the same, to the byte', async () => {
  await put(other, bundle).expect(201, { jobs: [{ id, name: 'Loft "A", east' }] });
  const [before, after] = await Promise.all([
    read(bundle),
    bundleOf(other, `/api/jobs/${id}/bundle.zip`).then(read),
  ]);
  before.delete('manifest.json');
  after.delete('manifest.json');
  expect([...after.keys()].sort()).toEqual([...before.keys()].sort());
  for (const [name, bytes] of before) expect([name, bytes.equals(after.get(name)!)]).toEqual([name, true]);
  // What is bypassed is seen there too, and its chain goes on.
  expect((await from(other).get('/api/bypasses').expect(200)).body).toEqual([
    expect.objectContaining({ job: id, label: 'Pan float' }),
  ]);
  await from(other)
    .post(`/api/jobs/${id}/record`)
    .send({ id: 'further', at: '2026-11-28T09:00:00Z', by: 'Ada', body: { type: 'note', text: 'Part came' } })
    .expect(201);
});

test('what was brought in is marked so, and what it says was done is not done here', async () => {
  const far = makeTestServer();
  const made = await request(far.app)
    .post('/api/jobs')
    .send({ name: 'Elsewhere', site: 'Far mill', template: 'furnace-ac' })
    .expect(201);
  const { id: theirs } = made.body as { id: string };
  const bodies = [
    {
      type: 'bypassed',
      bypass: 'x1',
      device: 'float',
      why: 'x',
      until: '2026-12-01T08:00:00Z',
      watch: 'Ann',
    },
    { type: 'tested', test: 'trip float', title: 'Float', outcome: 'as-it-should', text: '', until: null },
    { type: 'restored', bypass: 'x1', proof: 'tripped', text: 'All safeties proven' },
    { type: 'finished', text: 'All safeties proven' },
  ];
  for (const [i, entry] of bodies.entries())
    await request(far.app)
      .post(`/api/jobs/${theirs}/record`)
      .send({ id: `far-${i}`, at: '2026-11-27T09:00:00Z', by: 'Ann', body: entry })
      .expect(201);
  const answer = await request(far.app)
    .get(`/api/jobs/${theirs}/bundle.zip`)
    .responseType('blob')
    .expect(200);
  await put(other, answer.body as Buffer).expect(201);
  far.stop();
  const { body: job } = await from(other).get(`/api/jobs/${theirs}`).expect(200);
  expect(job).toMatchObject({ state: 'open', broughtBy: '' });
  const { body: entries } = await from(other).get(`/api/jobs/${theirs}/record`).expect(200);
  expect((entries as { broughtBy: string }[]).map(({ broughtBy }) => broughtBy)).toEqual(['', '', '', '']);
  // The bypass counts as in: nobody here saw it out.
  const { body: bypasses } = await from(other).get('/api/bypasses').expect(200);
  expect(bypasses).toContainEqual(expect.objectContaining({ job: theirs, label: 'Pan float' }));
  await from(other).patch(`/api/jobs/${theirs}`).send({ state: 'done' }).expect(422);
  const { text } = await from(other).get(`/api/jobs/${theirs}/report.md`).expect(200);
  expect(text).toMatch(/brought in from a file/);
  expect(text).toMatch(/Ann \\\(brought in from a file\\\)|Ann \(brought in from a file\)/);
  expect(text).not.toMatch(/Every protection|work is finished/);
  // Nor does the customer read of it as done.
  expect(text.slice(0, text.indexOf('## For the next'))).not.toMatch(/proven|in service again/);
});

test('a site goes as one file', async () => {
  const { body: sites } = await from(one).get('/api/sites').expect(200);
  const site = (sites as { id: string; name: string }[]).find(({ name }) => name === 'Walnut row')!;
  const files = await read(await bundleOf(one, `/api/sites/${site.id}/bundle.zip`));
  expect(JSON.parse(files.get('manifest.json')!.toString())).toMatchObject({ jobs: [id] });
});

/** What is answered to the head of a bundle, before any of its body comes. */
function answered(headers: OutgoingHttpHeaders): Promise<number | undefined> {
  const server = one.app.listen(0);
  const { port } = server.address() as AddressInfo;
  return new Promise((resolve, reject) => {
    const asked = httpRequest(
      {
        port,
        method: 'POST',
        path: '/api/bundles',
        headers: { 'Content-Type': 'application/zip', ...headers },
      },
      ({ statusCode }) => {
        resolve(statusCode);
        asked.destroy();
        server.close();
      },
    );
    asked.on('error', reject);
    asked.flushHeaders();
  });
}

describe('is refused, and nothing is changed', () => {
  /** The bundle with one file otherwise. */
  const spoilt = (name: string, change: (text: string) => string | null): Uint8Array => {
    const files = new Map(Object.entries(unzipSync(new Uint8Array(bundle))));
    const path = name === 'manifest.json' ? name : `jobs/${id}/${name}`;
    const changed = change(Buffer.from(files.get(path)!).toString());
    if (changed === null) files.delete(path);
    else files.set(path, strToU8(changed));
    return zipSync(Object.fromEntries(files));
  };

  test.each<[string, string, (text: string) => string | null, RegExp]>([
    [
      'an entry changed by hand',
      'record.json',
      (text) => text.replace('Part on order', 'No reason'),
      /link does not hold/,
    ],
    ['a file left out', 'record.json', () => null, /record\.json is missing/],
    [
      'another format',
      'manifest.json',
      (text) => text.replace('zygostat-bundle', 'else'),
      /format must be zygostat-bundle/,
    ],
    [
      'a circuit that is none',
      'revisions.json',
      (text) => text.replace('"furnace-board"', '"toaster"'),
      /circuit\.devices.*kind/,
    ],
    [
      'a reading without its unit',
      'readings.json',
      (text) => text.replace(/ *"unit": "V",\n/, ''),
      /unit is required/,
    ],
    [
      'a time that is none',
      'job.json',
      (text) => text.replace(/"createdAt": "[^"]+"/, '"createdAt": "soon"'),
      /createdAt must be an ISO time/,
    ],
    ['JSON that is none', 'documents.json', () => '[', /documents\.json is not valid JSON/],
  ])('%s', async (_what, name, change, told) => {
    const { body } = await put(other, spoilt(name, change)).expect(422);
    expect((body as { detail: string }).detail).toMatch(told);
  });

  test('a job that is here already, and what is no ZIP', async () => {
    const { body } = await put(one, bundle).expect(409);
    expect(body).toMatchObject({ jobs: [id] });
    await put(one, strToU8('hello')).expect(422);
    await from(one).post('/api/bundles').send({}).expect(415);
    expect(await answered({ 'Content-Length': 300_000_000 })).toBe(413);
    expect(await answered({ 'Transfer-Encoding': 'chunked' })).toBe(411);
    await from(one).get('/api/jobs/none/bundle.zip').expect(404);
  });

  test('what is here already under another job; the pictures that came before it are gone again', async () => {
    const stranger = makeTestServer();
    const count = () => stranger.db.select({ id: photos.id }).from(photos).all().length;
    await put(stranger, bundle).expect(201);
    // Another job of the same entries, its picture under an id of its own.
    const files = Object.entries(unzipSync(new Uint8Array(bundle))).map(([name, bytes]) => [
      name.replace(id, 'other-job').replace(/photographs\/[\w-]+\.jpg$/, 'photographs/other-photo.jpg'),
      /\.json$/.test(name) && !/record/.test(name)
        ? strToU8(strFromU8(bytes).replaceAll(id, 'other-job'))
        : bytes,
    ]);
    const named = Object.fromEntries(files) as Record<string, Uint8Array>;
    const list = JSON.parse(strFromU8(named['jobs/other-job/photographs.json']!)) as object[];
    named['jobs/other-job/photographs.json'] = strToU8(
      JSON.stringify(list.map((row) => ({ ...row, id: 'other-photo' }))),
    );
    const { body } = await put(stranger, zipSync(named)).expect(409);
    expect((body as { detail: string }).detail).toMatch(/already under another job/);
    expect(count()).toBe(1);
    expect(stranger.db.get('pragma foreign_keys')).toMatchObject({ foreign_keys: 1 });
    stranger.stop();
  });

  test('what a try before it left, cut short by its time, is in nobody’s way', async () => {
    const stranger = makeTestServer();
    const here = () => stranger.db.select({ jobId: photos.jobId }).from(photos).all();
    const [row] = one.db.select().from(photos).where(eq(photos.jobId, id)).all();
    const half = (values: Partial<typeof row>) => {
      stranger.db.run('pragma foreign_keys = OFF');
      stranger.db
        .insert(photos)
        .values({ ...row!, ...values })
        .run();
      stranger.db.run('pragma foreign_keys = ON');
    };
    half({});
    half({ id: 'of-another', jobId: 'never-came' });
    await put(stranger, bundle).expect(201);
    expect(here()).toEqual([{ jobId: id }]);
    await from(stranger).get(`/api/jobs/${id}/photos/${row!.id}`).expect(200);

    half({ id: 'of-another', jobId: 'never-came' });
    pruneHalfTaken(stranger.db);
    expect(here()).toEqual([{ jobId: id }]);
    stranger.stop();
  });

  test('a job that came to be while its bundle was read; its pictures go with it', async () => {
    const stranger = makeTestServer();
    const stored = await readBundle(bundle);
    putIn(
      stranger.db,
      stored.map((job) => ({ ...job, photographs: [] })),
      'Sol',
    );
    expect(refusalOf(() => putIn(stranger.db, stored, 'Ann'))).toMatch(/UNIQUE constraint/);
    expect(stranger.db.select().from(photos).all()).toEqual([]);
    stranger.stop();
  });
});
