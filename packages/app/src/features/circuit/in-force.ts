/** The circuit as it is on site: as recorded, with whatever safeties are bypassed. */
import { createSelector } from '@reduxjs/toolkit';
import type { Circuit } from '@zygostat/core/circuit';
import { withBypasses } from '@zygostat/core/prove';
import { useMemo } from 'react';
import type { RootState } from '../../store';
import { useAppSelector } from '../../store';

const bypassedIn = ({ record }: RootState) => record.bypassed;

/** Of the open job; `null` while there is none. */
export const circuitInForce = createSelector(
  [({ edits }: RootState) => edits.present.circuit, bypassedIn],
  (circuit, bypassed) => circuit && withBypasses(circuit, bypassed),
);

/** Of a circuit of the open job. */
export function useInForce(circuit: Circuit): Circuit {
  const bypassed = useAppSelector(bypassedIn);
  return useMemo(() => withBypasses(circuit, bypassed), [circuit, bypassed]);
}
