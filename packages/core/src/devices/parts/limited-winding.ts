/**
 * The protector inside a transformer that limits itself: it opens before the winding suffers and closes
 * again once the primary has been off.
 */
import type { Senses } from '../context';
import type { Wait } from '../define';
import type { Protection } from '../traits';
import type { BranchElement } from '../element';
import { path } from '../element';
import type { Values } from '../fields';
import type { Overload } from './overcurrent';
import { carrying, stepOverload, windingSeconds } from './overcurrent';
import { CONTROL_VOLTS } from './board';

/** Resistance of the closed protector, ohms, from memory. */
const PROTECTOR_OHMS = 0.005;
/** Volts on the primary under which it has cooled and closed again, from memory. */
const COLD_VOLTS = 5;

/** Rated secondary amperes of a transformer: its nameplate over its rated volts. */
export const ratedAmps = ({ va, ratedVolts = CONTROL_VOLTS }: Values): number =>
  Number(va) / Number(ratedVolts);

/** Between the winding's own end and the terminal. */
export function protectorElement(terminal: string): BranchElement {
  const closed = path('protector', '#hot', terminal, PROTECTOR_OHMS);
  return { ...closed, positions: { ...closed.positions, opened: 'open' } };
}

export const protectorPosition = ({ open }: Overload) => (open ? 'opened' : 'on');

/** @param primary - volts on the primary: off, the protector cools and closes. */
export function stepProtector(
  state: Overload,
  senses: Senses,
  primary: number,
  params: Values,
  now: number,
): Overload {
  if (primary < COLD_VOLTS) return carrying;
  return stepOverload(state, windingSeconds(senses.amps('protector') / ratedAmps(params)), now);
}

export const protectorWaits = ({ opensAt }: Overload): Wait[] =>
  opensAt === null ? [] : [{ until: opensAt, text: 'overloaded, about to open by itself' }];

export const ownProtection: Protection = {
  element: 'protector',
  held: 'on',
  event: 'The transformer has opened by itself',
  opensIn: (amps, params) => windingSeconds(amps / ratedAmps(params)),
};
