/** Invented jobs for an empty database: right ones, one being changed, one wired wrong on purpose, and a hall of several units. */
import { judge } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { exchange, setCable, setValue } from '@zygostat/core/circuit';
import {
  furnaceAirConditioner,
  heatPumpWithStrips,
  rooftopOnLoop,
  rooftopUnit,
  twoZoneFurnace,
} from '@zygostat/core/systems';
import { nanoid } from 'nanoid';
import { DOCUMENTS } from '@zygostat/core/documents';
import { saveDocument } from '../db/documents';
import type { Db } from '../db/open';
import { DEMO_BUILDING, DEMO_SITE } from './building';
import { logReading } from '../db/readings';
import type { NewJob } from '../db/jobs';
import { createJob, hasJobs, storedJob } from '../db/jobs';

const renameStations = (circuit: Circuit, names: Record<string, string>): Circuit => ({
  ...circuit,
  stations: circuit.stations.map((station) => ({ ...station, name: names[station.id] ?? station.name })),
});

const SYSTEM = 'Furnace with air conditioner';

const DEMO: readonly (NewJob & {
  readings: readonly (readonly [string, string, number, number, string])[];
})[] = [
  {
    name: 'Recovery ward',
    site: 'Foxglove Vet Clinic',
    system: SYSTEM,
    notes: 'Seasonal check. Everything landed as the diagram in the blower door shows.',
    circuit: renameStations(furnaceAirConditioner('Recovery ward'), {
      hall: 'Ward corridor',
      plant: 'Plant room',
    }),
    readings: [
      ['board.R', 'board.C', 26.2, 25.9, 'No call'],
      ['contactor.A1', 'contactor.A2', 25.4, 25.1, 'Cooling called'],
    ],
  },
  {
    name: 'Kiln shed office',
    site: 'Marlpit Pottery',
    system: SYSTEM,
    notes:
      'WIRED WRONG ON PURPOSE: yellow and white are exchanged at the thermostat, so a cooling call runs the burner. Find it from the readings, then put it right.',
    circuit: renameStations(
      exchange(furnaceAirConditioner('Kiln shed office'), ['statY', 'from'], ['statW', 'from']),
      {
        hall: 'Office wall',
        plant: 'Clay store',
        yard: 'Behind the shed',
      },
    ),
    readings: [['contactor.A1', 'contactor.A2', 25.4, 0.4, 'Cooling called']],
  },
  {
    name: 'Seed loft',
    site: 'Ternwater Nursery',
    system: 'Two-stage heat pump with strips',
    notes:
      'Two-stage heat pump over strips. The defrost board was changed last winter; watch a defrost on Time.',
    circuit: renameStations(heatPumpWithStrips('Seed loft', { stages: 'two' }), {
      hall: 'Loft landing',
      plant: 'Boot room',
      yard: 'Potting yard',
    }),
    readings: [['board.R', 'board.C', 26.2, 25.8, 'No call']],
  },
  {
    name: 'Lambing sheds',
    site: 'Thistlewick Farm Office',
    system: 'Furnace with air conditioner in two zones',
    notes:
      'Two zones since last spring. Loud when only the loft calls: look at Air with each zone by itself.',
    circuit: renameStations(twoZoneFurnace('Lambing sheds'), {
      hall: 'Office',
      upstairs: 'Loft',
      plant: 'Feed room',
      yard: 'Lee of the barn',
    }),
    readings: [['panel.24H', 'panel.24C', 26.0, 25.7, 'No call']],
  },
  {
    name: 'Clubroom',
    site: 'Ferryman’s Boathouse',
    system: `${SYSTEM}, no C`,
    notes:
      'Battery thermostat on a long run across the slipway. A powered thermostat is wanted; the blue conductor is spare.',
    circuit: renameStations(
      setValue(
        setValue(
          setCable(furnaceAirConditioner('Clubroom', false), 'statCable', { lengthM: 31 }),
          'fuse',
          'params',
          'rating',
          5,
        ),
        'xfmr',
        'params',
        'va',
        75,
      ),
      { hall: 'Clubroom', plant: 'Sail loft', yard: 'Slipway side' },
    ),
    readings: [],
  },
  {
    name: 'Assembly room',
    site: DEMO_SITE,
    system: 'Rooftop unit on a fire panel’s loop',
    notes:
      'RTU 1 was changed two years ago. The detector in the duct was left there and still holds the thermostat; the unit’s own is not on the loop.',
    circuit: renameStations(rooftopOnLoop('Assembly room', 'left'), {
      hall: 'Cloakroom wall',
      roof: 'Roof, RTU 1',
      lobby: 'Porter’s lodge',
    }),
    readings: [],
  },
  {
    name: 'Stage',
    site: DEMO_SITE,
    system: 'Packaged rooftop unit',
    notes: 'RTU 2, with its own detector in its smoke input.',
    circuit: renameStations(rooftopUnit('Stage'), { hall: 'Stage left', roof: 'Roof, RTU 2' }),
    readings: [],
  },
];

/** Loads the demo into a database that has no jobs; leaves any other alone. */
export function loadDemo(db: Db): void {
  if (hasJobs(db)) return;
  for (const { readings: taken, ...job } of [...DEMO].reverse()) {
    const jobId = createJob(db, job);
    const { siteId } = storedJob(db, jobId)!;
    if (job.site === DEMO_SITE)
      saveDocument(db, DOCUMENTS.building, siteId, { base: 0, value: DEMO_BUILDING });
    for (const [red, black, expected, actual, situation] of taken)
      logReading(db, {
        id: nanoid(12),
        jobId,
        revision: 1,
        mode: 'ac-volts',
        meter: 'high-z',
        red,
        black,
        expected,
        actual,
        unit: 'V',
        verdict: judge(actual, expected, 'V'),
        situation,
        createdAt: new Date(),
      });
  }
}
