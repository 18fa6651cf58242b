/**
 * Where to break the circuit. What each school stops, that a condensing furnace makes water in heating, that a blank screen
 * tells: common practice. The states and the litres come from the model.
 */
import { addDevice, lift } from '../../circuit';
import type { Circuit } from '../../circuit';
import type { Situation } from '../../prove';
import { electricHeat, fourPipeFanCoil, furnaceAirConditioner, heatPumpWithStrips } from '../../systems';
import { device } from '../../systems/build';
import { wrongIn } from '../../testing/wrong';
import type { SafetyWish } from '..';
import { askedOfWater, knowingWater, planSafety, staysDry, unwiredSafeties } from '..';

const furnace = furnaceAirConditioner('Place');
const float = { kind: 'float-switch', label: 'Second float', params: { place: 'line', heightMm: 5 } };
const sensor = { kind: 'moisture-sensor', label: 'Sensor' };
const rim = { kind: 'float-switch', label: 'Rim float', params: { place: 'rim', heightMm: 20 } };
const PAN = { below: 'pan' };

const wish = (more: Partial<SafetyWish> = {}): SafetyWish => ({ added: [float], sounder: false, ...more });
const planned = (circuit: Circuit, more: Partial<SafetyWish> = {}, condensing = false) =>
  planSafety(knowingWater(circuit, { pan: PAN, condensing }), 'stat', wish(more))!;
const at = (plan: ReturnType<typeof planned>, id: string) => plan.insertions.find((one) => one.id === id)!;

/** The first stage of a call. */
const first =
  (call: 'heat' | 'cool') =>
  ({ situation }: { situation: Situation }) =>
    situation.type === 'call' && situation.call === call && situation.stages === 'first';
const [heating, cooling] = [first('heat'), first('cool')];
const inHeating = ({ situation }: { situation: Situation }) =>
  situation.type === 'call' && situation.call === 'heat';

/** The furnace without the float it comes with, so that what is added is all there is. */
const bare: Circuit = {
  ...furnace,
  devices: furnace.devices.filter(({ id }) => id !== 'float'),
  cables: furnace.cables
    .filter(({ id }) => id !== 'floatLead')
    .map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((one) => (one.id === 'yardY' ? { ...one, from: 'board.Y' } : one)),
    })),
};

describe('a float in a dry furnace with an air conditioner', () => {
  const plan = planned(bare);

  test('is offered ahead of everything, to the thermostat, in the call and to the outdoor unit, each proven', () => {
    expect(plan.insertions.map(({ id }) => id).sort()).toEqual(['R', 'Y', 'ahead', 'outdoor']);
    for (const { proof, adds } of plan.insertions) {
      expect(wrongIn(proof)).toEqual([]);
      expect(adds).toEqual([]);
    }
  });

  test('in R all stops and the screen tells; to the outdoor unit the rest goes on and nobody is told', () => {
    const [inR, outdoor] = [at(plan, 'R'), at(plan, 'outdoor')];
    expect(inR.tripped.find(heating)!.stops).toContain('Gas valve');
    expect(outdoor.tripped.find(cooling)!.stops).toContain('Compressor');
    expect(outdoor.tripped.find(cooling)!.goesOn.join()).toMatch(/Blower/);
    expect(outdoor.tripped.find(heating)!.stops).toEqual([]);
    expect(outdoor.tripped.every(({ told }) => !told)).toBe(true);
  });

  test('every place keeps the ceiling dry; today it gets wet', () => {
    expect(plan.insertions.map(staysDry)).toEqual([true, true, true, true]);
    expect(plan.today.find(({ situation }) => !inHeating({ situation }))!.litres).toBeGreaterThan(10);
    expect(plan.today.find(inHeating)!.litres).toBe(0);
  });

  test('with a screen that lives on its wire, R tells: that is what is recommended, and its protection waits again', () => {
    const wired = {
      ...bare,
      devices: bare.devices.map((one) => (one.id === 'stat' ? { ...one, params: { supply: 'wired' } } : one)),
    };
    const { recommended, insertions } = planned(wired);
    expect(recommended).toMatchObject({ id: 'R', reason: 'tells' });
    const inR = insertions.find(({ id }) => id === 'R')!;
    expect(inR.tripped.every(({ told }) => told)).toBe(true);
    expect(inR.tripped.find(cooling)!.againS).toBeGreaterThan(240);
    // The call stands all the while: to the outdoor unit it is there again at once, whatever the compressor needs.
    expect(insertions.find(({ id }) => id === 'outdoor')!.tripped.find(cooling)!.againS).toBeLessThan(10);
  });
});

