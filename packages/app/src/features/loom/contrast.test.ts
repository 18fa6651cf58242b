/**
 * Contrast of what is written and drawn on the loom, which axe does not see in a drawing: WCAG 2.2, 1.4.3 (4.5:1 for text), 1.4.11
 * (3:1 for marks), 1.4.6 (7:1) in bright sun. Relative luminance and ratio as WCAG 2.2 defines them.
 */
import { dark, glare, light } from '../../theme';
import type { Tokens } from '../../theme';
import { standingFill, standingInk, toneFill, toneInk } from './inks';

const luminance = (hex: string): number =>
  [1, 3, 5]
    .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4))
    .reduce((sum, part, i) => sum + part * [0.2126, 0.7152, 0.0722][i]!, 0);

const contrast = (a: string, b: string): number => {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (high! + 0.05) / (low! + 0.05);
};

test('the measure itself: black on white is 21, the grey 767676 on white 4.54 (W3C, from memory)', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5);
  expect(contrast('#767676', '#FFFFFF')).toBeCloseTo(4.54, 2);
});

const STANDINGS = ['hot', 'return', 'dead', 'floating'] as const;
const TONES = ['ok', 'off', 'tripped', 'busy'] as const;

/** Each text of the loom on what is under it. */
const texts = (t: Tokens): (readonly [what: string, ink: string, ground: string])[] => [
  ...STANDINGS.flatMap((standing) =>
    (standing === 'hot' ? [false, true] : [false]).flatMap((line) => [
      [`designation, ${standing}`, t.ink, standingFill(t, standing, line)] as const,
      [`volts, ${standing}`, standingInk(t, standing, line), standingFill(t, standing, line)] as const,
    ]),
  ),
  ...TONES.flatMap((tone) => [
    [`chip ${tone}`, t.ink, toneFill(t, tone)] as const,
    [`state of a chip, ${tone}`, toneInk(t, tone), toneFill(t, tone)] as const,
    [`state of a plate, ${tone}`, toneInk(t, tone), t.card] as const,
  ]),
  ['plate and colour tag', t.ink, t.card],
  ['line volts', t.red, t.card],
  ['share and clash', t.amber, t.card],
];

/** Marks: screws on their plate, chips about their ground, bands and rings on the card and the page. */
const marks = (t: Tokens): (readonly [what: string, ink: string, ground: string])[] => [
  ...STANDINGS.map((standing) => [`screw, ${standing}`, standingInk(t, standing, false), t.card] as const),
  ...TONES.map((tone) => [`edge of a chip, ${tone}`, toneInk(t, tone), t.paper] as const),
  ['outline of a conductor', t.ink, t.paper],
  ['outline of a dead conductor', t.mute, t.paper],
  ['what changed', t.amber, t.card],
];

test.each([
  ['light', light, 4.5],
  ['dark', dark, 4.5],
  ['glare', glare, 7],
] as const)('%s: every text of the loom, and every mark at 3:1', (_name, t, least) => {
  const short = [
    ...texts(t).filter(([, ink, ground]) => contrast(ink, ground) < least),
    ...marks(t).filter(([, ink, ground]) => contrast(ink, ground) < 3),
  ];
  expect(short.map(([what, ink, ground]) => `${what}: ${contrast(ink, ground).toFixed(2)}`)).toEqual([]);
});
