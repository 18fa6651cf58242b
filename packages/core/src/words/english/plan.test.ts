/** Plans as a person reads them, in units of their own. What each says is common practice in the trade. */
import { addLink } from '../../circuit';
import type { Method } from '../../plan';
import { planRun, planSwap } from '../../plan';
import { boilerTwoWire, furnaceAirConditioner, heatPumpWithStrips } from '../../systems';
import {
  emptyReasonText,
  jumperReasonText,
  landingReasonText,
  lossText,
  methodCautions,
  methodTitle,
  namesIn,
  obstacleText,
  partText,
  runMethodTitle,
} from '..';

const METRIC = { temperature: 'C', length: 'm', gauge: 'mm2' } as const;
const TRADE = { temperature: 'F', length: 'ft', gauge: 'awg' } as const;

const withoutSpares = furnaceAirConditioner('Words', false);
for (const cable of withoutSpares.cables)
  cable.conductors = cable.conductors.filter(({ from, to }) => from !== null || to !== null);
const { options } = planSwap(withoutSpares, { device: 'stat', terminals: 'five', supply: 'both' })!;
const way = (id: Method['id']) => options.find(({ method }) => method.id === id)!;

test('every way has a name, and says what is lost and what to look out for', () => {
  expect(options.map(({ method }) => methodTitle(method)).sort()).toEqual([
    'Give up G for C',
    'Plug-in transformer at the thermostat',
    'Pull a new 6-conductor cable',
    'Stay on batteries',
    'Wireless thermostat with a receiver at the unit',
    'Y and G share one conductor',
  ]);
  for (const { method } of options) expect(methodCautions(method)).not.toEqual([]);
  expect(way('fan-to-common').lost.map(lossText)).toEqual([
    'The fan by itself: it only follows heating and cooling.',
  ]);
});

test('a cable to be pulled is asked for in the person’s units, never shorter than it must be', () => {
  const [part] = way('new-cable').parts;
  const cable = { ...part!, type: 'cable', lengthM: 11.2, conductors: 6, gauge: 18 } as const;
  expect(partText(cable, METRIC)).toBe('6-conductor 0.82 mm² cable, 12 m');
  expect(partText(cable, TRADE)).toBe('6-conductor 18 AWG cable, 39 ft');
  expect(partText(way('plug-in').parts[0]!, TRADE)).toBe('Plug-in transformer, 24 V, 20 VA');
});

test('two sources at one thermostat are told apart by where they meet', () => {
  const plug = (terminals: string) =>
    planSwap(boilerTwoWire('Words'), { device: 'stat', terminals, supply: 'both' })!.options.find(
      ({ method }) => method.id === 'plug-in',
    )!.method;
  expect(methodCautions(plug('two'))[0]).toMatch(/unit on RH, plug on RC, joiner out/);
  expect(methodCautions(plug('five'))[0]).toMatch(/Two sources meet on R/);
});

test('a run is put right with a spare named by its colour and what it is for', () => {
  const pump = heatPumpWithStrips('Words');
  const yard = pump.cables.find(({ id }) => id === 'yardCable')!;
  yard.conductors.find(({ id }) => id === 'yardO')!.state = 'broken';
  yard.conductors.push({ id: 'spare', colour: 'BN', from: null, to: null });
  expect(planRun(pump, 'yardCable').map(({ method }) => runMethodTitle(method))).toEqual([
    'Use a spare: brown for O',
    'Y and O share one conductor',
    `Pull a new ${yard.conductors.length}-conductor cable`,
    'Wireless link, no conductor outdoors',
  ]);
});

test('why a conductor goes where it goes begins with what it runs', () => {
  const pump = heatPumpWithStrips('Words', { stages: 'one' });
  const joined = addLink(pump, { id: 'join', kind: 'jumper', joins: ['stat.E', 'stat.AUX'] });
  const [option] = planSwap(joined, { device: 'stat', terminals: 'pump', supply: 'both' })!.options;
  const reasonOf = (conductor: string) =>
    landingReasonText(option!.landings.find((landing) => landing.conductor === conductor)!.reason);
  expect(reasonOf('statAux')).toMatch(/^Fed by itself it runs: .*\. It brings the back-up heat\./);
  expect(reasonOf('statY')).toMatch(/^Fed by itself it runs: [^.]*\.$/);
  expect(jumperReasonText(option!.jumpers[0]!.reason)).toMatch(/bring both banks at once/);
  expect(emptyReasonText('emergency-closes-back-up')).toMatch(/Some thermostats need E joined/);
});

test('what is in the way is named by where it is', () => {
  const circuit = furnaceAirConditioner('Words');
  expect(obstacleText(namesIn(circuit), { type: 'no-hot', device: 'stat' })).toMatch(/Thermostat R is hot/i);
  expect(obstacleText(namesIn(circuit), { type: 'no-screw', mark: 'Y' })).toBe(
    'It has no Y for a conductor that is in use.',
  );
});
