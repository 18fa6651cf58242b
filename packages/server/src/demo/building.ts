/** An invented hall with three units on its roof, two detectors left by a change-out, and a draught at its doors. */
import type { Building, Detector, Unit } from '@zygostat/core/building';

const unit = (id: string, label: string, serves: string): Unit => ({
  id,
  label,
  serves,
  found: '',
  job: null,
  looks: {},
});
const detector = (id: string, label: string, more: Partial<Detector>): Detector => ({
  id,
  label,
  unit: null,
  place: 'unit',
  caps: null,
  lamp: null,
  housing: null,
  wants: null,
  tied: null,
  loop: null,
  ...more,
});

export const DEMO_SITE = 'Lamplighters’ Hall';

export const DEMO_BUILDING: Building = {
  units: [
    unit('rtu1', 'RTU 1', 'Assembly room'),
    unit('rtu2', 'RTU 2', 'Stage'),
    unit('rtu3', 'RTU 3', 'Kitchen'),
  ],
  detectors: [
    detector('duct1', 'Detector above the ceiling', { unit: 'rtu1', place: 'duct', wants: 'key' }),
    detector('own1', 'Detector in RTU 1', { unit: 'rtu1', tied: 'duct1' }),
  ],
  stations: [{ id: 'station1', label: 'Station by the cloakroom', works: 'key', lamp: null, detector: null }],
  thermostats: [
    { id: 'stat1', label: 'Assembly room thermostat', unit: 'rtu1', screen: null, held: null },
    { id: 'stat2', label: 'Stage thermostat', unit: 'rtu2', screen: null, held: null },
  ],
  air: [
    { id: 'hood', label: 'Kitchen hood', kind: 'exhaust', flow: 0.9, runs: null },
    { id: 'makeup', label: 'Make-up fan', kind: 'make-up', flow: 0.5, runs: null },
    { id: 'oa1', label: 'RTU 1 outdoor air', kind: 'outdoor-air', flow: 0.45, runs: null },
  ],
};
