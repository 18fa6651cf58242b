import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv';
import { TEMPLATES, furnaceAirConditioner } from '../systems';
import { parseCircuit } from '../circuit';
import { circuitJsonSchema } from './json-schema';

const FILE = join(__dirname, '../../../../docs/circuit.schema.json');
const text = `${JSON.stringify(circuitJsonSchema(), null, 2)}\n`;

if (process.env.WRITE_SCHEMA === '1') writeFileSync(FILE, text);

test('the published schema is the one made from the Yup schema', () => {
  expect(readFileSync(FILE, 'utf8')).toBe(text);
});

// Ajv is an independent implementation of JSON Schema.
describe('an outside validator agrees with the program', () => {
  const validate = new Ajv({ allErrors: true, allowUnionTypes: true }).compile(circuitJsonSchema());
  const spoil = (change: (document: ReturnType<typeof furnaceAirConditioner>) => void) => {
    const document = furnaceAirConditioner('Schema');
    change(document);
    return document as unknown;
  };

  test.each(TEMPLATES)('on template $id', ({ build }) => {
    validate(JSON.parse(JSON.stringify(build('Schema'))));
    expect(validate.errors ?? []).toEqual([]);
  });

  test.each<[string, unknown]>([
    ['a missing list', { ...furnaceAirConditioner('Schema'), links: undefined }],
    ['an unknown field', { ...furnaceAirConditioner('Schema'), colour: 'RD' }],
    ['a later version', { ...furnaceAirConditioner('Schema'), version: 3 }],
    ['an unknown gauge', spoil((document) => (document.cables[0]!.gauge = 17))],
    ['a negative length', spoil((document) => (document.cables[0]!.lengthM = -1))],
    ['an id with a space', spoil((document) => (document.stations[0]!.id = 'the hall'))],
    ['a nested unknown field', spoil((document) => Object.assign(document.mains, { phases: 3 }))],
  ])('on refusing %s', (_what, document) => {
    expect(validate(JSON.parse(JSON.stringify(document)))).toBe(false);
    expect(() => parseCircuit(document)).toThrow();
  });
});
