/** A job or a site as one ZIP file: its rows as JSON, and beside them what people and other programs read. */
import { circuitToJson, loomSvg, writeCsv, writeSchedule } from '@zygostat/core/formats';
import { layLoom } from '@zygostat/core/drawing';
import type { Zippable } from 'fflate';
import { strToU8, zipSync } from 'fflate';
import type { StoredJob } from '../db/bundle';
import { BUNDLE_FORMAT, BUNDLE_VERSION } from './shape';

const json = (value: unknown) => strToU8(`${JSON.stringify(value, null, 1)}\n`);

/** Width the loom in a bundle is laid out at, px. */
const LOOM_PX = 560;

/** RFC 4180, with the same columns whatever there is. */
function readingsCsv(readings: StoredJob['readings']): string {
  const fields = [
    'at',
    'red',
    'black',
    'mode',
    'meter',
    'expected',
    'actual',
    'unit',
    'verdict',
    'situation',
  ];
  const data = readings.map((row) => ({
    ...row,
    at: row.createdAt.toISOString(),
    expected: row.expected ?? '',
    actual: row.actual ?? '',
  }));
  return writeCsv(fields, data);
}

function filesOf({ site, job, ...rows }: StoredJob): Zippable {
  const { circuit } = rows.revisions.at(-1)!;
  const photographs = rows.photographs.map(({ jpeg: _bytes, ...photograph }) => photograph);
  return {
    'job.json': json({ site, job }),
    'revisions.json': json(rows.revisions),
    'documents.json': json(rows.documents),
    'readings.json': json(rows.readings),
    'record.json': json(rows.entries),
    'photographs.json': json(photographs),
    'circuit.json': strToU8(circuitToJson(circuit)),
    'wires.csv': strToU8(writeSchedule(circuit)),
    'readings.csv': strToU8(readingsCsv(rows.readings)),
    'loom.svg': strToU8(loomSvg(layLoom(circuit, LOOM_PX), circuit)),
    // A photograph is compressed already.
    photographs: Object.fromEntries(
      rows.photographs.map(({ id, jpeg }) => [`${id}.jpg`, [new Uint8Array(jpeg), { level: 0 }]]),
    ),
  };
}

/** @param written - when; the files in it carry it too. */
export function writeBundle(jobs: readonly StoredJob[], written: Date): Uint8Array {
  const manifest = {
    format: BUNDLE_FORMAT,
    version: BUNDLE_VERSION,
    written: written.toISOString(),
    jobs: jobs.map(({ job }) => job.id),
  };
  return zipSync(
    {
      'manifest.json': json(manifest),
      jobs: Object.fromEntries(jobs.map((job) => [job.job.id, filesOf(job)])),
    },
    { mtime: written },
  );
}
