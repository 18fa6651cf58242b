import type { Circuit } from '@zygostat/core/circuit';
import { HALVES_CAUTIONS } from '@zygostat/core/words';
import { AppText } from '../../basics';
import { isInHalves } from '../bench/calls';

/** Where what is to be measured or moved by hand is at line voltage: who may do it, and how. */
export function LineCaution({ circuit }: { circuit: Circuit }) {
  return isInHalves(circuit)
    ? HALVES_CAUTIONS.map((caution) => (
        <AppText key={caution} kind="small">
          {caution}
        </AppText>
      ))
    : null;
}
