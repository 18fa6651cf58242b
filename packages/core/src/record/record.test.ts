/**
 * The record's rules, and what a bypass leaves unguarded. What a float in Y and a detector in R stop is common practice in
 * the trade; who records what is invented.
 */
import { createHash } from 'node:crypto';
import { addLink } from '../circuit';
import { bypassesIn, compile } from '../network';
import { insertInSeries } from '../plan';
import type { Circuit } from '../circuit';
import { contactsOf, protectionWithout, prove, withBypasses } from '../prove';
import { TEMPLATES, furnaceAirConditioner, rooftopUnit } from '../systems';
import type { Body, Entry } from '.';
import { CHAIN_START, bypassesStillIn, entryProblems, linkText, objectionsTo, standingOf } from '.';

const at = '2026-11-27T10:42:00Z';
const until = '2026-11-27T16:00:00+01:00';
let count = 0;
const entry = (body: Body): Entry => ({ id: `e${++count}`, at, by: 'Sol', body });
const bypassed: Body = {
  type: 'bypassed',
  bypass: 'b1',
  device: 'float',
  why: 'To prove the unit',
  until,
  watch: 'me',
};
const restored: Body = { type: 'restored', bypass: 'b1', proof: 'tripped', text: 'Lifted it: all stopped' };
const handedOver: Body = { type: 'handed-over', bypass: 'b1', to: 'Remy of Ternwater', until };

test.each<[string, unknown, RegExp]>([
  ['of no kind', entry({ type: 'wish' } as unknown as Body), /body.* must be an entry of type/],
  ['with no reason', entry({ ...bypassed, why: ' ' }), /body.why is required/],
  ['with nobody who watches', entry({ ...bypassed, watch: '' }), /body.watch is required/],
  [
    'until no such day',
    entry({ ...bypassed, until: '2026-02-31T10:00:00Z' }),
    /body.until must be a day and a time that there is/,
  ],
  ['until some day', entry({ ...bypassed, until: 'tomorrow' }), /body.until must be an ISO time/],
  ['closed by word alone', entry({ ...restored, proof: 'promised' } as unknown as Body), /body.proof must/],
  ['by nobody', { ...entry(bypassed), by: '' }, /by is required/],
  ['with a stray field', { ...entry(bypassed), mood: 'fine' }, /unknown field mood/],
])('an entry %s is refused by its field', (_what, given, problem) => {
  expect(
    entryProblems(given)
      .map(({ path, message }) => `${path} ${message}`)
      .join(),
  ).toMatch(problem);
});

test.each<Body>([
  bypassed,
  restored,
  handedOver,
  { type: 'note', text: 'Belt worn' },
  { type: 'noticed', item: 'i', text: 'Cap missing', until: null },
  { type: 'noticed', item: 'i', text: 'Valve to bring', until },
  { type: 'dealt-with', item: 'i', text: '' },
  { type: 'finished', text: '' },
])('an entry like $type is taken', (body) => {
  expect(entryProblems(entry(body))).toEqual([]);
});

describe('a bypass', () => {
  test('is in until it was taken out and proven, or somebody named has it', () => {
    const stateOf = (...bodies: Body[]) =>
      standingOf(bodies.map(entry)).bypasses.map(({ state, to }) => [state, to]);
    expect(stateOf(bypassed)).toEqual([['in', null]]);
    expect(stateOf(bypassed, handedOver)).toEqual([['handed-over', 'Remy of Ternwater']]);
    expect(stateOf(bypassed, handedOver, restored)).toEqual([['restored', 'Remy of Ternwater']]);
    // Two who write at once: it is out, whoever says afterwards that they have it.
    expect(stateOf(bypassed, restored, handedOver)).toEqual([['restored', null]]);
  });

  test('keeps a job from being finished while nobody has taken it over', () => {
    const finished = entry({ type: 'finished', text: '' });
    const against = (...bodies: Body[]) => objectionsTo(finished, standingOf(bodies.map(entry)));
    expect(against(bypassed)).toEqual([
      { path: 'body', message: expect.stringMatching(/float is bypassed.*prove it, or hand it over/) },
    ]);
    expect(against(bypassed, handedOver)).toEqual([]);
    expect(against(bypassed, restored)).toEqual([]);
    expect(bypassesStillIn(standingOf([entry(bypassed), entry(handedOver)]))).toHaveLength(1);
  });

  test('is not put in under an id that is taken, and one nobody knows of cannot be closed', () => {
    expect(objectionsTo(entry(bypassed), standingOf([bypassed, restored].map(entry)))).toHaveLength(1);
    expect(objectionsTo(entry(restored), standingOf([]))).toHaveLength(1);
    expect(
      objectionsTo(entry({ type: 'dealt-with', item: 'i', text: '' }), standingOf([entry(bypassed)])),
    ).toHaveLength(1);
  });
});