describe('on a condensing furnace', () => {
  const plan = planned(bare, {}, true);

  test('only what breaks R stops the water in heating', () => {
    for (const id of ['ahead', 'R']) expect(staysDry(at(plan, id))).toBe(true);
    for (const id of ['Y', 'outdoor']) {
      expect(staysDry(at(plan, id))).toBe(false);
      expect(at(plan, id).flooded.find(inHeating)!.litres).toBeGreaterThan(10);
    }
    expect(plan.recommended?.id).toBe('R');
  });
});

test('the float that is there already keeps cooling dry, and is told as today’s', () => {
  const lined = {
    ...furnace,
    devices: furnace.devices.map((one) =>
      one.id === 'float' ? { ...one, params: { place: 'line', heightMm: 5 } } : one,
    ),
  };
  expect(planned(lined).today.map(({ litres }) => litres)).toEqual([0, 0]);
});

test('on a heat pump breaking Y stops its heating too', () => {
  const { stops } = at(planned(heatPumpWithStrips('Place')), 'Y').tripped.find(heating)!;
  expect(stops).toContain('Compressor');
});

test('on a fan coil R closes both valves, and the cooling valve alone can be broken', () => {
  const coil = planned(fourPipeFanCoil('Place'));
  expect(at(coil, 'R').tripped.find(cooling)!.stops).toContain('Cooling valve');
  expect(at(coil, 'R').tripped.find(heating)!.stops.join()).toMatch(/valve/i);
});

test('without cooling there is no Y to break', () => {
  const { insertions } = planned(electricHeat('Place'));
  expect(insertions.map(({ id }) => id)).not.toContain('Y');
});

describe('three in a row', () => {
  const plan = planned(bare, { added: [sensor, rim, float] }, true);
  const inR = at(plan, 'R');

  test('are wired one after the other, from the supply on', () => {
    const leads = inR.circuit.cables.flatMap(({ conductors }) => conductors);
    const to = (terminal: string) => leads.find((one) => one.to === terminal)?.from;
    const [one, two, three] = inR.devices;
    expect(to(`${one}.COM`)).toBe('board.R');
    expect(to(`${two}.COM`)).toBe(`${one}.NC`);
    expect(to(`${three}.COM`)).toBe(`${two}.NC`);
    expect(to(`${one}.R`)).toBe('board.R');
    expect(leads.find(({ id }) => id === 'statR')!.to).toBe(`${three}.NC`);
  });

  test('each stops the same, the sensor keeps its lamp, and whichever is bypassed the others still stop it', () => {
    expect(inR.alike).toBe(true);
    expect(inR.supplied).toEqual([{ device: inR.devices[0], keeps: true }]);
    expect(inR.latched).toEqual([inR.devices[0]]);
    // The sensor and the float on the rim notice whatever comes; the float in the drain line only what stands at the coil.
    const [one, two, three] = inR.devices as [string, string, string];
    expect(inR.covered.map(({ still }) => [...still].sort())).toEqual([[two], [one], [one, two].sort()]);
    expect(inR.covered.map((covered) => covered.device)).toEqual([one, two, three]);
    expect(wrongIn(inR.proof)).toEqual([]);
  });

  test('a float at the highest corner stands in for none that sits lower', () => {
    const high = { kind: 'float-switch', label: 'High float', params: { corner: 'highest' } };
    const { covered, devices } = at(planned(bare, { added: [rim, high] }), 'R');
    expect(covered.map(({ still }) => still)).toEqual([[], [devices[0]]]);
  });

  test('nor does one in a pan that is not there', () => {
    const none = knowingWater(bare, { pan: { below: 'nothing' }, condensing: true });
    const { covered, devices } = at(planned(none, { added: [rim, float] }), 'R');
    expect(covered.map(({ still }) => still)).toEqual([[], []]);
    expect(devices).toHaveLength(2);
  });

  test('its unused alarm contact is told to be insulated; a sounder on it tells', () => {
    expect(inR.insulated).toEqual([`${inR.devices[0]}.NO`]);
    const loud = planned(bare, { added: [sensor], sounder: true });
    expect(at(loud, 'R').insulated).toEqual([]);
    expect(at(loud, 'R').tripped.every(({ told }) => told)).toBe(true);
    expect(wrongIn(at(loud, 'R').proof)).toEqual([]);
    // Its contact hangs on Y there: without a cooling call nothing sounds.
    expect(at(loud, 'outdoor').tripped.map(({ told }) => told)).toEqual([false, false, true]);
  });
});

