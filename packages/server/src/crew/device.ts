/** What a device is called in the list of those signed in, from what its browser says of itself. */
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android.*Mobile/, 'Android phone'],
  [/Android/, 'Android tablet'],
  [/Windows/, 'Windows computer'],
  [/Mac OS X/, 'Mac'],
  [/CrOS/, 'Chromebook'],
  [/Linux/, 'Linux computer'],
];
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Firefox|FxiOS/, 'Firefox'],
  [/Edg/, 'Edge'],
  [/Chrome|CriOS/, 'Chrome'],
  [/Safari/, 'Safari'],
];

const first = (names: readonly (readonly [RegExp, string])[], agent: string) =>
  names.find(([pattern]) => pattern.test(agent))?.[1];

export function deviceName(agent = ''): string {
  const [system, browser] = [first(SYSTEMS, agent), first(BROWSERS, agent)];
  return [system ?? 'A device', browser].filter(Boolean).join(', ');
}
