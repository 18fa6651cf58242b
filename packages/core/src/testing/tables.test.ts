/** Every word and figure said of the ready systems, as recorded: what this file guards is that nothing changes unnoticed. */
import { TABLES, systemsOf } from './tables';
import recorded from './__recorded__/tables.json';

const RECORDED: Readonly<Record<string, Readonly<Record<string, readonly string[]>>>> = recorded;

describe.each(Object.entries(TABLES))('%s', (table, linesOf) => {
  test.each(systemsOf(table))('$id', ({ id, build }) => {
    expect(linesOf(build('Recorded'))).toEqual(RECORDED[table]![id]);
  });
});
