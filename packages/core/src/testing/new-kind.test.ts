/**
 * A kind of device that exists only here: a gas burner behind an isolator of its own, with a tilt switch. Nothing else
 * knows it, and everything has to work with it. What a tilt switch must do is common practice.
 */
import { NEW_WORLD, advance, readLoads, sectionsOf } from '../behaviour';
import type { Circuit } from '../circuit';
import { land, parseCircuit } from '../circuit';
import { choice, contact, defineDevice, enrol, impedanceOf, kindOf, load, num } from '../devices';
import { complaintOf, hypothesesOf, isSettled, makeDictionary, siteWith } from '../diagnose';
import { layLadder, layLoom } from '../drawing';
import { circuitFromJson, circuitToJson, loomSvg, spiceNetlist } from '../formats';
import { compile } from '../network';
import { factsOf, transformerLoads } from '../plan';
import { casesOf, inputsOf, powerOff, prove, repairOf } from '../prove';
import { furnaceAirConditioner } from '../systems';
import { stepsOf } from '../wire';
import { openings, testPoints } from '../wire/gate';
import { callsOf } from './faulty';
import { said } from './said';
import { followAdvice } from './technician';
import { tellRepair } from './tell';

const burner = (kind: string, whenTilted: 'open' | 'closed') =>
  defineDevice({
    kind,
    title: 'Radiant burner',
    designations: () => [
      { mark: 'H', role: 'call', purpose: 'Heat is called here.', aliases: ['W'] },
      { mark: 'X', role: 'common', purpose: 'Back to the transformer.', aliases: ['C'] },
    ],
    params: {
      valveVa: num({ label: 'Gas valve', unit: 'VA', default: 14, min: 1, max: 40, source: 'invented' }),
    },
    settings: {},
    controls: {
      handle: choice('Isolator', { on: 'On', off: 'Off' }, 'on'),
      tilt: choice('Tilt switch', { upright: 'Upright', tilted: 'Tilted' }, 'upright'),
    },
    elements: ({ params, mains }) => [
      contact('isolator', 'H', '#fed'),
      contact('tilt', '#fed', '#safe'),
      load('main-valve', '#safe', 'X', impedanceOf(24, params.valveVa, 0.6, mains.hertz)),
    ],
    loads: () => [
      { id: 'main-valve', element: 'main-valve', nature: 'flame', serves: 'heat', startedBy: 'H' },
    ],
    isolates: { control: 'handle', off: 'off', on: 'on' },
    interrupts: ['isolator', 'tilt'],
    safety: { notices: () => ['heat'], control: 'tilt', tripped: 'tilted', stops: ['heat'], retrofit: false },
    initial: {},
    positions: (_, { controls }) => ({
      isolator: controls.handle === 'on' ? 'closed' : 'open',
      tilt: controls.tilt === 'upright' ? 'closed' : whenTilted,
    }),
    next: (state) => state,
    face: (_, { controls }) =>
      controls.handle === 'off'
        ? { text: 'off', tone: 'off' }
        : controls.tilt === 'tilted'
          ? { text: 'tilted', tone: 'tripped', detail: 'Set it upright, and find out why it fell.' }
          : { text: 'on', tone: 'ok' },
    faults: [
      { mode: 'valve-open', title: 'Valve coil open', likelihood: 2, elements: { 'main-valve': 'open' } },
    ],
  });

let gone: (() => void)[] = [];
beforeAll(() => {
  gone = [burner('radiant-burner', 'open'), burner('blind-burner', 'closed')].map(enrol);
});
afterAll(() => gone.forEach((take) => take()));

/** A furnace's transformer, fuse and thermostat with the burner where the air conditioner was. */
function hall(kind = 'radiant-burner'): Circuit {
  const furnace = furnaceAirConditioner('Hall');
  const kept = ['stat', 'xfmr', 'fuse', 'furnaceBreaker'];
  const circuit: Circuit = {
    ...furnace,
    devices: [
      ...furnace.devices.filter(({ id }) => kept.includes(id)),
      { id: 'heater', kind, station: 'plant', label: 'Heater', params: {}, settings: {} },
      { id: 'nutR', kind: 'wire-nut', station: 'plant', label: 'R splice', params: {}, settings: {} },
      { id: 'nutC', kind: 'wire-nut', station: 'plant', label: 'C splice', params: {}, settings: {} },
    ],
    cables: [
      {
        id: 'feed',
        label: 'Feed',
        gauge: 14,
        lengthM: 12,
        conductors: [
          { id: 'feedHot', colour: 'BK', from: 'furnaceBreaker.L1', to: 'xfmr.P120' },
          { id: 'feedNeutral', colour: 'WH', from: 'furnaceBreaker.N', to: 'xfmr.PC' },
        ],
      },
      {
        id: 'leads',
        label: 'Heater leads',
        gauge: 18,
        lengthM: 0.5,
        conductors: [
          { id: 'hot', colour: 'RD', from: 'xfmr.R', to: 'fuse.1' },
          { id: 'fused', colour: 'RD', from: 'fuse.2', to: 'nutR.NUT' },
          { id: 'common', colour: 'BU', from: 'xfmr.C', to: 'nutC.NUT' },
          { id: 'back', colour: 'BU', from: 'heater.X', to: 'nutC.NUT' },
        ],
      },
      {
        id: 'statCable',
        label: 'Thermostat cable',
        gauge: 18,
        lengthM: 20,
        conductors: [
          { id: 'statR', colour: 'RD', from: 'stat.R', to: 'nutR.NUT' },
          { id: 'statW', colour: 'WH', from: 'stat.W', to: 'heater.H' },
          { id: 'statC', colour: 'BU', from: 'stat.C', to: 'nutC.NUT' },
        ],
      },
    ],
    links: [],
  };
  return parseCircuit(circuit);
}

