/**
 * What leaves a job: its report, its dates. Each is read back by a program that is not ours: PDF text by pdf-parse (pdf.js),
 * Markdown by markdown-it (CommonMark), iCalendar by ical.js. Time zones by the IANA rules, quoted from memory.
 */
import ICAL from 'ical.js';
import MarkdownIt from 'markdown-it';
import pdfParse from 'pdf-parse/lib/pdf-parse.js';
import { EMPTY_BUILDING, begun } from '@zygostat/core/building';
import type { Circuit } from '@zygostat/core/circuit';
import { land, setValue } from '@zygostat/core/circuit';
import type { PaperSize } from '@zygostat/core/formats';
import type { Body, Report } from '@zygostat/core/record';
import { linkText, wiringMark } from '@zygostat/core/record';
import { EMPTY_SURVEY, recordLanding, takeSystem } from '@zygostat/core/survey';
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
      from: 'set',
    });
    expect(report.cautions).toEqual(['dead', 'line', 'capacitor', 'gas', 'bypass', 'code']);
    const made = report.log.reduce(
      (link, entry) => createHash('sha256').update(linkText(link, entry)).digest('hex'),
      '0'.repeat(64),
    );
    expect(report.seal).toEqual({ entries: 5, link: made, unsealed: 0 });
  });

  test('as Markdown a CommonMark reader finds the same sections, tables and words', async () => {
    const { text } = await api().get(`/api/jobs/${id}/report.md?zone=Europe/Berlin&locale=en-DE`).expect(200);
    const tokens = new MarkdownIt().parse(text, {});
    const inline = (i: number) => tokens[i + 1]!.children!.map(({ content }) => content).join('');
    const headings = tokens.flatMap((token, i) => (token.type === 'heading_open' ? [inline(i)] : []));
    expect(headings.slice(0, 5)).toEqual([
      'Quince | *orchard*: Seed loft',
      'What was done',
      'What was tested',
      'What is left to do',
      'For the next technician',
    ]);
    expect(headings).toContain('Landings as found and as left');
    const cells = tokens.flatMap((token, i) => (token.type === 'td_open' ? [inline(i)] : []));
    expect(cells).toContain('A valve that hunts; its cap is missing');
    expect(cells.join('\n')).toMatch(/Thermostat G – free/);
    const items = tokens.flatMap((token, i) => (token.type === 'list_item_open' ? [inline(i + 1)] : []));
    expect(items.find((item) => item.startsWith('A protection is switched off'))).toMatch(
      /Pan float\. Sol is responsible.*by 4 Dec 2026, 08:30 (CET|GMT\+1)/,
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
    expect(pages[0]).toMatch(/What was done/);
    expect(pages[0]).toMatch(/A protection is switched off: Pan float/);
    // What is for whoever puts hands in begins on a page of its own.
    expect(pages[0]).not.toMatch(/For the next technician|Capacitors/);
    expect(pages.join(' ')).toMatch(/Waiting for a new one/);
    expect(pages.at(-1)).toMatch(/Wiring as left/);
  });

  test('is refused in a zone there is none of, by name', async () => {
    const { body } = await api().get(`/api/jobs/${id}/report.md?zone=Mars/Olympus`).expect(422);
    expect(JSON.stringify(body)).toMatch(/zone.*must be a time zone/);
    await api().get(`/api/jobs/${id}/report.md?locale=!`).expect(422);
    await api().get('/api/jobs/none/report.pdf').expect(404);
  });

  test('its dates are read back by another calendar program', async () => {
    const { text } = await api().get(`/api/jobs/${id}/follow-up.ics`).expect(200);
    const events = new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map((component) => new ICAL.Event(component));
    expect(events.map(({ summary }) => summary)).toEqual([
      'Remove the bypass of Pan float',
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
  ['2026-10-25T00:30:00Z', 'Europe/Berlin', 'de-DE', '25 Oct 2026, 02:30', /CEST|GMT\+2/],
  ['2026-10-25T01:30:00Z', 'Europe/Berlin', 'de', '25 Oct 2026, 02:30', /CET|GMT\+1/],
  ['2026-03-08T06:59:00Z', 'America/New_York', 'en-US', 'Mar 8, 2026, 1:59 AM', /EST|GMT-5/],
  ['2026-03-08T07:00:00Z', 'America/New_York', 'es-US', 'Mar 8, 2026, 3:00 AM', /EDT|GMT-4/],
  ['2026-12-04T08:30:00+01:00', 'UTC', 'en-GB', '4 Dec 2026, 07:30', /UTC/],
])('%s in %s for %s is %s', (at, zone, locale, told, name) => {
  const said = showTime(at, { zone, locale });
  expect(said).toContain(told);
  expect(said).toMatch(name);
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
  const { text } = await api().get(`/api/jobs/${id}/report.md?zone=UTC&locale=en-GB`).expect(200);
  expect(text).toMatch(
    /The fire panel is on test until 27 Nov 2026, 14:00 UTC\\?\. Until then no one responds/,
  );
  expect(text).not.toMatch(/Every protection/);
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

describe.each<PaperSize>(['letter', 'a4'])('the diagram on %s', (size) => {
  const sheets = (one: Parameters<typeof scaleOf>[0], on: ReturnType<typeof roomOn>) =>
    slicesOf(one, on.height / scaleOf(one, on)).length;

  test.each(TEMPLATES)('$id: no type is under 7 pt, and nothing is left out', ({ build }) => {
    const circuit = build('Paper');
    const looms = loomsOf(circuit);
    for (const drawings of [looms, [ladderOf(circuit, 'blade')]]) {
      const { drawing, layout } = fittedForPaper(drawings, size);
      const room = roomOn(layout, size);
      const scale = scaleOf(drawing, room);
      // A rung that is longer than a sheet is wide is as large as it can be.
      const longest = roomOn('landscape', size).width / drawing.width;
      expect(12 * scale).toBeGreaterThanOrEqual(Math.min(7, 12 * longest) - 1e-6);
      expect(drawing.width * scale).toBeLessThanOrEqual(room.width + 0.5);
      const slices = slicesOf(drawing, room.height / scale);
      expect(slices[0]!.from).toBe(0);
      expect(slices.at(-1)!.to).toBe(drawing.height);
      slices.slice(1).forEach(({ from }, i) => expect(from).toBe(slices[i]!.to));
      for (const { from, to } of slices) expect((to - from) * scale).toBeLessThanOrEqual(room.height + 0.5);
    }
    // Never more sheets than one way of laying it out would take.
    const { drawing, layout } = fittedForPaper(looms, size);
    const usual = looms.find(({ width }) => width === 560)!;
    expect(sheets(drawing, roomOn(layout, size))).toBeLessThanOrEqual(
      sheets(usual, roomOn('portrait', size)),
    );
  });
});

describe('a report says no more than the record does', () => {
  const begin = async (name: string) => {
    const made = await api()
      .post('/api/jobs')
      .send({ name, site: 'Sorrel mill', template: 'furnace-ac' })
      .expect(201);
    return (made.body as { id: string }).id;
  };
  const told = async (id: string, asked = '') =>
    (await api().get(`/api/jobs/${id}/report.md?zone=UTC${asked}`).expect(200)).text.replace(/\\/g, '');
  const failed: Body = {
    type: 'tested',
    test: 'trip float cool-far',
    title: 'Pan float tripped',
    outcome: 'not-so',
    text: 'It went on cooling',
    until: null,
  };
  const finish = (id: string, at = '2026-11-27T11:00:00Z') =>
    api()
      .post(`/api/jobs/${id}/record`)
      .send({ id: `entry-${++count}`, at, by: 'Sol', body: { type: 'finished', text: 'Float cleaned' } });

  test('a test that failed is open: nothing is in service, nothing is finished, until somebody takes it over', async () => {
    const id = await begin('Failed');
    await write(id, failed);
    const { body: refused } = await finish(id).expect(422);
    expect(JSON.stringify(refused)).toMatch(/must wait: a test failed \(Pan float tripped\)/);
    const text = await told(id);
    expect(text).toMatch(
      /Failed: Pan float tripped\. It went on cooling\. It has to be repaired and tested again/,
    );
    expect(text).not.toMatch(/Every protection|in service|Nothing else is on record|work is finished\./);
    const over = { type: 'test-handed-over', test: failed.test, to: 'Ada Quill', until: UNTIL } as const;
    const nobody = { id: `entry-${++count}`, at: '2026-11-27T10:00:00Z', by: 'Somebody', body: over };
    await api().post(`/api/jobs/${id}/record`).send(nobody).expect(422);
    await write(id, over);
    await finish(id).expect(201);
    const later = await told(id);
    expect(later).toMatch(/Ada Quill takes care of it by Dec 4, 2026/);
    expect(later).toMatch(/This visit is finished\. What is left is listed above/);
    // It failed again: it is open again.
    await write(id, failed);
    await finish(id, '2026-11-28T11:00:00Z').expect(422);
    const passed: Body = { ...failed, outcome: 'as-it-should' };
    await write(id, passed);
    await finish(id, '2026-11-28T12:00:00Z').expect(201);
    expect(await told(id)).not.toMatch(/Failed:/);
  });

  test('every protection works only where each was tripped and did what it should', async () => {
    const id = await begin('Protections');
    const trips = async () => {
      const { tests } = (await api().get(`/api/jobs/${id}/report.json`).expect(200)).body as Report;
      return tests.flatMap(({ expected }) => (expected?.type === 'trip' ? [expected.id] : []));
    };
    const all = await trips();
    const { circuit } = (await api().get(`/api/jobs/${id}`).expect(200)).body as { circuit: Circuit };
    const wiring = wiringMark(circuit);
    let base = 1;
    const change = (next: Circuit) =>
      api().post(`/api/jobs/${id}/revisions`).send({ base: base++, circuit: next }).expect(201);
    // One that says nothing of the wiring it was made on says nothing of this one.
    await write(id, { ...failed, test: all[0]!, title: all[0]!, outcome: 'as-it-should' });
    expect(await told(id)).toMatch(/0 of \d protections tested and working/);
    for (const [i, one] of all.entries()) {
      expect(await told(id)).not.toMatch(/Every protection was tested/);
      if (i === all.length - 1) expect(await told(id)).toMatch(/\d of \d protections tested and working/);
      await write(id, { ...failed, test: one, title: one, outcome: 'as-it-should', wiring });
    }
    expect(await told(id)).toMatch(/Every protection was tested and works/);
    // What was tripped before a wire was moved was not tripped as it is wired now; a name given to a part changes nothing.
    await change({
      ...circuit,
      devices: circuit.devices.map((one) => ({ ...one, label: `${one.label} 2` })),
    });
    expect(await told(id)).toMatch(/Every protection was tested and works/);
    await change({ ...circuit, mains: { ...circuit.mains, volts: circuit.mains.volts + 10 } });
    const moved = await told(id);
    expect(moved).not.toMatch(/Every protection/);
    expect(moved).toMatch(new RegExp(`0 of \\d protections tested and working`));
    expect(moved).toMatch(
      new RegExp(`${all.length} tests to be run again on the present wiring and settings`),
    );
    await change(circuit);
    expect(await told(id)).toMatch(/Every protection was tested and works/);
    await write(id, {
      type: 'bypassed',
      bypass: 'p1',
      device: 'float',
      why: 'Part',
      until: UNTIL,
      watch: 'Sol',
    });
    const bypassed = await told(id);
    expect(bypassed).not.toMatch(/Every protection/);
    // The circuit it is made of has the jumper in it.
    const { left } = (await api().get(`/api/jobs/${id}/report.json`).expect(200)).body as Report;
    expect(left.links.map((link) => link.id)).toContain('bypass:float:0');
  });

  test('units, dates and paper are those of whoever reads; what nobody entered is not said to be entered', async () => {
    const id = await begin('Units');
    const metric = await told(id, '&temperature=C&length=m&locale=de-DE');
    expect(await told(id)).not.toMatch(/\d °C|\b3600 s|\b1\.5 K/);
    expect(metric).not.toMatch(/\d °F/);
    expect(metric).not.toMatch(/as entered/);
    expect(metric).toMatch(/typical value, not read here/);
    const box = async (locale: string) => {
      const { body } = await api()
        .get(`/api/jobs/${id}/report.pdf?locale=${locale}`)
        .responseType('blob')
        .expect(200);
      return /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/
        .exec((body as Buffer).toString('latin1'))!
        .slice(1)
        .map(Number);
    };
    // ANSI Y14.1 letter and ISO 216 A4 in points of 1/72 inch.
    expect(await box('en-US')).toEqual([612, 792]);
    expect((await box('en-GB')).map(Math.round)).toEqual([595, 842]);
  });

  test('the customer reads where, by whom, and what was done', async () => {
    const id = await begin('Work');
    const { body: job } = await api().get(`/api/jobs/${id}`).expect(200);
    const { circuit, siteId } = job as { circuit: Circuit; siteId: string };
    await api().patch(`/api/sites/${siteId}`).send({ address: '4 Weir Lane', was: '' }).expect(200);
    await api().patch(`/api/sites/${siteId}`).send({ address: '5 Weir Lane', was: '' }).expect(409);
    await api()
      .put('/api/firm')
      .send({ name: 'Alder Air', contact: '555 0100', was: { name: '', contact: '' } })
      .expect(200);
    await api().put('/api/firm').send({ name: 'Alder Air' }).expect(422);
    const changed = setValue(circuit, 'board', 'settings', 'coolOffS', 60);
    await api().post(`/api/jobs/${id}/revisions`).send({ base: 1, circuit: changed, note: '' }).expect(201);
    await write(id, {
      type: 'bypassed',
      bypass: 'w1',
      device: 'float',
      why: 'Part',
      until: UNTIL,
      watch: 'Sol',
    });
    await write(id, { type: 'restored', bypass: 'w1', proof: 'tripped', text: 'Lifted it: cooling stopped' });
    await finish(id).expect(201);
    const text = await told(id);
    const page = text.slice(0, text.indexOf('## For the next technician'));
    for (const said of [
      '4 Weir Lane',
      'Alder Air',
      '555 0100',
      'Float cleaned.',
      'set to 1 min.',
      'Pan float was bypassed, and is in service again.',
    ])
      expect(page).toContain(said);
    expect(page).not.toMatch(/lock|hand goes in|Capacitor/i);
  });

  test('of a job begun by survey, what was found is what the survey recorded', async () => {
    const made = await api()
      .post('/api/jobs')
      .send({ name: 'Surveyed', site: 'Sorrel mill', survey: true })
      .expect(201);
    const { id } = made.body as { id: string };
    const { body: job } = await api().get(`/api/jobs/${id}`).expect(200);
    const taken = takeSystem((job as { circuit: Circuit }).circuit, EMPTY_SURVEY, 'furnace-ac').circuit;
    const one = recordLanding(taken, 'statCable', 'from', 'stat.Y', 'YE');
    const found = recordLanding(one, 'statCable', 'to', 'board.W', 'YE');
    const { id: wire } = found.cables.find((cable) => cable.id === 'statCable')!.conductors[0]!;
    const moved = land(found, wire, 'to', 'board.Y');
    for (const [base, circuit] of [found, moved].entries())
      await api()
        .post(`/api/jobs/${id}/revisions`)
        .send({ base: base + 1, circuit, note: '' })
        .expect(201);
    const { landings, work } = (await api().get(`/api/jobs/${id}/report.json`).expect(200)).body as Report;
    expect(landings.filter(({ changed }) => changed)).toEqual([
      expect.objectContaining({
        conductor: wire,
        found: { from: 'stat.Y', to: 'board.W' },
        left: { from: 'stat.Y', to: 'board.Y' },
      }),
    ]);
    expect(work).toMatchObject({ added: [], removed: [], moved: [wire] });
    expect(await told(id)).toMatch(/Wire re-landed: yellow of .*: Thermostat Y to Furnace board Y/i);
  });
});
