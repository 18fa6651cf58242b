/** A broken run: common practice is to prove it, then swap to spares or pull new. */
import { wrongIn } from '../../testing/wrong';
import type { Circuit } from '../../circuit';
import { NEW_WORLD, advance, readLoads } from '../../behaviour';
import { addLink, findConductor, land, lift, removeLink, setValue } from '../../circuit';
import { compile } from '../../network';
import { prove } from '../../prove';
import { findTemplate, furnaceAirConditioner, heatPumpOverLink, heatPumpWithStrips } from '../../systems';
import { calling } from '../../testing/scenarios';
import { recordSpare } from '../../survey';
import { planRun } from '..';

const broken = (circuit: Circuit, ...ids: string[]): Circuit => ({
  ...circuit,
  cables: circuit.cables.map((cable) => ({
    ...cable,
    conductors: cable.conductors.map((conductor) =>
      ids.includes(conductor.id) ? { ...conductor, state: 'broken' as const } : conductor,
    ),
  })),
});

const yard = recordSpare(recordSpare(heatPumpWithStrips('Run'), 'yardCable', 'BN'), 'yardCable', 'VT');

test('a spare takes over at both ends and the rest stays where it is', () => {
  const [spare, cable] = planRun(broken(yard, 'yardO'), 'yardCable');
  expect(spare).toMatchObject({
    method: { id: 'spare', spares: [{ colour: 'BN', mark: 'O' }] },
    parts: [],
  });
  expect(findConductor(spare!.circuit, 'yardCable-BN')).toMatchObject({ from: 'board.O', to: 'pump.O' });
  expect(findConductor(spare!.circuit, 'yardO')).toMatchObject({ from: null, to: null });
  expect(findConductor(spare!.circuit, 'yardY')).toMatchObject({ from: 'board.Y', to: 'pump.Y' });
  expect(cable!.minutes).toBeGreaterThan(spare!.minutes);
  for (const { proof } of [spare!, cable!]) expect(wrongIn(proof)).toEqual([]);
});

test('minutes count every end that is landed, and every end that must come off first', () => {
  const minutesWith = (circuit: Circuit) => planRun(broken(circuit, 'yardO'), 'yardCable')[0]!.minutes;
  // Two ends at a minute and a half each (from memory), another colour than usual a fifth of a minute.
  expect(minutesWith(yard)).toBe(3);
  const other = (id: string, end: 'from' | 'to', terminal: string) => land(yard, id, end, terminal);
  expect(minutesWith(other('yardCable-BN', 'from', 'board.O'))).toBe(3);
  const bothTaken = land(other('yardCable-BN', 'from', 'board.O'), 'yardCable-VT', 'from', 'board.O');
  expect(minutesWith(bothTaken)).toBe(5);
});

test('more broken than spare: a new cable with a spare in it, or a link', () => {
  const ways = planRun(broken(furnaceAirConditioner('Run'), 'yardY'), 'yardCable');
  expect(ways.map(({ method }) => method)).toEqual([{ id: 'new-cable', conductors: 3 }, { id: 'link' }]);
  expect(ways[0]).toMatchObject({ parts: [{ type: 'cable', conductors: 3 }] });
  expect(wrongIn(ways[0]!.proof)).toEqual([]);
});

test('nothing broken, nothing to plan; no such cable is refused', () => {
  expect(planRun(yard, 'yardCable')).toEqual([]);
  expect(() => planRun(yard, 'attic')).toThrow(RangeError);
});

// Whether a unit takes it is for the adapter's own sheet; the rest follows from the wiring.
describe('one conductor too few outdoors: two calls share one', () => {
  const shares = (circuit: Circuit) =>
    planRun(circuit, 'yardCable').find(({ method }) => method.id === 'share');
  const RUNS = ['Contactor coil', 'Compressor', 'Outdoor fan'];

  test.each(['yardY', 'yardO', 'yardR', 'yardC', 'yardD'])(
    'with %s broken it is proven, cools and heats',
    (id) => {
      const { circuit, proof, parts } = shares(broken(heatPumpWithStrips('Run'), id))!;
      expect(wrongIn(proof)).toEqual([]);
      expect(parts.map(({ type }) => type)).toContain('sharing-adapter');
      // What is broken carries nothing any more.
      expect(findConductor(circuit, id)).toMatchObject({ from: null, to: null });
      const network = compile(circuit);
      const running = (mode: 'cool' | 'heat') =>
        readLoads(network, advance(network, calling(mode), NEW_WORLD, 700))
          .filter(({ energised }) => energised)
          .map(({ title }) => title);
      expect(running('cool')).toEqual(expect.arrayContaining([...RUNS, 'Reversing valve']));
      expect(running('heat')).toEqual(expect.arrayContaining(RUNS));
      expect(running('heat')).not.toContain('Reversing valve');
    },
  );

  test('two broken, a spare that is good, or a run without a hot: no sharing', () => {
    expect(shares(broken(heatPumpWithStrips('Run'), 'yardY', 'yardO'))).toBeUndefined();
    expect(shares(broken(furnaceAirConditioner('Run'), 'yardY'))).toBeUndefined();
    const [spare] = planRun(broken(yard, 'yardO'), 'yardCable');
    expect(spare!.minutes).toBeLessThan(shares(broken(yard, 'yardO'))!.minutes);
  });
});

