/**
 * What leaves a job: its report, its dates. Each is read back by a program that is not ours: PDF text by pdf-parse (pdf.js),
 * Markdown by markdown-it (CommonMark), iCalendar by ical.js. Time zones by the IANA rules, quoted from memory.
 */
import ICAL from 'ical.js';
import MarkdownIt from 'markdown-it';
import pdfParse from 'pdf-parse/lib/pdf-parse.js';
import { EMPTY_BUILDING, begun } from '@zygostat/core/building';
import type { Circuit } from '@zygostat/core/circuit';
import { setValue } from '@zygostat/core/circuit';
import type { Body, Report } from '@zygostat/core/record';
import { linkText } from '@zygostat/core/record';
import { TEMPLATES } from '@zygostat/core/systems';
import { showTime } from '@zygostat/core/words';
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import { fittedForPaper, ladderOf, loomsOf, roomOn, scaleOf, slicesOf } from './papers/drawing-pages';
import { makeTestServer } from './testing/server';

const { app, stop } = makeTestServer();
afterAll(stop);
const api = () => request(app);

const UNTIL = '2026-12-04T08:30:00+01:00';
let count = 0;
const write = (id: string, body: Body) =>
  api()
    .post(`/api/jobs/${id}/record`)
    .send({ id: `entry-${++count}`, at: '2026-11-27T09:42:00Z', by: 'Sol', body })
    .expect(201);

/** A job with something of everything in it. */
async function fullJob(): Promise<string> {
  const made = await api()
    .post('/api/jobs')
    .send({
      name: 'Seed loft',
      site: 'Quince | *orchard*',
      notes: 'Float tripped in the night',
      template: 'furnace-ac',
    })
    .expect(201);
  const { id } = made.body as { id: string };
  const { body: job } = await api().get(`/api/jobs/${id}`).expect(200);
  const { circuit } = job as { circuit: Circuit };
  const moved = {
    ...setValue(circuit, 'board', 'settings', 'coolOffS', 60),
    cables: circuit.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((one) => (one.id === 'statG' ? { ...one, to: null } : one)),
    })),
  };
  await api().post(`/api/jobs/${id}/revisions`).send({ base: 1, circuit: moved, note: 'G off' }).expect(201);
  await write(id, {
    type: 'bypassed',
    bypass: 'b1',
    device: 'float',
    why: 'Waiting for a new one',
    until: UNTIL,
    watch: 'Ada',
  });
  await write(id, {
    type: 'noticed',
    item: 'i1',
    text: 'A valve that hunts; its cap is missing',
    until: UNTIL,
  });
  await write(id, { type: 'noticed', item: 'i2', text: 'Door pinches wires', until: null });
  await write(id, {
    type: 'tested',
    test: 'cool-far',
    title: 'Cooling',
    outcome: 'not-today',
    text: '',
    until: UNTIL,
  });
  await write(id, {
    type: 'tested',
    test: 'dead',
    meter: 'live-dead-live',
    readings: [{ red: 'board.R', black: 'board.C', volts: 0 }],
    title: 'Dead',
    outcome: 'as-it-should',
    text: '0.0 V',
    until: null,
  });
  return id;
}

