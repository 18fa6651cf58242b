/** E joined to W2/AUX, as it is met on heat pumps. What each case comes to is common practice in the trade. */
import type { Circuit } from '../../circuit';
import { addLink, lift, setValue } from '../../circuit';
import { furnaceAirConditioner, heatPumpWithStrips } from '../../systems';
import { wrongIn } from '../../testing/wrong';
import type { SwapOption } from '..';
import { planSwap } from '..';

const joinedOn = (circuit: Circuit, ...marks: string[]) =>
  addLink(circuit, { id: 'join', kind: 'jumper', joins: marks.map((mark) => `stat.${mark}`) });
const banks = heatPumpWithStrips('Joined', { stages: 'one' });
/** One conductor for both banks, which a jumper at the board joins. */
const pump = addLink(lift(lift(banks, 'statE', 'from'), 'statE', 'to'), {
  id: 'banks',
  kind: 'jumper',
  joins: ['board.W1', 'board.W2'],
});
const joined = joinedOn(pump, 'E', 'AUX');
const best = (circuit: Circuit, terminals: string): SwapOption =>
  planSwap(circuit, { device: 'stat', terminals, supply: 'both' })!.options[0]!;
const marksOf = ({ jumpers }: SwapOption) =>
  jumpers.map(({ joins, fitted }) => [fitted, ...joins.map((join) => join.split('.')[1])]);

test('is kept where E and AUX are there again and one conductor serves both', () => {
  const option = best(joined, 'pump');
  expect(marksOf(option)).toEqual([[true, 'E', 'AUX']]);
  expect(option.jumpers[0]!.reason.type).toBe('kept');
  expect(wrongIn(option.proof)).toEqual([]);
});

test('moves with the screws', () => {
  const option = best(joined, 'R C Y W2 E G OB');
  expect(marksOf(option)).toEqual([[true, 'E', 'W2']]);
  expect(option.jumpers[0]!.reason).toEqual({ type: 'moved', from: ['E', 'AUX'], to: ['E', 'W2'] });
});

test('goes onto the rows of a two-row sub-base', () => {
  expect(marksOf(best(joined, 'rows'))).toEqual([[true, 'Y2', 'W2']]);
});

test('is taken away where there is no E', () => {
  const option = best(joined, 'apart');
  expect(marksOf(option)).toEqual([[false, 'E', 'AUX']]);
  expect(option.jumpers[0]!.reason.type).toBe('no-emergency');
});

test('is taken away where E has a conductor of its own', () => {
  const option = best(joinedOn(banks, 'E', 'AUX'), 'pump');
  expect(marksOf(option)).toEqual([[false, 'E', 'AUX']]);
  expect(option.jumpers[0]!.reason.type).toBe('own-conductor');
});

test('has nothing to do without a heat pump', () => {
  const furnace = joinedOn(
    setValue(furnaceAirConditioner('Joined'), 'stat', 'params', 'terminals', 'R C Y W AUX E G'),
    'E',
    'AUX',
  );
  expect(best(furnace, 'five').jumpers[0]!.reason.type).toBe('no-heat-pump');
});

test('none is said where there was none, but the empty E says what some thermostats need', () => {
  const option = best(pump, 'pump');
  expect(option.jumpers).toEqual([]);
  const empty = option.empties.find(({ terminal }) => terminal.endsWith('.E'));
  expect(empty?.reason).toBe('emergency-closes-back-up');
});

test('a thermostat without C cannot be powered by R and C', () => {
  const { cannot } = planSwap(pump, { device: 'stat', terminals: 'R Y G OB AUX', supply: 'both' })!;
  expect(cannot).toEqual([{ type: 'no-common-screw' }]);
});
