/**
 * Every ready system drawn on a phone and wide: nothing behind anything, no words cut, and a third fewer crossings than
 * before conductors ran in channels. The table is docs/loom.md; WRITE_LOOM=1 writes what is measured now into it.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { findDevice } from '../../circuit';
import { TEMPLATES } from '../../systems';
import { tidinessOf } from '../../testing/loom-tidy';
import { layLoom } from '.';
import { LOOM } from './shapes';
import { textWidth } from './text';

const TABLE = join(__dirname, '../../../../../docs/loom.md');
const PHONE = 390;
const WIDE = 800;

/** Rows of the table: system, crossings before and now on a phone, before and now wide. */
const readTable = () =>
  new Map(
    readFileSync(TABLE, 'utf8')
      .split('\n')
      .map((line) => line.split('|').map((cell) => cell.trim()))
      .filter((cells) => cells.length === 7 && cells[2] !== '' && Number.isFinite(Number(cells[2])))
      .map(([, id = '', ...figures]) => [id, figures.slice(0, 4).map(Number)] as const),
  );

const looms = TEMPLATES.map(({ id, build }) => {
  const circuit = build('Loom');
  return { id, circuit, phone: layLoom(circuit, PHONE), wide: layLoom(circuit, WIDE) };
});
const measured = new Map(
  looms.map(({ id, phone, wide }) => [id, { phone: tidinessOf(phone), wide: tidinessOf(wide) }] as const),
);

if (process.env.WRITE_LOOM)
  writeFileSync(
    TABLE,
    [...measured].reduce(
      (text, [id, { phone, wide }]) =>
        text.replace(
          new RegExp(`^(\\| ${id} +\\| +\\d+ +\\|) +\\d+ +(\\| +\\d+ +\\|) +\\d+ +\\|$`, 'm'),
          `$1 ${phone.crossings} $2 ${wide.crossings} |`,
        ),
      readFileSync(TABLE, 'utf8'),
    ),
  );

const table = readTable();

test.each([...measured])(
  '%s: no conductor behind a block, a plate or a chip, along another, or slanting',
  (_, at) => {
    for (const { behind, along, slanting } of [at.phone, at.wide])
      expect({ behind, along, slanting }).toEqual({ behind: 0, along: 0, slanting: 0 });
  },
);

test.each(looms)('$id: every word is whole in the room it has', ({ circuit, phone, wide }) => {
  for (const { cards, blocks, chips } of [phone, wide]) {
    for (const { label, lines, width, height } of cards.flatMap(({ plates }) => plates)) {
      expect(lines.join('').replaceAll(' ', '')).toBe(label.replaceAll(' ', ''));
      for (const line of lines)
        expect(textWidth(line, LOOM.plate.type)).toBeLessThanOrEqual(width - 2 * LOOM.plate.pad);
      expect((lines.length + 1) * LOOM.plate.line).toBeLessThanOrEqual(height);
    }
    for (const { mark, width } of blocks)
      expect(
        textWidth(mark, mark.length > LOOM.mark.short ? LOOM.mark.small : LOOM.mark.type),
      ).toBeLessThanOrEqual(width);
    // The dots that tell more take a target of their own beside a chip's words.
    for (const { device, width } of chips)
      expect(textWidth(findDevice(circuit, device)!.label, LOOM.chip.type)).toBeLessThanOrEqual(
        width - LOOM.block.width - 14,
      );
  }
});

test('the table of crossings is what is drawn, and a third less than it was', () => {
  expect([...table.keys()]).toEqual(TEMPLATES.map(({ id }) => id));
  const sums = [0, 0, 0, 0];
  for (const [id, figures] of table) {
    const { phone, wide } = measured.get(id)!;
    expect([id, figures[1], figures[3]]).toEqual([id, phone.crossings, wide.crossings]);
    figures.forEach((figure, i) => (sums[i]! += figure));
  }
  expect(sums[1]).toBeLessThanOrEqual((sums[0]! * 2) / 3);
  expect(sums[3]).toBeLessThanOrEqual((sums[2]! * 2) / 3);
});