describe('a report', () => {
  let id = '';
  beforeAll(async () => void (id = await fullJob()));
  const reportJson = async () => (await api().get(`/api/jobs/${id}/report.json`).expect(200)).body as Report;

  test('as JSON: as found and as left, what is set, what is open, and a chain whoever has it can make again', async () => {
    const report = await reportJson();
    expect(report).toMatchObject({ format: 'zygostat-report', version: 1, finished: false });
    expect(report.landings.filter(({ changed }) => changed)).toEqual([
      expect.objectContaining({
        conductor: 'statG',
        found: { from: 'stat.G', to: 'board.G' },
        left: { from: 'stat.G', to: null },
      }),
    ]);
    expect(report.values).toContainEqual({
      device: 'board',
      group: 'settings',
      name: 'coolOffS',
      value: 60,
      given: true,
    });
    expect(report.cautions).toEqual(['dead', 'line', 'capacitor', 'gas', 'bypass', 'code']);
    const made = report.log.reduce(
      (link, entry) => createHash('sha256').update(linkText(link, entry)).digest('hex'),
      '0'.repeat(64),
    );
    expect(report.seal).toEqual({ entries: 5, link: made, unsealed: 0 });
  });

  test('as Markdown a CommonMark reader finds the same sections, tables and words', async () => {
    const { text } = await api().get(`/api/jobs/${id}/report.md?zone=Europe/Berlin`).expect(200);
    const tokens = new MarkdownIt().parse(text, {});
    const inline = (i: number) => tokens[i + 1]!.children!.map(({ content }) => content).join('');
    const headings = tokens.flatMap((token, i) => (token.type === 'heading_open' ? [inline(i)] : []));
    expect(headings.slice(0, 2)).toEqual(['Quince | *orchard*: Seed loft', 'For the customer']);
    expect(headings).toContain('Landings as found and as left');
    const cells = tokens.flatMap((token, i) => (token.type === 'td_open' ? [inline(i)] : []));
    expect(cells).toContain('A valve that hunts; its cap is missing');
    expect(cells.join('\n')).toMatch(/Thermostat G – free/);
    const items = tokens.flatMap((token, i) => (token.type === 'list_item_open' ? [inline(i + 1)] : []));
    expect(items.find((item) => item.startsWith('A protection is switched off'))).toMatch(
      /Pan float .*by 4 Dec 2026, 08:30 (CET|GMT\+1)/,
    );
  });

  test('as PDF another reader finds the customer’s page first, and the diagram at the end', async () => {
    const { body } = await api().get(`/api/jobs/${id}/report.pdf`).responseType('blob').expect(200);
    const pages: string[] = [];
    await pdfParse(body as Buffer, {
      pagerender: async (page: { getTextContent(): Promise<{ items: { str: string }[] }> }) => {
        const { items } = await page.getTextContent();
        pages.push(items.map(({ str }) => str).join(' '));
        return '';
      },
    });
    expect(pages[0]).toMatch(/For the customer/);
    expect(pages[0]).toMatch(/A protection is switched off for now: Pan float/);
    expect(pages.join(' ')).toMatch(/Waiting for a new one/);
    expect(pages.at(-1)).toMatch(/Wiring as left/);
  });

  test('is refused in a zone there is none of, by name', async () => {
    const { body } = await api().get(`/api/jobs/${id}/report.md?zone=Mars/Olympus`).expect(422);
    expect(JSON.stringify(body)).toMatch(/zone.*must be a time zone/);
    await api().get('/api/jobs/none/report.pdf').expect(404);
  });

  test('its dates are read back by another calendar program', async () => {
    const { text } = await api().get(`/api/jobs/${id}/follow-up.ics`).expect(200);
    const events = new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map((component) => new ICAL.Event(component));
    expect(events.map(({ summary }) => summary)).toEqual([
      'Bypass of Pan float must be gone',
      'A valve that hunts; its cap is missing',
      'Test put off: Cooling',
    ]);
    for (const { startDate, uid } of events) {
      expect(startDate.toJSDate().toISOString()).toBe('2026-12-04T07:30:00.000Z');
      expect(uid).toMatch(/@zygostat$/);
    }
    // RFC 5545, 3.1: lines end in CR LF and have at most 75 octets.
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  });
});

// IANA: Berlin goes from 03:00 CEST back to 02:00 CET on 25 October 2026 at 01:00 UTC; New York forward on 8 March at 07:00 UTC.
test.each([
  ['2026-10-25T00:30:00Z', 'Europe/Berlin', '25 Oct 2026, 02:30', /CEST|GMT\+2/],
  ['2026-10-25T01:30:00Z', 'Europe/Berlin', '25 Oct 2026, 02:30', /CET|GMT\+1/],
  ['2026-03-08T06:59:00Z', 'America/New_York', '8 Mar 2026, 01:59', /EST|GMT-5/],
  ['2026-03-08T07:00:00Z', 'America/New_York', '8 Mar 2026, 03:00', /EDT|GMT-4/],
  ['2026-12-04T08:30:00+01:00', 'UTC', '4 Dec 2026, 07:30', /UTC/],
])('%s in %s is %s', (at, zone, told, name) => {
  expect(showTime(at, zone)).toContain(told);
  expect(showTime(at, zone)).toMatch(name);
});

