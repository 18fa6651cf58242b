import { sectionsOf } from '../behaviour';
import { addDevice } from '../circuit';
import { compile } from '../network';
import { ladderSvg, loomSvg } from '../formats';
import { TEMPLATES, electricHeat, furnaceAirConditioner, parallelThermostats } from '../systems';
import { device } from '../systems/build';
import { SYMBOL_STYLES, layLadder, layLoom, symbolStrokes } from '.';
import type { Piece, Rung } from '../behaviour';

const rungOf = (circuit: Parameters<typeof compile>[0], title: string): Rung =>
  layLadder(sectionsOf(compile(circuit)))
    .sections.flatMap(({ rungs }) => rungs)
    .find((rung) => rung.title === title)!;

const contactsIn = (pieces: readonly Piece[]) =>
  pieces.flatMap((piece) => (piece.type === 'contact' ? [piece.contact.title] : []));

describe.each(TEMPLATES)('$id', ({ build, id }) => {
  const network = compile(build(id));
  const ladder = layLadder(sectionsOf(network));

  test('has a rung for every load, line voltage first', () => {
    const drawn = new Set(ladder.sections.flatMap(({ rungs }) => rungs.map((rung) => rung.id)));
    for (const {
      device: { id: owner },
      kind,
      context,
    } of network.devices)
      for (const load of kind.loads(context)) expect(drawn).toContain(`${owner}/${load.id}`);
    const order = ladder.sections.map(({ line }) => Number(line));
    expect(order).toEqual([...order].sort((a, b) => b - a));
  });

  test('keeps stops a thumb apart on the page and its symbols between the rails', () => {
    // Asked of thousands of pairs at once: each by itself takes the matcher seconds.
    const tooNear = ladder.stops.filter((one, i) =>
      ladder.stops.slice(i + 1).some((other) => Math.hypot(one.x - other.x, one.y - other.y) < 44),
    );
    expect(tooNear).toEqual([]);
    const [left, right] = ladder.rails;
    const outside = [...ladder.stops, ...ladder.symbols].filter(
      ({ x, y }) => x <= left!.x || x >= right!.x || y >= ladder.height,
    );
    expect(outside).toEqual([]);
  });

  test('goes out as well-formed SVG, as the loom does', () => {
    const files = [
      ...SYMBOL_STYLES.map((style) => ladderSvg(ladder, network.circuit, style)),
      loomSvg(layLoom(network.circuit, 390), network.circuit),
    ];
    for (const file of files) {
      expect(file).toMatch(/^<\?xml [^>]*>\n<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
      expect(file).not.toMatch(/NaN|undefined|Infinity/);
      const opened = file.match(/<(?!\?|\/)[^>]*[^/]>/g)!.length;
      expect(file.match(/<\//g)).toHaveLength(opened);
    }
  });
});

test('contacts stand in the order the current meets them', () => {
  const rung = rungOf(furnaceAirConditioner('Ladder'), 'Contactor');
  expect(contactsIn([...rung.before, ...rung.after])).toEqual([
    'Thermostat R–Y',
    'Pan float',
    'Low pressure',
    'High pressure',
  ]);
});

test('two thermostats stand side by side on the rung they share', () => {
  const rung = rungOf(parallelThermostats('Ladder'), 'Contactor');
  expect(rung.ways.map(contactsIn)).toEqual([['Thermostat R–Y'], ['Second thermostat R–Y']]);
  expect(contactsIn(rung.after)).toContain('Pan float');
});

test('a sequencer’s auxiliary stands beside the fan relay', () => {
  const rung = rungOf(electricHeat('Ladder', 'unit'), 'Blower');
  expect(rung.ways.map(contactsIn)).toEqual([['Fan relay COM–NO'], ['Heat sequencer A1–A2']]);
});

test('the fuse stands in the trunk, and safeties that rest closed are drawn so', () => {
  const ladder = layLadder(sectionsOf(compile(furnaceAirConditioner('Ladder'))));
  const control = ladder.sections.find(({ line }) => !line)!;
  expect(contactsIn(control.trunk)).toEqual(['Board fuse']);
  const symbol = (label: string) => ladder.symbols.find((entry) => entry.label === label)!;
  expect(symbol('Pan float').restsClosed).toBe(true);
  expect(symbol('Thermostat R–Y').restsClosed).toBe(false);
});

test.each(SYMBOL_STYLES)('%s show closed from open and energised from idle', (style) => {
  for (const type of ['contact', 'load'] as const) {
    const strokes = (on: boolean) => JSON.stringify(symbolStrokes(style, { type, restsClosed: false, on }));
    expect(strokes(true)).not.toBe(strokes(false));
  }
});

test('names with signs of their own do not break the file', () => {
  const circuit = addDevice(
    furnaceAirConditioner('A & <B>'),
    device('odd', 'float-switch', 'plant', 'Float "<&>"'),
  );
  expect(loomSvg(layLoom(circuit, 390), circuit)).toContain('Float &quot;&lt;&amp;&gt;&quot;');
});
