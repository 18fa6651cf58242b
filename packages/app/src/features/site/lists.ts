/** What the kinds of things in a building are called, in the order they are walked. */
import type { List } from '@zygostat/core/building';

export const LISTS: Readonly<Record<List, { title: string; one: string }>> = {
  thermostats: { title: 'Thermostats', one: 'Thermostat' },
  stations: { title: 'Stations', one: 'Station' },
  detectors: { title: 'Detectors', one: 'Detector' },
  units: { title: 'Units', one: 'Unit' },
  air: { title: 'Air in and out', one: 'Fan or damper' },
};