test('photographs and the building are in it, each reading with its limits', async () => {
  const made = await api()
    .post('/api/jobs')
    .send({ name: 'Assembly room', site: 'Cooper’s Hall', template: 'rooftop-loop' })
    .expect(201);
  const { id, siteId } = made.body as { id: string; siteId: string };
  const unit = begun('units', 'rtu1', 'RTU 1', { serves: 'Hall', found: 'Stage', looks: { belt: 'wrong' } });
  await api()
    .put(`/api/sites/${siteId}/building`)
    .send({ base: 0, building: { ...EMPTY_BUILDING, units: [unit] } })
    .expect(200);
  const picture = sharp({ create: { width: 640, height: 480, channels: 3, background: '#8a7a5c' } });
  for (const text of ['Caps still on', '', 'Belt of RTU 1']) {
    const sent = await api()
      .post(`/api/jobs/${id}/photos`)
      .query({ station: 'roof' })
      .set('Content-Type', 'image/jpeg')
      .send(await picture.clone().jpeg().toBuffer())
      .expect(201);
    const { id: photo } = sent.body as { id: string };
    if (text) await write(id, { type: 'photographed', photo, station: 'roof', text });
  }
  const panel = { type: 'panel', who: 'Operator 41', text: '' } as const;
  await write(id, { ...panel, step: 'monitoring', until: null });
  await write(id, { ...panel, step: 'on-test', until: '2026-11-27T14:00:00Z' });
  const reading = {
    id: 'reading-1',
    revision: 1,
    mode: 'ac-volts',
    meter: 'high-z',
    red: 'stat.R',
    black: 'stat.C',
    expected: 26,
    actual: 25.4,
    situation: 'No call',
  };
  await api().post(`/api/jobs/${id}/readings`).send(reading).expect(201);
  const { text } = await api().get(`/api/jobs/${id}/report.md?zone=UTC`).expect(200);
  expect(text).toMatch(/The fire panel is on test until 27 Nov 2026, 14:00 UTC: meanwhile nobody comes/);
  expect(text).not.toMatch(/Every protection is in service/);
  expect(text).toMatch(/RTU 1 is labelled “Hall” and serves “Stage”/);
  expect(text).toMatch(/Not looked at: RTU 1: its own display, motor, coil, frost and drain/);
  expect(text.match(/\(photographs\/[\w-]+\.jpg\)/g)).toHaveLength(3);
  // 5 % for the mains and the meter's own, both ways: verdict.ts.
  expect(text).toMatch(/26\\\.0 V \(24\.1 V to 27\.9 V\) \| 25\\\.4 V/);
  const { body } = await api().get(`/api/jobs/${id}/report.pdf`).responseType('blob').expect(200);
  const pdf = body as Buffer;
  expect((await pdfParse(pdf)).text).toMatch(/Caps still on/);
  expect(pdf.toString('latin1').match(/\/Subtype \/Image/g)).toHaveLength(3);
});

describe('the diagram on paper', () => {
  const sheets = (one: Parameters<typeof scaleOf>[0], on: ReturnType<typeof roomOn>) =>
    slicesOf(one, on.height / scaleOf(one, on)).length;

  test.each(TEMPLATES)('$id: no type is under 7 pt, and nothing is left out', ({ build }) => {
    const circuit = build('Paper');
    const looms = loomsOf(circuit);
    for (const drawings of [looms, [ladderOf(circuit, 'blade')]]) {
      const { drawing, layout } = fittedForPaper(drawings);
      const room = roomOn(layout);
      const scale = scaleOf(drawing, room);
      // A rung that is longer than a sheet is wide is as large as it can be.
      const longest = roomOn('landscape').width / drawing.width;
      expect(12 * scale).toBeGreaterThanOrEqual(Math.min(7, 12 * longest) - 1e-6);
      expect(drawing.width * scale).toBeLessThanOrEqual(room.width + 0.5);
      const slices = slicesOf(drawing, room.height / scale);
      expect(slices[0]!.from).toBe(0);
      expect(slices.at(-1)!.to).toBe(drawing.height);
      slices.slice(1).forEach(({ from }, i) => expect(from).toBe(slices[i]!.to));
      for (const { from, to } of slices) expect((to - from) * scale).toBeLessThanOrEqual(room.height + 0.5);
    }
    // Never more sheets than one way of laying it out would take.
    const { drawing, layout } = fittedForPaper(looms);
    const usual = looms.find(({ width }) => width === 560)!;
    expect(sheets(drawing, roomOn(layout))).toBeLessThanOrEqual(sheets(usual, roomOn('portrait')));
  });
});
