/** A bundle read back: everything in it is checked as if a stranger had made it. */
import { CircuitError, parseCircuit, problemsOf } from '@zygostat/core/circuit';
import type { Problem as FieldProblem } from '@zygostat/core/circuit';
import type { Owner } from '@zygostat/core/documents';
import { documentKinds } from '@zygostat/core/documents';
import type { Entry } from '@zygostat/core/record';
import { CHAIN_START, entryProblems } from '@zygostat/core/record';
import { ALL_FAULTS } from '@zygostat/core/validation';
import { strFromU8, unzipSync } from 'fflate';
import { ValidationError } from 'yup';
import type { InferType, Schema } from 'yup';
import type { StoredJob } from '../db/bundle';
import { linkAfter } from '../db/record';
import { isOurJpeg, readPhotograph } from '../photograph';
import { holdBounds } from '../bounds';
import { Problem, invalid } from '../problem';
import {
  documentsSchema,
  entriesSchema,
  jobFileSchema,
  manifestSchema,
  photographsSchema,
  readingsSchema,
  revisionsSchema,
} from './shape';

/** More than any job holds, unpacked, and more files than it has. */
const MOST_BYTES = 400 * 1024 * 1024;
const MOST_FILES = 20_000;

type Files = Readonly<Record<string, Uint8Array>>;

const notABundle = (detail: string) => new Problem({ status: 422, title: 'Not a bundle', detail });

