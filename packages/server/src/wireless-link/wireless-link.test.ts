/** The air between two modules. Pairing by two buttons, silence and interference: common practice, no published source. */
import request from 'supertest';
import { makeTestServer } from '../testing/server';
import { heardBy, newLink, pressed, told } from './link';

const { app, stop } = makeTestServer();
afterAll(stop);

const START = new Date('2027-05-04T09:00:00Z');
const on = { powered: true, silent: false };

const two = told(told(newLink('Yard'), 'in', { ...on, says: ['Y', 'O'] }), 'out', on);
const paired = pressed(pressed(two, 'in', START), 'out', new Date(START.getTime() + 30_000));

describe('who hears whom', () => {
  test('two buttons within a minute make a pair, later they do not', () => {
    expect(heardBy(paired, 'out')).toMatchObject({ from: 'in', says: ['Y', 'O'] });
    const late = pressed(pressed(two, 'in', START), 'out', new Date(START.getTime() + 61_000));
    expect(heardBy(late, 'out')).toBeNull();
    expect(late.pairing).toMatchObject({ module: 'out' });
  });

  test.each([
    ['without its power', told(paired, 'in', { powered: false })],
    ['with its antenna off', told(paired, 'in', { silent: true })],
    ['jammed', { ...paired, air: { ...paired.air, interference: 'jammed' as const } }],
    ['too far away', { ...paired, air: { ...paired.air, metres: 4000 } }],
    ['behind too many walls', { ...paired, air: { ...paired.air, walls: 12 } }],
  ])('%s nothing is heard', (_, link) => {
    expect(heardBy(link, 'out')).toBeNull();
  });

  test('bursts are lived with near by, and not far off', () => {
    const bursts = (metres: number) => ({
      ...paired,
      air: { metres, walls: 1, interference: 'bursts' as const },
    });
    expect(heardBy(bursts(20), 'out')).not.toBeNull();
    expect(heardBy(bursts(400), 'out')).toBeNull();
  });
});

describe('over HTTP', () => {
  const at = (path = '') => `/api/wireless-links/yard${path}`;
  const module = (id: string, pair: number | null) =>
    request(app)
      .put(at(`/modules/${id}`))
      .send({ pair, powered: true, silent: false, says: id === 'in' ? ['Y'] : [] });

  test('made, paired, asked, interfered with', async () => {
    await request(app).put(at()).send({ name: 'Yard' }).expect(201);
    await request(app).put(at()).send({ name: 'Yard' }).expect(200);
    await module('in', 7).expect(200);
    const answer = await module('out', 7).expect(200);
    expect(answer.body.modules.out.hears).toMatchObject({ from: 'in', says: ['Y'] });
    const jammed = await request(app)
      .put(at('/air'))
      .send({ metres: 20, walls: 1, interference: 'jammed' })
      .expect(200);
    expect(jammed.body.modules.out.hears).toBeNull();
  });

  test('a pair is not paired twice, and a number not taken by a third', async () => {
    const third = await module('third', 7).expect(422);
    expect(third.body.detail).toBe('pair must be another number: 7 is in and out');
    const again = await request(app).post(at('/modules/in/pair')).expect(409);
    expect(again.body.detail).toMatch(/in is paired with out/);
    await request(app).delete(at('/modules/in/pair')).expect(200);
    await request(app).post(at('/modules/in/pair')).expect(200);
  });

  test.each([
    [at('/air'), { metres: -1, walls: 0, interference: 'none' }, /metres must not be negative/],
    [at('/air'), { metres: 1, walls: 0.5, interference: 'none' }, /walls must be a whole number/],
    [at('/air'), { metres: 1, walls: 0, interference: 'fog' }, /interference must be one of/],
    [at('/modules/in'), { pair: 0, powered: true, silent: false, says: [] }, /pair must be at least 1/],
    [at('/modules/in'), { pair: 1, powered: true, silent: false, says: ['Q'] }, /must be one of Y, O, D/],
    [at('/modules/a%20b'), { pair: 1, powered: true, silent: false, says: [] }, /module must be/],
  ])('%s refuses what does not fit, by name', async (path, sent, says) => {
    const answer = await request(app).put(path).send(sent).expect(422);
    expect(answer.body.detail).toMatch(says);
  });

  test('what is not there is told', async () => {
    await request(app).get('/api/wireless-links/none').expect(404);
    await request(app).post(at('/modules/none/pair')).expect(404);
  });
});
