/** What must be brought for a change, as codes with quantities in SI. Told in `words/`. */
import type { Cable } from '../../circuit';
import type { ColourCode } from '../../standards';

export type Part =
  | { type: 'cable'; conductors: number; gauge: number; lengthM: number }
  | { type: 'plug-in-transformer'; va: number }
  | { type: 'panel-of-zones'; zones: number }
  | { type: 'new-thermostat' | 'zone-damper'; count: number }
  | { type: 'relief' | 'leak-set' | 'link-set' }
  | { type: 'transformer'; va: number }
  /** A twist-on connector for so many conductors. */
  | { type: 'connector'; conductors: number }
  | { type: 'jumper' | 'isolation-relay' | 'sharing-adapter' | 'wireless-thermostat' | 'batteries' };

/** A free conductor taken into use, and the mark it is then for. */
export interface SpareUsed {
  colour: ColourCode;
  mark: string;
}

/** What a cable is asked for at the counter. */
export const cablePart = ({ conductors, gauge, lengthM }: Cable): Part => ({
  type: 'cable',
  conductors: conductors.length,
  gauge,
  lengthM,
});
