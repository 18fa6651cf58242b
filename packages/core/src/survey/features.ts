/** What a person can see of a system, read off its circuit. */
import type { Circuit, Device } from '../circuit';
import { splitTerminal } from '../circuit';
import { fill, kindOf } from '../devices';

export const FEATURES = [
  'lineThermostat',
  'outdoorUnit',
  'oneCabinet',
  'reversingValve',
  'burner',
  'strips',
  'water',
  'boiler',
  'hangingHeater',
  'twoTransformers',
  'secondStage',
  'commonAtThermostat',
  'twoThermostats',
] as const;
export type Feature = (typeof FEATURES)[number];

/** Marks that only a second stage uses. */
const SECOND_STAGE = new Set(['Y2', 'W2']);

const loadIds = ({ kind, params, settings }: Device, mains: Circuit['mains']) => {
  const found = kindOf(kind);
  const context = { params: fill(found.params, params), settings: fill(found.settings, settings), mains };
  return found.loads(context).map(({ id }) => id);
};

/** Every feature of a circuit, present or not. */
export function featuresOf(circuit: Circuit): Record<Feature, boolean> {
  const { devices, mains } = circuit;
  const has = (...kinds: string[]) => devices.some(({ kind }) => kinds.includes(kind));
  const stats = devices.filter(({ kind }) => kindOf(kind).asks);
  const isStat = new Set(stats.map(({ id }) => id));
  const burns = (device: Device) =>
    loadIds(device, mains).some((id) => id === 'gas-valve' || id === 'burner');
  const compressors = devices.filter(({ kind }) => kind === 'outdoor-unit');
  const blows = devices.filter(({ kind }) => ['line-load', 'rooftop-controller'].includes(kind));
  const packaged = compressors.some(({ station }) => blows.some((device) => device.station === station));
  const landedAtStats = circuit.cables
    .flatMap(({ conductors }) => conductors.flatMap(({ from, to }) => [from, to]))
    .flatMap((terminal) => {
      if (terminal === null) return [];
      const { deviceId, mark } = splitTerminal(terminal);
      return isStat.has(deviceId) ? [mark] : [];
    });
  return {
    // Every ready system is controlled at 24 V.
    lineThermostat: false,
    outdoorUnit: compressors.length > 0 && !packaged,
    oneCabinet: packaged,
    reversingValve: devices.some(({ kind }) => kindOf(kind).turns),
    burner: devices.some(burns),
    strips:
      has('air-handler-board') ||
      devices.some(({ kind, params }) => kind === 'line-load' && params.type === 'strips'),
    water: has('travelling-valve', 'boiler-control'),
    boiler: has('boiler-control'),
    hangingHeater: has('unit-heater-board'),
    twoTransformers: devices.filter(({ kind }) => kind === 'control-transformer').length > 1,
    secondStage: landedAtStats.some((mark) => SECOND_STAGE.has(mark)),
    commonAtThermostat: landedAtStats.includes('C'),
    twoThermostats: stats.length > 1,
  };
}
