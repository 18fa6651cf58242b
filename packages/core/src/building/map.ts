/** What hangs on what, as it was found: detector by detector. */
import type { Building } from './document';

export interface Hanging {
  /** `null` gathers what has not been found to hang on any. */
  detector: string | null;
  stations: readonly string[];
  thermostats: readonly string[];
  /** Detectors tied to it, either way round. */
  tied: readonly string[];
}

const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id);

/** Every detector with what hangs on it; what hangs on none that is known comes last. */
export function mapOf({ detectors, stations, thermostats }: Building): Hanging[] {
  const of = (detector: string | null): Hanging => ({
    detector,
    stations: ids(stations.filter((one) => one.detector === detector)),
    thermostats: ids(thermostats.filter((one) => one.held === detector)),
    tied: ids(
      detectors.filter(({ id, tied }) => {
        const own = detectors.find((one) => one.id === detector);
        return detector !== null && (tied === detector || own?.tied === id);
      }),
    ),
  });
  const loose = of(null);
  const found = detectors.map(({ id }) => of(id));
  return loose.stations.length + loose.thermostats.length > 0 ? [...found, loose] : found;
}
