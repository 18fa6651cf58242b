/** A job or a site as one ZIP file: its rows as JSON, and beside them what people and other programs read. */
import { closeSync, openSync, writeSync } from 'node:fs';
import { circuitToJson, loomSvg, writeCsv, writeSchedule } from '@zygostat/core/formats';
import { layLoom } from '@zygostat/core/drawing';
import { Zip, ZipDeflate, ZipPassThrough, strToU8 } from 'fflate';
import type { StoredJob } from '../db/bundle';
import { takeOut } from '../db/bundle';
import type { Db } from '../db/open';
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

function filesOf({ site, job, ...rows }: StoredJob): [name: string, bytes: Uint8Array][] {
  const { circuit } = rows.revisions.at(-1)!;
  const photographs = rows.photographs.map(({ jpeg: _bytes, ...photograph }) => photograph);
  return [
    ['job.json', json({ site, job })],
    ['revisions.json', json(rows.revisions)],
    ['documents.json', json(rows.documents)],
    ['readings.json', json(rows.readings)],
    ['record.json', json(rows.entries)],
    ['photographs.json', json(photographs)],
    ['circuit.json', strToU8(circuitToJson(circuit))],
    ['wires.csv', strToU8(writeSchedule(circuit))],
    ['readings.csv', strToU8(readingsCsv(rows.readings))],
    ['loom.svg', strToU8(loomSvg(layLoom(circuit, LOOM_PX), circuit))],
  ];
}

/** Adds a file; its bytes go out at once. */
const add = (zip: Zip, name: string, bytes: Uint8Array, mtime: Date, compressed: boolean): void => {
  const file = compressed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
  file.mtime = mtime;
  zip.add(file);
  file.push(bytes, true);
};

/**
 * Writes jobs into a ZIP, one after another: no more than one of them is in memory at a time.
 *
 * @param written - when; the files in it carry it too.
 * @param out - takes the bytes as they come.
 */
function writeBundle(db: Db, ids: readonly string[], written: Date, out: (bytes: Uint8Array) => void): void {
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    out(bytes);
  });
  const manifest = {
    format: BUNDLE_FORMAT,
    version: BUNDLE_VERSION,
    written: written.toISOString(),
    jobs: ids,
  };
  add(zip, 'manifest.json', json(manifest), written, true);
  for (const id of ids) {
    const stored = takeOut(db, id)!;
    for (const [name, bytes] of filesOf(stored)) add(zip, `jobs/${id}/${name}`, bytes, written, true);
    // A photograph is compressed already.
    for (const { id: photo, jpeg } of stored.photographs)
      add(zip, `jobs/${id}/photographs/${photo}.jpg`, jpeg, written, false);
  }
  zip.end();
}

/** Writes jobs into a file. */
export function writeBundleFile(db: Db, ids: readonly string[], name: string): void {
  const file = openSync(name, 'w', 0o600);
  try {
    writeBundle(db, ids, new Date(), (bytes) => void writeSync(file, bytes));
  } finally {
    closeSync(file);
  }
}
