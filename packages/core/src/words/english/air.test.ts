/** What is said of air and zones, in a person's units. */
import { NEW_WORLD, advance, airOf, holding } from '../../behaviour';
import { setValue } from '../../circuit';
import { compile } from '../../network';
import { planAir, planRooms } from '../../plan';
import { fourZoneFurnace, parallelThermostats, twoZoneFurnace } from '../../systems';
import {
  airChoices,
  airCaution,
  airFitText,
  airTroubleText,
  bypassText,
  dayTitle,
  namesIn,
  roomText,
  runsText,
  seasonText,
  showPressure,
  zoneText,
} from '..';

const US = { temperature: 'F', length: 'ft', gauge: 'awg' } as const;
const SI = { temperature: 'C', length: 'm', gauge: 'mm2' } as const;
const two = twoZoneFurnace('Said');

test('what may be built, in either habit of units', () => {
  const plan = planAir(two)!;
  expect(airChoices(plan, US)).toEqual([
    expect.stringMatching(/^A powered bypass: \d+ in\., set to 0\.\d\d in\. w\.c\.$/),
    expect.stringMatching(/^A bypass with a weight: \d+ in\., its weight from 0\.\d\d in\. w\.c\.$/),
    expect.stringMatching(/^No bypass: leave shut dampers \d+ % open$/),
    expect.stringMatching(/^Or a wider duct for zone 2: 12 in\.$/),
  ]);
  expect(airChoices(plan, SI)[0]).toMatch(/^A powered bypass: \d+ mm, set to \d+ Pa$/);
  expect(airCaution(plan, US)).toMatch(/^\d+ cfm is 350 cfm a ton, a rule of thumb\./);
  expect(airCaution(plan, SI)).toMatch(/^\d+ l\/s is 47 l\/s a kW/);
});

test('where none is needed, and where nothing helps', () => {
  const wide = ['zone1Mm', 'zone2Mm'].reduce((now, name) => setValue(now, 'ducts', 'params', name, 400), two);
  expect(airChoices(planAir(wide)!, US)).toEqual(['No bypass: none is needed, the dampers may shut.']);
  const hopeless = setValue(fourZoneFurnace('Said'), 'ducts', 'params', 'coolKw', 30);
  expect(airChoices(planAir(hopeless)!, US).at(-1)).toMatch(/dump zone/);
});

test('what goes wrong with a zone alone', () => {
  const alone = planAir(two)!.without.find(({ state }) => state.calling.join() === '2')!;
  expect(airTroubleText(alone)).toBe('Zone 2 alone: too little air for the coil and air rushes in its duct.');
});

test('dampers and flows for whoever does not see the drawing', () => {
  const network = compile(two);
  const inputs = holding(
    { controls: {}, conditions: { indoorC: 26, outdoorC: 31 } },
    { stat2: { mode: 'cool', setC: 20 } },
  );
  const view = airOf(network, inputs, advance(network, inputs, NEW_WORLD, 600).world)!;
  const names = namesIn(two);
  expect(view.zones.map((zone) => zoneText(names, zone, US))).toEqual([
    expect.stringMatching(/^Zone 1 · Thermostat below: shut, \d+ cfm$/),
    expect.stringMatching(/^Zone 2 · Thermostat above: calls, open, \d+ cfm$/),
  ]);
  expect(bypassText(view.bypass!, US)).toMatch(/^Bypass \d+ % open, \d+ cfm$/);
  expect(showPressure(-12, 'm')).toBe('−12 Pa');
});

test.each([
  [
    { back: 1.8, zones: { '1': 1, '2': 1.6 }, before: 6, after: 0.4 },
    /the return 1\.8 times and zone 2 1\.6 times .* agree within/,
  ],
  [{ back: 1.1, zones: { '1': 1 }, before: 9, after: 4 }, /still do not agree/],
  [{ back: 1, zones: { '1': 1 }, before: 0.3, after: 0.3 }, /as near as meter and hood can tell/],
])('a fit is told: %j', (fit, words) => {
  expect(airFitText(fit)).toMatch(words);
});

test('who leads in which months', () => {
  const storeys = setValue(parallelThermostats('Said'), 'rooms', 'params', 'zone2Height', 4.5);
  const [winter, summer] = planRooms(storeys, { day: 'winter' })!.seasons;
  const rooms = [
    { zone: '1', name: 'Below' },
    { zone: '2', name: 'Above' },
  ];
  expect(seasonText(winter!, rooms, US)).toMatch(
    /^October to April, heating: Below leads at 70 °F, Above at 6\d °F\. In the worst of it that makes Below \d\d °F and Above \d\d °F, \d\.\d starts an hour\.$/,
  );
  expect(seasonText(summer!, rooms, SI)).toMatch(/^June to August, cooling: Above leads at 24 °C/);
});

test('a day in the rooms, told', () => {
  const names = namesIn(two);
  const winter = planRooms(two, { day: 'winter' })!;
  expect(dayTitle(winter, US)).toBe('28 °F outdoors all day, heated; wanted is 70 °F.');
  expect(winter.rooms.map((room) => roomText(names, winter, room, SI))).toEqual([
    expect.stringMatching(/^Thermostat below: 2\d °C to 2\d °C, near what is wanted\.$/),
    'Thermostat above: 21 °C, near what is wanted.',
  ]);
  expect(runsText(names, winter)).toMatch(/^The unit runs \d+ % of the time, \d+\.\d starts an hour\.$/);
  const parallel = parallelThermostats('Said');
  const summer = planRooms(parallel, { day: 'summer' })!;
  expect(runsText(namesIn(parallel), summer)).toMatch(/; Second thermostat leads it \d+ % of that\.$/);
  expect(roomText(namesIn(parallel), summer, summer.rooms[0]!, SI)).toMatch(
    /^Thermostat: \d\d °C to \d\d °C, goes past it by \d+ K\.$/,
  );
});