test('what was noticed is open until it is dealt with, and an entry after the end opens the job again', () => {
  const noticed: Body = { type: 'noticed', item: 'i1', text: 'Cap of the splice box missing', until: null };
  const done: Body = { type: 'dealt-with', item: 'i1', text: '' };
  const end: Body = { type: 'finished', text: '' };
  const itemsOf = (...bodies: Body[]) => standingOf(bodies.map(entry)).items.map((item) => item.done);
  expect(itemsOf(noticed)).toEqual([false]);
  expect(itemsOf(noticed, done)).toEqual([true]);
  expect(standingOf([noticed, end].map(entry)).finished).toBe(true);
  expect(standingOf([end, noticed].map(entry)).finished).toBe(false);
});

test('a link of the chain is the same however an entry is written down, and another after any change', () => {
  const one = entry(bypassed);
  const turned = { body: Object.fromEntries(Object.entries(bypassed).reverse()), by: one.by, at, id: one.id };
  const sha = (text: string) => createHash('sha256').update(text).digest('hex');
  const link = (given: unknown) => sha(linkText(CHAIN_START, given as Entry));
  expect(link(turned)).toBe(link(one));
  expect(link({ ...one, by: 'Sal' })).not.toBe(link(one));
});

describe('what a bypass leaves unguarded', () => {
  const furnace = furnaceAirConditioner('Bypass');
  const across = contactsOf(furnace).find(({ device }) => device === 'float')!;

  test('is seen in a circuit where a jumper lies across a contact', () => {
    expect(bypassesIn(compile(furnace))).toEqual([]);
    const jumpered = addLink(furnace, { id: 'j', kind: 'jumper', joins: [...across.pair] });
    expect(bypassesIn(compile(jumpered)).map(({ device }) => device)).toEqual(['float']);
  });

  test('with one float in Y is the outdoor unit, and nothing else stops the water', () => {
    const { unguarded, still } = protectionWithout(furnace, 'float')!;
    expect(unguarded).toEqual(expect.arrayContaining(['contactor/coil', 'unit/compressor']));
    expect(unguarded.some((load) => load.startsWith('board/blower'))).toBe(false);
    expect(still).toEqual([]);
  });

  test('with a second float in series the second still stops it', () => {
    const [cable] = furnace.cables.filter(({ conductors }) =>
      conductors.some(({ from, to }) => [from, to].includes(across.pair[0])),
    );
    const { id, from } = cable!.conductors.find((one) => [one.from, one.to].includes(across.pair[0]))!;
    const { circuit, device } = insertInSeries(
      furnace,
      { kind: 'float-switch', label: 'Port float' },
      { conductor: id, end: from === across.pair[0] ? 'from' : 'to' },
      null,
    );
    expect(protectionWithout(circuit, 'float')!.still).toEqual([device]);
    expect(protectionWithout(circuit, device)!.still).toEqual(['float']);
    // One that is bypassed itself stops nothing.
    expect(protectionWithout(circuit, device, ['float'])!.still).toEqual([]);
  });

  test('a detector and a switch stand in for no other safety', () => {
    const detector = protectionWithout(rooftopUnit('Bypass'), 'smoke')!;
    expect(detector.unguarded.length).toBeGreaterThan(2);
    expect(detector.still).toEqual([]);
    const power = protectionWithout(furnace, 'switch')!;
    expect(power.unguarded).toEqual(expect.arrayContaining(['board/blower-cool', 'board/gas-valve']));
    expect(power.still).toEqual([]);
  });

  test('is the same with the jumper in the circuit already: it never reads as harmless', () => {
    const jumper = addLink(furnace, { id: 'j', kind: 'jumper', joins: [...across.pair] });
    expect(protectionWithout(jumper, 'float')).toEqual(protectionWithout(furnace, 'float'));
  });

  test.each(TEMPLATES)('every contact of $id is told of, or nobody is able to say', ({ build }) => {
    const circuit = build('All');
    for (const { device } of contactsOf(circuit)) {
      const protection = protectionWithout(circuit, device);
      if (protection) expect([device, protection.unguarded]).not.toEqual([device, []]);
    }
  });

  test('what nothing trips leaves nobody able to say', () => {
    expect(protectionWithout(furnace, 'door')).toBeNull();
  });
});

