/** An invented hall with three units on its roof, two detectors left by a change-out, and a draught at its doors. */
import type { Building } from '@zygostat/core/building';
import { begun } from '@zygostat/core/building';

export const DEMO_SITE = 'Lamplighters’ Hall';

export const DEMO_BUILDING: Building = {
  units: [
    begun('units', 'rtu1', 'RTU 1', { serves: 'Assembly room' }),
    begun('units', 'rtu2', 'RTU 2', { serves: 'Stage' }),
    begun('units', 'rtu3', 'RTU 3', { serves: 'Kitchen' }),
  ],
  detectors: [
    begun('detectors', 'duct1', 'Detector above the ceiling', { unit: 'rtu1', place: 'duct', wants: 'key' }),
    begun('detectors', 'own1', 'Detector in RTU 1', { unit: 'rtu1', tied: 'duct1' }),
  ],
  stations: [{ id: 'station1', label: 'Station by the cloakroom', works: 'key', lamp: null, detector: null }],
  thermostats: [
    begun('thermostats', 'stat1', 'Assembly room thermostat', { unit: 'rtu1' }),
    begun('thermostats', 'stat2', 'Stage thermostat', { unit: 'rtu2' }),
  ],
  air: [
    begun('air', 'hood', 'Kitchen hood', { kind: 'exhaust', flow: 0.9 }),
    begun('air', 'makeup', 'Make-up fan', { kind: 'make-up', flow: 0.5 }),
    begun('air', 'oa1', 'RTU 1 outdoor air', { kind: 'outdoor-air', flow: 0.45 }),
  ],
};
