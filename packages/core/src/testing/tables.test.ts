/** Every word and figure said of the ready systems, as recorded: what this file guards is that nothing changes unnoticed. */
import { TEMPLATES } from '../systems';
import { TABLES } from './tables';
import recorded from './__recorded__/tables.json';

const RECORDED: Readonly<Record<string, Readonly<Record<string, readonly string[]>>>> = recorded;

describe.each(Object.entries(TABLES))('%s', (table, linesOf) => {
  test.each(TEMPLATES)('$id', ({ id, build }) => {
    expect(linesOf(build('Recorded'))).toEqual(RECORDED[table]![id]);
  });
});
