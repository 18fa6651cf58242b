import { furnaceAirConditioner } from '../../systems';
import { addDevice, land, lift, removeDevice } from '../../circuit';
import type { Circuit } from '../../circuit';
import { device } from '../../systems/build';
import { layLoom } from '.';
import type { Rect } from '../shapes';

/** Least side of a target, CSS px: WCAG 2.2 success criterion 2.5.5 (target size, enhanced). */
const TARGET = 44;

const overlap = (one: Rect, other: Rect) =>
  one.x < other.x + other.width &&
  other.x < one.x + one.width &&
  one.y < other.y + other.height &&
  other.y < one.y + one.height;

const good = furnaceAirConditioner('Loom');
const spareAndFree = lift(lift(furnaceAirConditioner('Loom', false), 'statG', 'to'), 'leadFloat', 'to');
const many = Array.from({ length: 8 }, (_, i) =>
  device(`f${i}`, 'float-switch', 'plant', `Float ${i}`),
).reduce(addDevice, good);

// Two in-line devices wired to each other in a ring that no block is part of.
const ring = [
  ['leadFloat', 'from', 'fuse.1'],
  ['leadFloat', 'to', 'float.COM'],
  ['yardY', 'from', 'float.NC'],
  ['yardY', 'to', 'fuse.2'],
].reduce(
  (circuit, [conductor, end, terminal]) => land(circuit, conductor!, end as 'from' | 'to', terminal!),
  lift(lift(good, 'leadHot', 'to'), 'leadFused', 'from'),
);

const CIRCUITS: [string, Circuit][] = [
  ['a good circuit', good],
  ['lifted ends and a spare', spareAndFree],
  ['devices nothing is landed on', many],
  ['a ring of conductors', ring],
  ['a device taken out', removeDevice(good, 'board')],
];

describe.each(CIRCUITS)('%s', (_name, circuit) => {
  describe.each([320, 390, 560])('at %i px', (width) => {
    const loom = layLoom(circuit, width);
    const targets: Rect[] = [...loom.blocks, ...loom.chips];

    test('shows every terminal once, as a block or through its chip', () => {
      const chips = new Set(loom.chips.map((chip) => chip.device));
      const shown = new Set(loom.blocks.map((block) => block.device));
      for (const { id } of circuit.devices) expect(chips.has(id) !== shown.has(id)).toBe(true);
      expect(new Set(loom.blocks.map(({ terminal }) => terminal)).size).toBe(loom.blocks.length);
    });

    test('draws every conductor that is landed, and lists the spare ones', () => {
      const drawn = new Set([...loom.wires.map(({ conductor }) => conductor), ...loom.spares]);
      for (const { conductors } of circuit.cables)
        for (const { id } of conductors) expect(drawn).toContain(id);
    });

    test('keeps targets thumb-sized, apart and on the page', () => {
      for (const target of targets) {
        expect(Math.min(target.width, target.height)).toBeGreaterThanOrEqual(TARGET);
        expect(target.x).toBeGreaterThanOrEqual(0);
        expect(target.x + target.width).toBeLessThanOrEqual(width);
        expect(target.y + target.height).toBeLessThanOrEqual(loom.height);
      }
      targets.forEach((one, i) =>
        targets.slice(i + 1).forEach((other) => expect(overlap(one, other)).toBe(false)),
      );
    });

    test('ends conductors on screws of their terminals', () => {
      for (const { screws, x, y, width: wide, height } of loom.blocks)
        for (const screw of screws) {
          expect(screw.x).toBeGreaterThan(x + 8);
          expect(screw.x).toBeLessThan(x + wide - 8);
          expect([y, y + height]).toContain(screw.y);
        }
    });

    test('writes finite paths', () => {
      for (const { path } of loom.wires) expect(path).not.toMatch(/NaN|Infinity|undefined/);
    });
  });
});