/** Unpacks, and stops before a small file becomes a large one. */
function unpack(bytes: Buffer): Files {
  let [size, files] = [0, 0];
  try {
    return unzipSync(new Uint8Array(bytes), {
      filter: ({ originalSize }) => {
        size += originalSize;
        files += 1;
        if (size > MOST_BYTES || files > MOST_FILES)
          throw notABundle(`It holds more than ${MOST_BYTES / 1024 / 1024} MB or ${MOST_FILES} files.`);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof Problem) throw error;
    throw notABundle('The file must be a ZIP that can be read.');
  }
}

/** Problems under the name of the file they are in. */
const within = (file: string, problems: readonly FieldProblem[]) =>
  new Problem(
    invalid(problems.map(({ path, message }) => ({ path: path ? `${file} ${path}` : file, message }))),
  );

function jsonOf<T>(files: Files, name: string, schema: Schema<T>): T {
  const bytes = files[name];
  if (!bytes) throw notABundle(`${name} is missing.`);
  holdBounds(bytes);
  let given: unknown;
  try {
    given = JSON.parse(strFromU8(bytes));
  } catch {
    throw notABundle(`${name} is not valid JSON in UTF-8.`);
  }
  try {
    return schema.validateSync(given, ALL_FAULTS);
  } catch (error) {
    if (error instanceof ValidationError) throw within(name, problemsOf(error, ''));
    throw error;
  }
}

const date = <T extends { createdAt: string }>(row: T) => ({ ...row, createdAt: new Date(row.createdAt) });

/** A row with its date, and nobody's where an earlier version named no writer. */
const signed = <T extends { createdAt: string; by?: string | null | undefined }>(row: T) => ({
  ...date(row),
  by: row.by ?? '',
});

function revisionsIn(files: Files, name: string): StoredJob['revisions'] {
  return jsonOf(files, name, revisionsSchema).map((row, i) => {
    try {
      return { ...signed(row), circuit: parseCircuit(row.circuit) };
    } catch (error) {
      if (!(error instanceof CircuitError)) throw error;
      throw within(
        name,
        error.problems.map(({ path, message }) => ({ path: `[${i}].circuit.${path}`, message })),
      );
    }
  });
}

type Rows = NonNullable<InferType<ReturnType<typeof documentsSchema>>>;

/** Checks the documents of an owner. */
function documentsOf(of: Owner, name: string, rows: Rows): StoredJob['documents'] {
  return rows.map(({ value, ...row }, i) => {
    const kind = documentKinds().find((one) => one.owner === of && one.name === row.name);
    if (!kind) throw within(name, [{ path: `[${i}].name`, message: 'must be a document there is' }]);
    const read = kind.readIn(value);
    const problems = kind.problems(read);
    if (problems.length > 0)
      throw within(
        name,
        problems.map(({ path, message }) => ({ path: `[${i}].value.${path}`, message })),
      );
    return { ...row, value: read, by: row.by ?? '', updatedAt: new Date(row.updatedAt) };
  });
}

/** Entries with their chain: one that does not hold was changed by somebody. */
function entriesIn(files: Files, name: string): StoredJob['entries'] {
  let before = CHAIN_START;
  return jsonOf(files, name, entriesSchema).map((row, i) => {
    const { id, at, by, body, link, number } = row;
    const problems = entryProblems({ id, at, by, body });
    if (problems.length > 0)
      throw within(
        name,
        problems.map(({ path, message }) => ({ path: `[${i}].${path}`, message })),
      );
    const entry = { id, at, by, body } as Entry;
    if (number !== i + 1) throw within(name, [{ path: `[${i}].number`, message: `must be ${i + 1}` }]);
    if (link !== linkAfter(before, entry))
      throw within(name, [
        { path: `[${i}].link`, message: 'does not hold: the entry, or one before it, was changed' },
      ]);
    before = link;
    return { ...date(row), body: entry.body };
  });
}

/** A photograph as it left a server like this one is kept to the byte; any other is made like one. */
async function photographsIn(files: Files, folder: string): Promise<StoredJob['photographs']> {
  const rows = jsonOf(files, `${folder}photographs.json`, photographsSchema).map(signed);
  const photographs: StoredJob['photographs'] = [];
  for (const row of rows) {
    const bytes = files[`${folder}photographs/${row.id}.jpg`];
    if (!bytes) throw notABundle(`${folder}photographs/${row.id}.jpg is missing.`);
    const jpeg = Buffer.from(bytes);
    const kept = (await isOurJpeg(jpeg, row)) ? { jpeg } : await readPhotograph(jpeg);
    photographs.push({ ...row, ...kept, pins: [...row.pins] });
  }
  return photographs;
}

async function jobIn(files: Files, id: string): Promise<StoredJob> {
  const folder = `jobs/${id}/`;
  const { site, job } = jsonOf(files, `${folder}job.json`, jobFileSchema);
  if (job.id !== id) throw within(`${folder}job.json`, [{ path: 'job.id', message: `must be ${id}` }]);
  return {
    site: {
      ...date(site),
      address: site.address ?? '',
      documents: documentsOf('sites', `${folder}job.json`, site.documents ?? []),
    },
    // Done elsewhere is not done here.
    job: { ...date(job), state: 'open', isAway: job.isAway ?? false, updatedAt: new Date(job.updatedAt) },
    revisions: revisionsIn(files, `${folder}revisions.json`),
    documents: documentsOf(
      'jobs',
      `${folder}documents.json`,
      jsonOf(files, `${folder}documents.json`, documentsSchema().required('is required')),
    ),
    readings: jsonOf(files, `${folder}readings.json`, readingsSchema).map((row) => ({
      ...signed(row),
      id: row.id!,
      situation: row.situation ?? '',
      state: row.state ?? '',
    })),
    entries: entriesIn(files, `${folder}record.json`),
    photographs: await photographsIn(files, folder),
  };
}

/**
 * Reads every job of a bundle.
 *
 * @throws Problem 422 that names the file and the field, and what would be valid.
 */
export async function readBundle(bytes: Buffer): Promise<StoredJob[]> {
  const files = unpack(bytes);
  const { jobs } = jsonOf(files, 'manifest.json', manifestSchema);
  const stored: StoredJob[] = [];
  for (const id of new Set(jobs)) stored.push(await jobIn(files, id));
  return stored;
}
