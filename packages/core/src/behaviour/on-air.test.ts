/** What the modules of a link say, for whoever carries it: their calls by mark, whatever the air is like. Common practice. */
import { heatPumpOverLink } from '../systems';
import { compile } from '../network';
import { calling } from '../testing/scenarios';
import { NEW_WORLD, advance, onAir } from '.';

const circuit = heatPumpOverLink('Air');

const saidIn = (mode: 'off' | 'cool' | 'heat', more = {}) => {
  const inputs = calling(mode, more);
  const { world } = advance(compile(circuit), inputs, NEW_WORLD, 400);
  return Object.fromEntries(
    onAir(circuit, inputs, world).map(({ device, powered, says }) => [device, [powered, ...says]]),
  );
};

test('the indoor module says what is called, also where nothing gets through', () => {
  expect(saidIn('off')).toEqual({ linkIn: [true], linkOut: [true] });
  expect(saidIn('cool')).toEqual({ linkIn: [true, 'Y', 'O'], linkOut: [true] });
  expect(saidIn('heat', { linkIn: { radio: 'blocked' } })).toEqual({ linkIn: [true, 'Y'], linkOut: [true] });
});

test('without power nothing is said', () => {
  expect(saidIn('cool', { disconnect: { handle: 'off' } }).linkOut).toEqual([false]);
});
