/** The picture of the house in the docs is the house: every floor is drawn, and no import climbs. */
import { readFileSync, readdirSync } from 'node:fs';
import { join, relative, resolve } from 'node:path';

const CORE = resolve(__dirname, '..');
const drawn = [
  ...readFileSync(join(CORE, '../../../docs/house.svg'), 'utf8').matchAll(/data-floor="([a-z]+)"/g),
].map(([, floor]) => floor!);
/** From the roof down. */
const floors = drawn.filter((floor) => floor !== 'app' && floor !== 'server');

const sources = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.startsWith('testing'),
);

test('every floor of the core is drawn, and nothing that is not there', () => {
  const folders = readdirSync(CORE, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
    .map(({ name }) => name);
  expect([...floors].sort()).toEqual(folders.sort());
  expect(drawn).toEqual(expect.arrayContaining(['app', 'server']));
});

test('what a file imports lies on its own floor or below', () => {
  const climbing = sources.flatMap((file) => {
    const text = readFileSync(join(CORE, file), 'utf8');
    const from = file.split('/')[0]!;
    return [...text.matchAll(/from '(\.[^']*)'/g)].flatMap(([, path]) => {
      const to = relative(CORE, resolve(join(CORE, file), '..', path!)).split('/')[0]!;
      return floors.indexOf(to) < floors.indexOf(from) ? [`${file} imports ${to}`] : [];
    });
  });
  expect(sources.length).toBeGreaterThan(150);
  expect(climbing).toEqual([]);
});