test('a test carries the figures it asked for, each checked by name', () => {
  const tested = (readings: unknown) =>
    entryProblems({
      id: 'one',
      at,
      by: 'Sol',
      body: {
        type: 'tested',
        test: 'dead',
        title: 'Dead',
        outcome: 'as-it-should',
        text: '',
        until: null,
        readings,
      },
    });
  expect(tested([{ red: 'xfmr.R', black: 'xfmr.C', volts: 0.2 }])).toEqual([]);
  expect(tested(undefined)).toEqual([]);
  expect(tested([{ red: 'xfmr.R', black: 'xfmr.C', volts: -1 }])).toEqual([
    { path: 'body.readings[0].volts', message: 'must not be negative' },
  ]);
  expect(tested([{ red: 'xfmr.R', volts: 3 }])).toEqual([
    { path: 'body.readings[0].black', message: 'is required' },
  ]);
});

describe('what stands in for what is common practice', () => {
  test('high pressure for low pressure it does not', () => {
    const pump = TEMPLATES.find(({ id }) => id === 'heat-pump')!.build('Pressure');
    const switches = pump.devices.filter(({ kind }) => kind === 'pressure-switch');
    expect(switches).toHaveLength(2);
    for (const { id } of switches) expect(protectionWithout(pump, id)!.still).toEqual([]);
  });
});

describe('what is signed and what is proven', () => {
  const standing = standingOf([entry(bypassed)]);
  const against = (given: Entry) => objectionsTo(given, standing).map(({ path }) => path);
  const dead = (more: object): Body =>
    ({
      ...{ type: 'tested', test: 'dead', title: 'Dead', outcome: 'as-it-should', text: '', until: null },
      ...more,
    }) as Body;
  const readings = [{ red: 'board.R', black: 'board.C', volts: 0.3 }];

  test('a bypass belongs to somebody with a name', () => {
    const other: Body = { ...bypassed, bypass: 'b2' };
    expect(against(entry(other))).toEqual([]);
    for (const by of ['Somebody', ' somebody '.replace('s', 'S')])
      expect(against({ ...entry(other), by })).toEqual(['by']);
    expect(against({ ...entry(restored), by: 'Somebody' })).toEqual(['by']);
    expect(against({ ...entry({ type: 'note', text: 'x' }), by: 'Somebody' })).toEqual([]);
  });

  test('a letter is no proof', () => {
    expect(against(entry({ ...restored, text: 'x' } as Body))).toEqual(['body.text']);
  });

  // The live-dead-live order and "dead is a reading" are common practice and NFPA 70E 120.5, from memory.
  test.each<[string, object, string[]]>([
    ['no reading', { meter: 'live-dead-live' }, ['body.readings']],
    [
      'a reading just above 1 V',
      { meter: 'live-dead-live', readings: [{ ...readings[0], volts: 1.01 }] },
      ['body.readings'],
    ],
    ['a reading of 1 V', { meter: 'live-dead-live', readings: [{ ...readings[0], volts: 1 }] }, []],
    ['a meter that was not tried', { readings }, ['body.meter']],
    ['readings and a meter that was tried', { meter: 'live-dead-live', readings }, []],
    ['not dead, and said so', { outcome: 'not-so' }, []],
  ])('dead before anything is touched, with %s', (_what, more, paths) => {
    expect(entryProblems(entry(dead(more)))).toEqual([]);
    expect(against(entry(dead(more)))).toEqual(paths);
  });
});

test('a recorded bypass is in the model: the float stops nothing, and the proof says so', () => {
  const good = furnaceAirConditioner('Bypassed');
  const inForce = withBypasses(good, ['float', 'gone']);
  const found = (circuit: Circuit) =>
    prove(circuit)!
      .findings.filter(({ property }) => property === 'bypassed')
      .map(({ about }) => about);
  expect(found(good)).toEqual([]);
  expect(found(inForce)).toEqual(['float']);
  expect(withBypasses(good, [])).toBe(good);
});
