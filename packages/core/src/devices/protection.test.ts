/** What opens, when, and in what order. Let-through of fuses in series is common practice; curves are cited where they stand. */
import { NEW_WORLD, advance } from '../behaviour';
import { CircuitError, addDevice, land, parseCircuit, setCable, setValue } from '../circuit';
import type { Circuit, Device } from '../circuit';
import { compile, voltsBetween } from '../network';
import { furnaceAirConditioner, heatPumpWithStrips, twoTransformerSplit } from '../systems';
import { transformerStands } from '../standards';
import { windingSeconds } from './parts/overcurrent';
import { kindOf, ratedAmps } from '.';

const mild = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
const good = furnaceAirConditioner('Protection');

/** A second fuse behind the first. */
function inSeries(first: number, second: number): Circuit {
  const fuse: Device = {
    id: 'fuse2',
    kind: 'blade-fuse',
    station: 'plant',
    label: 'Second fuse',
    params: { rating: second },
    settings: {},
  };
  const added = addDevice(setValue(good, 'fuse', 'params', 'rating', first), fuse);
  const moved = land(added, 'leadFused', 'from', 'fuse2.2');
  const [leads, ...others] = moved.cables.filter(({ id }) => id === 'boardLeads');
  const lead = { id: 'between', colour: 'RD' as const, from: 'fuse.2', to: 'fuse2.1' };
  return {
    ...moved,
    cables: moved.cables.map((cable) =>
      cable === leads && others.length === 0 ? { ...cable, conductors: [...cable.conductors, lead] } : cable,
    ),
  };
}

test.each([
  [5, 3, 'fuse2'],
  [3, 5, 'fuse'],
])('of %d A and %d A in series on a dead short only %s opens', (first, second, opens) => {
  const network = compile(inSeries(first, second), [], [{ red: 'board.R', black: 'board.C', ohms: 0.05 }]);
  const { world } = advance(network, mild, NEW_WORLD, 60);
  for (const id of ['fuse', 'fuse2'])
    expect(`${id} ${String(world.states[id]!.open)}`).toBe(`${id} ${String(id === opens)}`);
});

describe('a transformer that limits itself', () => {
  const limited = twoTransformerSplit('Protection');
  const short = [{ red: 'xfmr2.R', black: 'xfmr2.C', ohms: 0.05 }];

  test('opens on a short before its winding suffers, and holds what it is rated for', () => {
    const { world, point } = advance(compile(limited, [], short), mild, NEW_WORLD, 60);
    expect(world.states.xfmr2!.open).toBe(true);
    expect(voltsBetween(point, 'xfmr2.R', 'xfmr2.C')).toBeLessThan(0.1);
    // IEEE C57.109, from memory: the thermal limit is 1250 / n² seconds.
    for (const times of [2, 4, 8]) expect(windingSeconds(times)).toBeLessThan(transformerStands(times));
    expect(windingSeconds(1.4)).toBe(Infinity);
  });

  test('closes again once its primary has been off', () => {
    const { world } = advance(compile(limited, [], short), mild, NEW_WORLD, 60);
    const healed = compile(limited);
    const still = advance(healed, mild, world, 10);
    expect(still.world.states.xfmr2!.open).toBe(true);
    const off = { ...mild, controls: { switch: { handle: 'off' } } };
    const cold = advance(healed, off, still.world, 10);
    expect(advance(healed, mild, cold.world, 10).world.states.xfmr2!.open).toBe(false);
  });

  test('one that does not stays whole for ever and burns', () => {
    const bare = setValue(limited, 'xfmr2', 'params', 'protection', 'none');
    const { world, point } = advance(compile(bare, [], short), mild, NEW_WORLD, 600);
    expect(world.states.xfmr2!.open).toBe(false);
    expect(voltsBetween(point, 'xfmr2.R', 'xfmr2.C')).toBeLessThan(2);
  });
});

test('an open primary is dead on whichever tap is wired', () => {
  for (const circuit of [good, heatPumpWithStrips('Protection')]) {
    const network = compile(circuit, [{ target: 'xfmr', mode: 'primary-open' }]);
    const { point } = advance(network, mild, NEW_WORLD, 1);
    expect(voltsBetween(point, 'xfmr.R', 'xfmr.C')).toBeLessThan(1);
  }
});

test('rated amperes are the nameplate over the rated volts', () => {
  expect(ratedAmps({ va: 40, ratedVolts: 24 })).toBeCloseTo(1.667, 3);
  expect(ratedAmps({ va: 20 })).toBeCloseTo(0.833, 3);
});

describe('what a document would refuse is refused in an edit too', () => {
  const device: Device = {
    id: 'new',
    kind: 'relay',
    station: 'plant',
    label: 'Relay',
    params: {},
    settings: {},
  };

  test.each<[string, Partial<Device>, RegExp]>([
    ['an id with a blank', { id: 'a b' }, /id must be 1 to 40 letters/],
    ['no label', { label: '' }, /label must not be empty/],
    ['a kind that is not there', { kind: 'toaster' }, /"toaster" is not in the catalogue/],
    ['a param that is not there', { params: { colour: 'red' } }, /params\.colour is not one of/],
    ['a value out of range', { params: { sealedVa: 900 } }, /params\.sealedVa must be a number/],
  ])('%s', (_what, change, words) => {
    expect(() => addDevice(good, { ...device, ...change })).toThrow(words);
  });

  test('a gauge nobody makes', () => {
    expect(() => setCable(good, 'statCable', { gauge: 17 })).toThrow(/Gauge must be one of .*18/);
  });

  test('rated volts above open volts', () => {
    expect(() => setValue(good, 'xfmr', 'params', 'ratedVolts', 27.1)).toThrow(/must not be above the 27 V/);
    expect(kindOf('control-transformer').conflict({ ratedVolts: 27, openVolts: 27 })).toBeUndefined();
    const wrong = {
      ...good,
      devices: good.devices.map((entry) =>
        entry.id === 'xfmr' ? { ...entry, params: { ratedVolts: 28, openVolts: 27 } } : entry,
      ),
    };
    expect(() => parseCircuit(wrong)).toThrow(CircuitError);
    expect(() => parseCircuit(wrong)).toThrow(/params\.ratedVolts must not be above the 27 V/);
  });
});
