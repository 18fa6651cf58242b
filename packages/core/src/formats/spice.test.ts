/**
 * Every operating point against ngspice (Debian package), which solves the exported
 * netlist by its own modified nodal analysis with controlled sources. Recorded values
 * stand beside their netlists in `__recorded__`; where ngspice is installed it is asked again.
 * To record anew: RECORD_NGSPICE=1 npx jest spice
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { OperatingPoint } from '../network';
import type { Phasors } from '../testing/ngspice';
import { ngspiceVersion, solveWithNgspice } from '../testing/ngspice';
import { SCENARIOS, pointOf } from '../testing/scenarios';
import { spiceNetlist, spiceNode } from './spice';

interface Recording {
  ngspice: string;
  nodes: Phasors;
}

const version = ngspiceVersion();
const recording = process.env.RECORD_NGSPICE === '1';
const fileOf = (name: string, ending: string) =>
  join(__dirname, '__recorded__', `${name.replace(/\W+/g, '-').toLowerCase()}.${ending}`);

/** The agreement asked for: 0.1 % or 1 mV, whichever is wider. */
function expectAgreement({ network, re, im }: OperatingPoint, nodes: Phasors): void {
  network.nodes.forEach((name, i) => {
    const [spiceRe, spiceIm] = nodes[spiceNode(i)] ?? [NaN, NaN];
    const apart = Math.hypot(spiceRe - re[i]!, spiceIm - im[i]!);
    const allowed = Math.max(1e-3, 1e-3 * Math.hypot(spiceRe, spiceIm));
    if (!(apart <= allowed))
      throw new Error(`${name}: ngspice ${spiceRe}+${spiceIm}j, here ${re[i]}+${im[i]}j`);
  });
}

describe.each(SCENARIOS)('$name', (scenario) => {
  const point = pointOf(scenario);
  const netlist = spiceNetlist(point);
  const [deck, values] = [fileOf(scenario.name, 'cir'), fileOf(scenario.name, 'json')];

  if (recording)
    test('is recorded', () => {
      const nodes = solveWithNgspice(netlist);
      writeFileSync(deck, netlist);
      writeFileSync(values, `${JSON.stringify({ ngspice: version, nodes }, null, 1)}\n`);
      expect(Object.keys(nodes)).toHaveLength(point.network.nodes.length);
    });

  test('has the netlist that was recorded', () => {
    expect(existsSync(deck) && readFileSync(deck, 'utf8')).toBe(netlist);
  });

  test('agrees with the recorded ngspice values', () => {
    const { nodes } = JSON.parse(readFileSync(values, 'utf8')) as Recording;
    expectAgreement(point, nodes);
    expect(Object.keys(nodes)).toHaveLength(point.network.nodes.length);
  });

  (version === null ? test.skip : test)('agrees with ngspice run now', () => {
    expectAgreement(point, solveWithNgspice(netlist));
  });
});

test('CI runs ngspice live', () => {
  expect(process.env.CI === undefined || version !== null).toBe(true);
});