const heat = () => callsOf(hall()).find(({ id }) => id === 'heat')!.inputs;

test('it is solved: its flame lights with the call, and is out when isolated or tilted', () => {
  const lit = (controls: Record<string, string>) => {
    const network = compile(hall());
    const inputs = { ...heat(), controls: { ...heat().controls, heater: controls } };
    const settled = advance(network, inputs, NEW_WORLD, 600);
    return readLoads(network, settled).find(({ nature }) => nature === 'flame')!.energised;
  };
  expect(lit({})).toBe(true);
  expect(lit({ handle: 'off' })).toBe(false);
  expect(lit({ tilt: 'tilted' })).toBe(false);
});

test('it is told: running, isolated, tilted, failed', () => {
  expect(said(hall(), 'heat').text).toMatch(/^Heating: heater on$/);
  expect(said(hall(), 'heat', { controls: { heater: { tilt: 'tilted' } } })).toMatchObject({
    text: 'Heating called: stopped at Heater (tilted)',
    next: 'Set it upright, and find out why it fell.',
    parts: ['heater'],
  });
  expect(said(hall(), 'heat', { faults: [{ target: 'heater', mode: 'valve-open' }] }).text).toMatch(
    /^Heating called: Heater has its volts and takes no current$/,
  );
});

test('it is proven: its safety is tripped in turn, and one that stops nothing is a danger', () => {
  const { findings } = prove(hall())!;
  expect(findings).toEqual([]);
  expect(casesOf(hall()).some(({ trip }) => trip?.device === 'heater')).toBe(true);
  const blind = prove(hall('blind-burner'))!.findings;
  expect(blind.map(({ property, severity, about }) => ({ property, severity, about }))).toEqual([
    { property: 'safety', severity: 'danger', about: 'heater' },
  ]);
});

test('its wiring is mended', () => {
  const wrong = land(hall(), 'statW', 'to', 'nutR.NUT');
  const { findings } = prove(wrong)!;
  const repair = repairOf(wrong, findings[0]!, undefined, findings)!;
  expect(tellRepair(wrong, repair)).toBe('Move white of Thermostat cable from R splice to Heater H.');
  expect(prove(repair.circuit)!.findings).toEqual([]);
});

test('it is gated: its power is taken away and proven dead before hands go in', () => {
  expect(openings(hall())).toEqual([{ station: 'panel', devices: ['furnaceBreaker'] }]);
  expect(testPoints(hall()).map(({ probes }) => probes)).toEqual([['nutR.NUT', 'nutC.NUT']]);
  const steps = stepsOf(hall(), land(hall(), 'statW', 'to', 'nutC.NUT'));
  expect(steps.slice(0, 2).map(({ kind }) => kind)).toEqual(['off', 'dead']);
  const cut = powerOff(hall(), inputsOf(casesOf(hall())[0]!));
  expect(cut.controls.heater).toMatchObject({ handle: 'off' });
});

test('it is planned for: what its conductor does is found by trying it', () => {
  const lead = factsOf(hall(), 'stat').leads.find(({ conductor }) => conductor.id === 'statW')!;
  expect(lead.role).toBe('W');
});

test('it is drawn on the loom and on the ladder', () => {
  const loom = layLoom(hall(), 360);
  expect(loom.blocks.map(({ terminal }) => terminal)).toEqual(
    expect.arrayContaining(['heater.H', 'heater.X']),
  );
  expect(loomSvg(loom, hall())).toContain('Heater');
  const ladder = layLadder(sectionsOf(compile(hall())));
  expect(JSON.stringify(ladder)).toContain('Heater');
});

test('it is in the netlist, in the document and its forms, and in the sums', () => {
  const network = compile(hall());
  const { point } = advance(network, heat(), NEW_WORLD, 600);
  expect(spiceNetlist(point)).toMatch(/main.valve/i);
  expect(circuitFromJson(circuitToJson(hall()))).toEqual(hall());
  expect(() =>
    parseCircuit({
      ...hall(),
      devices: hall().devices.map((one) =>
        one.id === 'heater' ? { ...one, params: { valveVa: 900 } } : one,
      ),
    }),
  ).toThrow(/Gas valve|valveVa/);
  expect(Object.keys(kindOf('radiant-burner').params)).toEqual(['valveVa']);
  const [sums] = transformerLoads(hall());
  expect(sums!.parts.map(({ title }) => title)).toContain('Heater');
});

test('it is diagnosed: tilted, isolated or failed, each told from the others', () => {
  const hypotheses = hypothesesOf(hall());
  const own = hypotheses.filter(
    ({ failure }) => failure.type !== 'otherwise' && 'device' in failure && failure.device === 'heater',
  );
  expect(own.map(({ id }) => id)).toEqual([
    'heater valve-open',
    'heater isolator stays-open',
    'heater tilt stays-open',
    'heater tripped',
    'heater off',
    'heater isolator stays-open now and then',
    'heater tilt stays-open now and then',
  ]);
  const dictionary = makeDictionary(hall(), hypotheses);
  for (const one of own) {
    const site = siteWith(hall(), one);
    const { ranking } = followAdvice(dictionary, site, complaintOf(siteWith(hall(), hypotheses[0]!), site)!);
    expect([one.id, isSettled(ranking), ranking.groups[0]!.remedy]).toEqual([one.id, true, one.remedy]);
  }
});

test('a name is taken once', () => {
  expect(() => enrol(burner('radiant-burner', 'open'))).toThrow(/already/);
});
