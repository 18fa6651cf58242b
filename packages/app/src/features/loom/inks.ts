/** Colours the loom is drawn in, by how a thing stands; `contrast.test.ts` measures each against what lies under it. */
import type { Face } from '@zygostat/core/devices';
import type { Standing } from '@zygostat/core/network';
import type { Tokens } from '../../theme';

/** Figures and screws. @param line - hot at more than a control circuit may have */
export const standingInk = (t: Tokens, standing: Standing, line: boolean): string =>
  ({ hot: line ? t.red : t.copper, return: t.teal, dead: t.mute, floating: t.slate })[standing];

/** The ground of a block. */
export const standingFill = (t: Tokens, standing: Standing, line: boolean): string =>
  ({ hot: line ? t.redSoft : t.copperSoft, return: t.tealSoft, dead: t.idle, floating: t.slateSoft })[
    standing
  ];

/** The word of what is seen on a device, and the frame of a chip. */
export const toneInk = (t: Tokens, tone: Face['tone']): string =>
  ({ ok: t.teal, off: t.mute, tripped: t.red, busy: t.amber })[tone];

/** The ground of a chip. */
export const toneFill = (t: Tokens, tone: Face['tone']): string =>
  ({ ok: t.card, off: t.idle, tripped: t.redSoft, busy: t.amberSoft })[tone];
