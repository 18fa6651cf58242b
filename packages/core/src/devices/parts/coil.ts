import type { BranchElement } from '../element';
import { impedanceOf } from '../element';
import { num } from '../fields';

/** Parameters of any 24 V electromagnet: what its label or a helper of its size says. */
export const coilParams = (sealed: number, inrush: number) => ({
  coilVolts: num({
    label: 'Coil rating',
    unit: 'V',
    default: 24,
    min: 5,
    max: 277,
    source: 'read the label',
  }),
  sealedVa: num({
    label: 'Coil, sealed',
    unit: 'VA',
    default: sealed,
    min: 0.1,
    max: 100,
    source: 'from memory',
  }),
  inrushVa: num({
    label: 'Coil, inrush',
    unit: 'VA',
    default: inrush,
    min: 0.1,
    max: 500,
    source: 'from memory',
  }),
  pullInShare: num({
    label: 'Usually pulls in from',
    unit: '× rating',
    default: 0.75,
    min: 0.4,
    max: 1,
    source: 'from memory',
  }),
  dropOutShare: num({
    label: 'Drops out below',
    unit: '× rating',
    default: 0.5,
    min: 0.1,
    max: 0.8,
    source: 'from memory',
  }),
});

interface CoilValues {
  coilVolts: number;
  sealedVa: number;
  inrushVa: number;
  pullInShare: number;
  dropOutShare: number;
}

/** A coil with positions `inrush` (armature open) and `sealed`. */
export function coilElement(
  id: string,
  a: string,
  b: string,
  values: CoilValues,
  hertz: number,
): BranchElement {
  return {
    kind: 'branch',
    id,
    a,
    b,
    nature: 'load',
    positions: {
      inrush: impedanceOf(values.coilVolts, values.inrushVa, 0.6, hertz),
      sealed: impedanceOf(values.coilVolts, values.sealedVa, 0.4, hertz),
    },
  };
}

/**
 * Whether the armature is in, given where it was and what the coil gets. It takes both the
 * volts and the current that go with them: an open winding has its full volts and no
 * pull, a shorted one current and no turns. A coil usually pulls in some way below the volts at which it
 * is guaranteed to (85 % of its rating): what is guaranteed is the proof's business.
 */
export function pulledIn(was: boolean, felt: { volts: number; amps: number }, values: CoilValues): boolean {
  const ratedAmps = (was ? values.sealedVa : values.inrushVa) / values.coilVolts;
  const share = Math.min(felt.volts / values.coilVolts, felt.amps / ratedAmps);
  // The shares are of one impedance and differ only by rounding when the winding is whole.
  return share >= (was ? values.dropOutShare : values.pullInShare) - 1e-9;
}
