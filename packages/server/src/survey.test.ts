import { EMPTY_SURVEY } from '@zygostat/core/survey';
import sharp from 'sharp';
import request from 'supertest';
import { makeTestServer } from './testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);

const api = () => request(app);
const newJob = async (source: object = { template: 'furnace-ac' }) =>
  (
    (
      await api()
        .post('/api/jobs')
        .send({ name: 'Loft', site: 'Orchard barn', ...source })
        .expect(201)
    ).body as { id: string }
  ).id;

describe('surveys', () => {
  test('begin empty, are saved, and name the job’s system', async () => {
    const id = await newJob({ survey: true });
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({
      system: 'To be surveyed',
      circuit: { devices: [] },
    });
    expect((await api().get(`/api/jobs/${id}/survey`).expect(200)).body).toEqual({
      number: 0,
      survey: EMPTY_SURVEY,
    });
    const survey = { ...EMPTY_SURVEY, answers: { burner: 'yes' }, system: 'boiler' };
    await api().put(`/api/jobs/${id}/survey`).send({ base: 0, survey }).expect(200);
    expect((await api().get(`/api/jobs/${id}/survey`)).body).toEqual({ number: 1, survey });
    expect((await api().get(`/api/jobs/${id}`)).body).toMatchObject({ system: 'Boiler, two wires' });
  });

  test('never overwrite another tab’s', async () => {
    const id = await newJob();
    await api().put(`/api/jobs/${id}/survey`).send({ base: 0, survey: EMPTY_SURVEY }).expect(200);
    const second = await api()
      .put(`/api/jobs/${id}/survey`)
      .send({ base: 0, survey: EMPTY_SURVEY })
      .expect(409);
    expect(second.body).toMatchObject({ latest: 1 });
  });

  test.each([
    ['of another shape', { base: 0, survey: { version: 1 } }, /survey\.answers/],
    ['of an unknown system', { base: 0, survey: { ...EMPTY_SURVEY, system: 'toaster' } }, /survey\.system/],
    ['with no base', { survey: EMPTY_SURVEY }, /base is required/],
  ])('%s are refused, naming the field', async (_what, body, detail) => {
    const answer = await api()
      .put(`/api/jobs/${await newJob()}/survey`)
      .send(body)
      .expect(422);
    expect((answer.body as { detail: string }).detail).toMatch(detail);
  });
});

describe('photographs', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#8a7a5c' } });
  const send = async (id: string, body: Buffer, station = 'hall', type = 'image/jpeg') =>
    api().post(`/api/jobs/${id}/photos`).query({ station }).set('Content-Type', type).send(body);

  test('are turned upright, scaled down and stripped of where they were taken', async () => {
    const id = await newJob();
    const taken = await picture(2400, 1200)
      .withExif({
        IFD0: { Make: 'Camera', Orientation: '6' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
      })
      .jpeg()
      .toBuffer();
    expect((await sharp(taken).metadata()).exif).toBeDefined();
    const sent = await send(id, taken);
    expect(sent.status).toBe(201);
    const { id: photo } = sent.body as { id: string };
    const kept = (await api().get(`/api/jobs/${id}/photos/${photo}`).expect(200)).body as Buffer;
    const { width, height, exif, format } = await sharp(kept).metadata();
    expect(Math.max(width, height)).toBe(1600);
    expect([exif, format]).toEqual([undefined, 'jpeg']);
  });

  test('carry pins, are listed without their bytes, and can be taken away', async () => {
    const id = await newJob();
    const { id: photo } = (await send(id, await picture(40, 30).png().toBuffer(), 'plant', 'image/png'))
      .body as { id: string };
    const pins = [{ x: 0.25, y: 0.5, terminal: 'board.R' }];
    await api().patch(`/api/jobs/${id}/photos/${photo}`).send({ pins }).expect(200);
    const listed = (await api().get(`/api/jobs/${id}/photos`)).body as object[];
    expect(listed).toMatchObject([{ station: 'plant', width: 40, height: 30, pins }]);
    expect(listed[0]).not.toHaveProperty('jpeg');
    await api()
      .patch(`/api/jobs/${id}/photos/${photo}`)
      .send({ pins: [{ x: 2, y: 0, terminal: 'board.R' }] })
      .expect(422);
    await api().delete(`/api/jobs/${id}/photos/${photo}`).expect(204);
    await api().get(`/api/jobs/${id}/photos/${photo}`).expect(404);
  });

  test.each([
    ['text called a JPEG', Buffer.from('not a picture at all'), 422],
    ['a cut-off JPEG', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16, 74, 70, 73, 70]), 422],
    ['an SVG', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'), 422],
    ['nothing', Buffer.alloc(0), 415],
    ['30 MB', Buffer.alloc(30 * 1024 * 1024), 413],
  ])('that are %s are refused', async (_what, body, status) => {
    const id = await newJob();
    const answer = await send(id, body);
    expect(answer.status).toBe(status);
    expect((answer.body as { detail: string }).detail).toMatch(/JPEG|image\/jpeg|15 MB/);
    expect((await api().get(`/api/jobs/${id}/photos`)).body).toEqual([]);
  });

  test('of a station the job has not are refused', async () => {
    const answer = await send(await newJob(), await picture(9, 9).jpeg().toBuffer(), 'moon');
    expect(answer.status).toBe(422);
    expect((answer.body as { detail: string }).detail).toMatch(/station/);
  });

  test('of one job are not seen through another', async () => {
    const [one, other] = [await newJob(), await newJob()];
    const { id: photo } = (await send(one, await picture(9, 9).jpeg().toBuffer())).body as { id: string };
    await api().get(`/api/jobs/${other}/photos/${photo}`).expect(404);
    await api().delete(`/api/jobs/${other}/photos/${photo}`).expect(404);
  });
});
