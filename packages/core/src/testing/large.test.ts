import { NEW_WORLD, advance, callScript, runTimeline, sectionsOf, viewOf } from '../behaviour';
import { parseCircuit } from '../circuit';
import { layLadder, layLoom } from '../drawing';
import { compile } from '../network';
import { discrepanciesOf, runsOf } from '../survey';
import { largeCircuit } from './large';

const circuit = largeCircuit('Campus');
const conductors = circuit.cables.flatMap((cable) => cable.conductors);

test('is as large as asked for and a valid document', () => {
  expect(circuit.devices.length).toBeGreaterThanOrEqual(60);
  expect(conductors.length).toBeGreaterThanOrEqual(200);
  expect(parseCircuit(JSON.parse(JSON.stringify(circuit)))).toEqual(circuit);
});

test('settles, runs through time and is drawn whole', () => {
  const network = compile(circuit);
  const on = { mode: 'cool', setC: 22 };
  const inputs = {
    controls: { astat: on, bstat: on, cstat: on, dstat: on },
    conditions: { indoorC: 26, outdoorC: 31 },
  };
  const settled = advance(network, inputs, NEW_WORLD, 500);
  const view = viewOf(network, inputs, settled);
  expect(view.loads.filter(({ id, energised }) => id === 'compressor' && energised)).toHaveLength(7);
  expect(runTimeline(network, callScript(circuit, 'cool', 600), 900).ended).toBeNull();
  const loom = layLoom(circuit, 390);
  expect(loom.wires.length + loom.spares.length).toBe(conductors.length);
  expect(layLadder(sectionsOf(network)).sections.length).toBeGreaterThanOrEqual(8);
  expect(
    discrepanciesOf(circuit, { runs: runsOf(circuit) }).filter(({ severity }) => severity === 'fault'),
  ).toEqual([]);
});
