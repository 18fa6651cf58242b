/** What a person can see of a system, read off its circuit. */
import type { Circuit } from '../circuit';
import { halvesOf, isFedAt, splitTerminal } from '../circuit';
import type { LoadNature, Appearance } from '../devices';
import { kindOf, loadsOf } from '../devices';

/** In the order in which they are asked for where they tell alike. */
export const FEATURES = [
  'lineThermostat',
  'outdoorUnit',
  'reversingValve',
  'burner',
  'strips',
  'water',
  'boiler',
  'twoTransformers',
  'oneCabinet',
  'hangingHeater',
  'secondStage',
  'commonAtThermostat',
  'twoThermostats',
  'fireLoop',
  'zonePanel',
  'leakController',
  'ductless',
  'fedIndoors',
  'dataPair',
  'wirelessLink',
] as const;
export type Feature = (typeof FEATURES)[number];

/** Marks that only a second stage uses. */
const SECOND_STAGE = new Set(['Y2', 'W2']);

/** Every feature of a circuit, present or not. */
export function featuresOf(circuit: Circuit): Record<Feature, boolean> {
  const { devices, mains } = circuit;
  const stats = devices.filter(({ kind }) => kindOf(kind).asks);
  const isStat = new Set(stats.map(({ id }) => id));
  const seen = (appearance: Appearance) =>
    devices.filter(({ kind }) => kindOf(kind).seenAs.includes(appearance));
  const drives = (...natures: LoadNature[]) =>
    devices.some((device) => loadsOf(device, mains).some(({ nature }) => natures.includes(nature)));
  const outdoors = seen('outdoor-cabinet');
  const blows = seen('blower');
  const packaged = outdoors.some(({ station }) => blows.some((device) => device.station === station));
  const landedAtStats = circuit.cables
    .flatMap(({ conductors }) => conductors.flatMap(({ from, to }) => [from, to]))
    .flatMap((terminal) => {
      if (terminal === null) return [];
      const { deviceId, mark } = splitTerminal(terminal);
      return isStat.has(deviceId) ? [mark] : [];
    });
  const halves = halvesOf(circuit);
  // A panel brings a transformer of its own, and a thermostat for every zone.
  const zoned = devices.some(({ kind }) => kindOf(kind).ownSupply);
  return {
    // Every ready system is controlled at 24 V.
    lineThermostat: false,
    outdoorUnit: outdoors.length > 0 && !packaged,
    oneCabinet: packaged,
    reversingValve: devices.some(({ kind }) => kindOf(kind).turns),
    burner: drives('flame'),
    strips: drives('strip'),
    water: seen('water').length > 0,
    boiler: seen('boiler').length > 0,
    hangingHeater: seen('hanging-heater').length > 0,
    twoTransformers: !zoned && devices.filter(({ kind }) => kindOf(kind).primary).length > 1,
    secondStage: landedAtStats.some((mark) => SECOND_STAGE.has(mark)),
    commonAtThermostat: landedAtStats.includes('C'),
    twoThermostats: !zoned && stats.length > 1,
    zonePanel: zoned,
    leakController: devices.some(({ kind }) => kindOf(kind).safety?.runs === 'fan'),
    wirelessLink: devices.some(({ kind }) => kindOf(kind).seenAs.includes('link')),
    dataPair: devices.some(({ kind }) => kindOf(kind).pairs),
    ductless: halves.length > 0,
    fedIndoors: halves.some((half) => !outdoors.includes(half.device) && isFedAt(circuit, half)),
    fireLoop: devices.some(({ kind }) => kindOf(kind).supervises),
  };
}
