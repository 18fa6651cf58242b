import type { Diagnosis, Observed } from '@zygostat/core/diagnose';
import type { LoggedReading } from '../readings/api';

/** Readings this long before a search was begun are of the same visit. */
const SAME_VISIT_MS = 12 * 3600 * 1000;

const isOfVisit = ({ createdAt }: LoggedReading, { observed }: Diagnosis) =>
  observed.length === 0 ||
  new Date(createdAt).getTime() >= new Date(observed[0]!.at).getTime() - SAME_VISIT_MS;

/**
 * Readings logged elsewhere in the job that count in a search: a.c. volts in a known call of the circuit as it is now, on
 * this visit, and not taken back.
 */
export function loggedFor(
  diagnosis: Diagnosis,
  readings: readonly LoggedReading[],
  revision: number,
): Observed[] {
  const { ignored = [] } = diagnosis;
  return readings
    .filter(
      (reading) =>
        reading.state !== '' &&
        reading.mode === 'ac-volts' &&
        reading.actual !== null &&
        reading.revision === revision &&
        isOfVisit(reading, diagnosis) &&
        !ignored.includes(reading.id),
    )
    .map(({ id, createdAt, state, mode, red, black, meter, actual }) => ({
      id,
      at: createdAt,
      observation: {
        type: 'reading',
        state,
        probes: { mode, red, black, meter },
        value: actual!,
      },
    }));
}
