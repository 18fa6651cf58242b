/** The walk: what is to be looked at before anything is reset, and what the looks say together. */
import type { Building, Detector, Look, Unit } from './document';
import { LOOKS } from './document';

/** Something to look at: at a unit, a detector, a station, a thermostat, or whether air moves. */
export type WalkStop =
  | { type: 'unit'; id: string; left: readonly Look[] }
  | { type: 'detector'; id: string; left: readonly ('housing' | 'caps' | 'lamp')[] }
  | { type: 'station' | 'screen' | 'air'; id: string };

const DETECTOR_LOOKS = ['housing', 'caps', 'lamp'] as const;

/** What has not been looked at yet, outdoors last: thermostats and stations, detectors, units, then what moves the air. */
export function walkOf({ units, detectors, stations, thermostats, air }: Building): WalkStop[] {
  return [
    ...thermostats.filter(({ screen }) => screen === null).map(({ id }) => ({ type: 'screen', id }) as const),
    ...stations.filter(({ lamp }) => lamp === null).map(({ id }) => ({ type: 'station', id }) as const),
    ...detectors.flatMap((detector): WalkStop[] => {
      const left = DETECTOR_LOOKS.filter((look) => detector[look] === null);
      return left.length > 0 ? [{ type: 'detector', id: detector.id, left }] : [];
    }),
    ...units.flatMap(({ id, looks }): WalkStop[] => {
      const left = LOOKS.filter((look) => looks[look] === undefined);
      return left.length > 0 ? [{ type: 'unit', id, left }] : [];
    }),
    ...air.filter(({ runs }) => runs === null).map(({ id }) => ({ type: 'air', id }) as const),
  ];
}

/** Units that are still to be looked at: nothing is reset before that. */
export const beforeReset = (building: Building): WalkStop[] =>
  walkOf(building).filter(({ type }) => type === 'unit' || type === 'detector');

/** What the building shows, as codes; each about what it names. */
export type Sign =
  /** A blank screen hangs on a detector that is in alarm. */
  | { sign: 'held'; thermostat: string; detector: string }
  /** A blank screen, and its unit shows no trip: not that unit holds it. Detectors in a duct it may hang on, red ones first. */
  | { sign: 'held-elsewhere'; thermostat: string; unit: string; suspects: readonly string[] }
  /** The unit has its own: the one in the duct was left there by a change-out. */
  | { sign: 'left-in-duct'; detector: string; own: string }
  | { sign: 'never-commissioned'; detector: string }
  /** Water or a crack is the cause of an alarm, not a nuisance. */
  | { sign: 'damaged'; detector: string; housing: 'wet' | 'cracked' }
  | { sign: 'not-on-loop'; detector: string }
  | { sign: 'does-not-mix'; station: string; detector: string }
  /** Red, and nothing that it hangs on is known to be in alarm. */
  | { sign: 'red-unexplained'; station: string }
  | { sign: 'wrong-label'; unit: string }
  | { sign: 'unit-wrong'; unit: string; looks: readonly Look[] };

const isRed = ({ lamp }: Pick<Detector, 'lamp'>) => lamp === 'red';

/** A detector and the one it is tied to, either way round. */
const tiedTo = ({ detectors }: Building, detector: Detector): Detector[] =>
  detectors.filter(({ id, tied }) => id === detector.tied || tied === detector.id);

function signsOfThermostats(building: Building): Sign[] {
  const { thermostats, units, detectors } = building;
  return thermostats.flatMap(({ id, screen, held, unit: unitId }): Sign[] => {
    if (screen !== 'blank') return [];
    const holder = detectors.find((one) => one.id === held);
    if (holder) {
      const shown = isRed(holder) || tiedTo(building, holder).some(isRed);
      return shown ? [{ sign: 'held', thermostat: id, detector: holder.id }] : [];
    }
    const unit = units.find((one) => one.id === unitId);
    if (unit?.looks.display !== 'fine') return [];
    const inDucts = detectors.filter(({ place }) => place === 'duct');
    const suspects = [...inDucts]
      .sort(
        (one, other) =>
          Number(isRed(other)) - Number(isRed(one)) ||
          Number(other.unit === unit.id) - Number(one.unit === unit.id),
      )
      .map((one) => one.id);
    return [{ sign: 'held-elsewhere', thermostat: id, unit: unit.id, suspects }];
  });
}

function signsOfDetector({ detectors, stations }: Building, detector: Detector): Sign[] {
  const { id, unit, place, caps, housing, loop, wants } = detector;
  const own = detectors.find((one) => one.place === 'unit' && one.unit === unit && unit !== null);
  return [
    ...(place === 'duct' && own ? [{ sign: 'left-in-duct', detector: id, own: own.id } as const] : []),
    ...(caps === 'on' ? [{ sign: 'never-commissioned', detector: id } as const] : []),
    ...(housing === 'wet' || housing === 'cracked'
      ? [{ sign: 'damaged', detector: id, housing } as const]
      : []),
    ...(loop === false ? [{ sign: 'not-on-loop', detector: id } as const] : []),
    ...stations.flatMap((station): Sign[] =>
      station.detector === id && station.works !== null && wants !== null && station.works !== wants
        ? [{ sign: 'does-not-mix', station: station.id, detector: id }]
        : [],
    ),
  ];
}

const signsOfUnit = ({ id, serves, found, looks }: Unit): Sign[] => {
  const wrong = LOOKS.filter((look) => looks[look] === 'wrong');
  return [
    ...(found.trim() !== '' && found.trim().toLowerCase() !== serves.trim().toLowerCase()
      ? [{ sign: 'wrong-label', unit: id } as const]
      : []),
    ...(wrong.length > 0 ? [{ sign: 'unit-wrong', unit: id, looks: wrong } as const] : []),
  ];
};

/** What the looks say together. */
export function signsOf(building: Building): Sign[] {
  const { detectors, stations, units } = building;
  const unexplained = stations.filter(({ lamp, detector }) => {
    const hung = detectors.find(({ id }) => id === detector);
    return lamp === 'red' && !(hung && (isRed(hung) || tiedTo(building, hung).some(isRed)));
  });
  return [
    ...signsOfThermostats(building),
    ...detectors.flatMap((detector) => signsOfDetector(building, detector)),
    ...unexplained.map(({ id }) => ({ sign: 'red-unexplained', station: id }) as const),
    ...units.flatMap(signsOfUnit),
  ];
}
