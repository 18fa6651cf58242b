import { keepSettings, keptSettings } from './kept';
import { DEFAULTS } from './slice';

beforeEach(() => localStorage.clear());

test('settings come back; what is no choice of this version falls back', () => {
  keepSettings({ ...DEFAULTS, length: 'm' });
  expect(keptSettings()).toEqual({ ...DEFAULTS, length: 'm' });
  localStorage.setItem(
    'zygostat.1.settings',
    JSON.stringify({ theme: 'plaid', gauge: 'mm2', colour: 'red' }),
  );
  expect(keptSettings()).toEqual({ ...DEFAULTS, gauge: 'mm2' });
});

test('an earlier version kept the theme alone', () => {
  localStorage.setItem('zygostat.1.theme', '"dark"');
  expect(keptSettings()).toEqual({ ...DEFAULTS, theme: 'dark' });
  localStorage.setItem('zygostat.1.theme', '"plaid"');
  expect(keptSettings()).toEqual(DEFAULTS);
});