/** Every conductor of the outdoor cable broken: a nail through the chase. */
const dead = (circuit: Circuit) => {
  const cable = circuit.cables.find(({ id }) => id === 'yardCable')!;
  return broken(circuit, ...cable.conductors.map(({ id }) => id));
};
const overLink = (circuit: Circuit) =>
  planRun(dead(circuit), 'yardCable').find(({ method }) => method.id === 'link');

test('over a link, D landed on the wrong side is found: nothing tempers a defrost', () => {
  const { circuit } = overLink(findTemplate('heat-pump')!.build('Link'))!;
  const lead = circuit.cables
    .flatMap(({ conductors }) => conductors)
    .find(({ from }) => from?.startsWith('linkIn') && from.endsWith('.W'))!;
  const wrong = land(circuit, lead.id, 'to', 'board.Y');
  expect(prove(wrong)!.findings.map(({ property }) => property)).toContain('untempered');
});

// What a link needs, and where its transformer is fed, is common practice in the trade.
describe('a dead cable outdoors, over a wireless link', () => {
  test.each([
    ['furnace-ac', ['Y']],
    ['heat-pump', ['Y', 'O', 'W']],
    ['heat-pump-b', ['Y', 'O', 'W']],
    ['dual-fuel', ['Y', 'O', 'W']],
  ])('%s: proven, its transformer on the line side, commons joined, the old cable off', (id, calls) => {
    const circuit = findTemplate(id)!.build('Link');
    const { circuit: made, proof, parts } = overLink(circuit)!;
    expect(wrongIn(proof)).toEqual([]);
    expect(parts.map(({ type }) => type)).toEqual(expect.arrayContaining(['link-set', 'transformer']));
    const [linkIn, linkOut, linkXfmr] = ['Indoor module', 'Outdoor module', 'Outdoor transformer'].map(
      (label) => made.devices.find((device) => device.label === label)!.id,
    );
    const all = made.cables.flatMap(({ conductors }) => conductors);
    const joined = (one: string, other: string) =>
      all.some(({ from, to }) => (from === one && to === other) || (from === other && to === one));
    expect(joined('contactor.L1', `${linkXfmr}.P240`)).toBe(true);
    expect(joined(`${linkXfmr}.C`, `${linkOut}.C`)).toBe(true);
    expect(
      made.links.some(({ joins }) => joins.includes(`${linkOut}.K`) && joins.includes(`${linkOut}.R`)),
    ).toBe(true);
    for (const call of calls)
      for (const half of [linkIn, linkOut])
        expect(all.some(({ from }) => from === `${half}.${call}`)).toBe(true);
    for (const { from, to } of made.cables.find(({ id: cable }) => cable === 'yardCable')!.conductors)
      expect([from, to]).toEqual([null, null]);
  });

  test('what a link does not carry is not planned over one', () => {
    expect(overLink(heatPumpWithStrips('Link', { stages: 'two' }))).toBeUndefined();
  });

  const linked = heatPumpOverLink('Traps');
  const runs = (circuit: Circuit) =>
    prove(circuit)!
      .findings.filter(({ severity }) => severity !== 'caution')
      .map(({ property }) => property);
  const to = (circuit: Circuit, id: string, terminal: string) => land(circuit, id, 'from', terminal);

  test.each<[string, Circuit, string]>([
    [
      'fed from the load side it never wakes up',
      to(to(linked, 'linkFeed1', 'contactor.T1'), 'linkFeed2', 'contactor.T2'),
      'unanswered',
    ],
    ['without the jumper its relays have nothing to send', removeLink(linked, 'linkJumper'), 'unanswered'],
    ['with the commons apart nothing comes back', lift(linked, 'linkOutC', 'to'), 'unanswered'],
    [
      'a valve that is energised the other way heats when it should cool',
      setValue(linked, 'pump', 'params', 'valve', 'B'),
      'uncalled',
    ],
    [
      'its hot joined to the indoor one ties the two transformers',
      addLink(linked, { id: 'met', kind: 'jumper', joins: ['linkOut.R', 'board.R'] }),
      'tied',
    ],
    ['paired with another it hears nothing', setValue(linked, 'linkOut', 'params', 'pair', 2), 'unanswered'],
  ])('%s', (_, circuit, property) => {
    expect(runs(linked)).toEqual([]);
    expect(runs(circuit)).toContain(property);
  });

  test('silence lets its relays go after the time it is set to', () => {
    const network = compile(linked);
    const cool = (radio: string) => calling('cool', { linkIn: { radio } });
    const running = advance(network, cool('clear'), NEW_WORLD, 500);
    const on = (settled: typeof running) =>
      readLoads(network, settled).some(({ nature, energised }) => nature === 'compressor' && energised);
    expect(on(running)).toBe(true);
    expect(on(advance(network, cool('blocked'), running.world, 29))).toBe(true);
    expect(on(advance(network, cool('blocked'), running.world, 31))).toBe(false);
  });
});
