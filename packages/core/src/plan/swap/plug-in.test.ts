/** A plug-in transformer beside the unit's own. What each case comes to is common practice in the trade. */
import { boilerTwoWire } from '../../systems';
import { wrongIn } from '../../testing/wrong';
import type { SwapOption } from '..';
import { planSwap } from '..';

const screws = ({ landings }: SwapOption) =>
  Object.fromEntries(landings.map(({ conductor, screw }) => [conductor, screw.split('.')[1]]));
const settingOf = (option: SwapOption, name: string) =>
  option.setUp.find((line) => line.name === name)?.value;

describe('a plug where only heat is called', () => {
  const plug = (terminals: string) =>
    planSwap(boilerTwoWire('Plug'), { device: 'stat', terminals, supply: 'both' })!.options.find(
      ({ method }) => method.id === 'plug-in',
    )!;

  test('is kept apart from the unit on RC and RH, the joiner out', () => {
    const option = plug('two');
    expect(screws(option)).toMatchObject({ statR: 'RH', statW: 'W' });
    expect(settingOf(option, 'joiner')).toBe('out');
    expect(option).toMatchObject({ method: { apart: true } });
    expect(wrongIn(option.proof)).toEqual([]);
  });

  test('meets the unit on R where there is one hot, and says so', () => {
    const option = plug('five');
    expect(screws(option)).toMatchObject({ statR: 'R', statW: 'W' });
    expect(option).toMatchObject({ method: { apart: false } });
  });
});