// Common practice: a pump's overflow switch left unconnected is a costly omission.
describe('with a condensate pump', () => {
  const pump = device('pump', 'condensate-pump', 'plant', 'Pump');
  const drained: Circuit = knowingWater(addDevice(bare, pump), {
    pan: { leadsTo: 'pump' },
    condensing: true,
  });

  test('a float in the pan does not notice a pump that lifts nothing', () => {
    const { flooded } = at(planned(drained), 'R');
    const wet = flooded.filter(({ litres }) => litres > 1);
    expect([...new Set(wet.map(({ blocked }) => blocked))]).toEqual(['pump']);
  });

  test('its own switch, not wired yet, is put in the row', () => {
    const [unwired] = unwiredSafeties(drained);
    expect(unwired).toMatchObject({ device: 'pump' });
    const inR = at(planned(drained, { added: [float, unwired!] }), 'R');
    expect(inR.devices).toContain('pump');
    expect(inR.circuit.devices.filter(({ kind }) => kind === 'condensate-pump')).toHaveLength(1);
    expect(staysDry(inR)).toBe(true);
    expect(inR.insulated).toEqual(['pump.NO']);
  });
});

test('a smoke detector is fed from the transformer’s side; in Y it leaves heat running, and is not proposed there', () => {
  const plan = planned(furnace, { added: [{ kind: 'smoke-detector', label: 'Duct detector' }] });
  const [inR, inY] = [at(plan, 'R'), at(plan, 'Y')];
  expect(inR.adds).toEqual([]);
  expect(inR.tripped.every(({ goesOn, keepsSupply }) => goesOn.length === 0 && keepsSupply === true)).toBe(
    true,
  );
  expect(inY.adds.map(({ property }) => property)).toEqual(['safety']);
  expect(plan.recommended?.id).toBe('R');
});

test('a freezestat stops what makes the ice, and leaves the fan to thaw it', () => {
  const plan = planned(furnace, { added: [{ kind: 'freezestat', label: 'Freezestat' }] });
  const tripped = at(plan, 'outdoor').tripped.find(cooling)!;
  expect(tripped.stops).toContain('Compressor');
  expect(tripped.goesOn.join()).toMatch(/Blower/);
});

describe('what is asked of the water', () => {
  test('is asked once', () => {
    expect(askedOfWater(furnace)).toEqual({ pan: true, condensing: true });
    const known = knowingWater(furnace, { pan: PAN, condensing: false });
    expect(askedOfWater(known)).toEqual({ pan: false, condensing: false });
    expect(knowingWater(known, { pan: PAN, condensing: true })).toEqual(known);
    expect(known.devices.find(({ kind }) => kind === 'drain-pan')!.station).toBe('plant');
  });

  test('leaves out what nothing could make', () => {
    expect(askedOfWater(heatPumpWithStrips('Place')).condensing).toBe(false);
  });
});

test('without a hot at the thermostat there is nothing to break; whoever waits can stop it', () => {
  const dead = lift(lift(furnace, 'statR', 'from'), 'statR', 'to');
  expect(planned(dead).insertions.map(({ id }) => id)).not.toContain('R');
  expect(planSafety(furnace, 'stat', wish(), () => false)).toBeUndefined();
});
