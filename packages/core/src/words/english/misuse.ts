/** Why a meter must not be used as it is. */
import type { Misuse } from '../../network';

export const misuseText = (misuse: Misuse): string =>
  misuse.type === 'ohms-live'
    ? `${misuse.volts.toFixed(1)} V here. Ohms need a dead circuit: open the breaker, prove dead.`
    : `About ${Math.round(misuse.amps)} A: ammeter across a supply. Never do this.`;
