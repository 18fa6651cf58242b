/** The server's side of the sync model: the real database, as the routes ask it. */
import type { Circuit } from '@zygostat/core/circuit';
import { parseCircuit } from '@zygostat/core/circuit';
import type { DocumentKind } from '@zygostat/core/documents';
import { documentKinds } from '@zygostat/core/documents';
import type { Entry } from '@zygostat/core/record';
import type { SaveOutcome, Saved } from '@zygostat/core/sync';
import { furnaceAirConditioner } from '@zygostat/core/systems';
import { saveDocument, storedDocument } from '../../db/documents';
import { createJob, storedJob } from '../../db/jobs';
import type { Db } from '../../db/open';
import { addEntry, entriesOf, entryById } from '../../db/record';
import { appendRevision, latestRevision } from '../../db/revisions';

/** The wiring of a job is saved as revisions; everything else by its kind. */
export const CIRCUIT = 'circuit';
export const ENTRY = 'entry';

const kindOf = (name: string): DocumentKind => documentKinds().find((kind) => kind.name === name)!;

export const COMMON = furnaceAirConditioner('Shared');

interface Sent {
  base: number;
  value: unknown;
  save: string;
}

export class ModelServer {
  readonly jobId: string;
  readonly siteId: string;

  constructor(
    private readonly db: Db,
    run: number,
  ) {
    const site = `Site ${run}`;
    this.jobId = createJob(db, { name: 'Shared', site, system: 'x', circuit: COMMON });
    this.siteId = storedJob(db, this.jobId)!.siteId;
  }

  ownerOf = (name: string): string =>
    name !== CIRCUIT && kindOf(name).owner === 'sites' ? this.siteId : this.jobId;

  read(name: string): Saved {
    // As it goes over the wire.
    const plain = (saved: Saved): Saved => JSON.parse(JSON.stringify(saved)) as Saved;
    if (name !== CIRCUIT) return plain(storedDocument(this.db, kindOf(name), this.ownerOf(name)));
    const { number, circuit } = latestRevision(this.db, this.jobId)!;
    return plain({ number, value: circuit });
  }

  save(name: string, { base, value, save }: Sent): SaveOutcome {
    const given: unknown = JSON.parse(JSON.stringify(value));
    if (name === CIRCUIT) {
      const circuit: Circuit = parseCircuit(given);
      const appended = appendRevision(this.db, this.jobId, { base, circuit, note: '', by: '', save });
      if (!appended.done) return { type: 'overtaken', newest: this.read(name) };
      return { type: 'taken', number: appended.number, latest: this.read(name).number };
    }
    const kind = kindOf(name);
    const read = kind.readIn(given);
    const problems = kind.problems(read);
    if (problems.length > 0) return { type: 'refused', detail: JSON.stringify(problems) };
    const saved = saveDocument(this.db, kind, this.ownerOf(name), { base, value: read, id: save });
    if (saved.done) return { type: 'taken', number: saved.number, latest: saved.latest };
    if ('lost' in saved) return { type: 'refused', detail: `left out: ${saved.lost.join(', ')}` };
    return { type: 'overtaken', newest: this.read(name) };
  }

  tell(entry: Entry): void {
    if (!entryById(this.db, entry.id)) addEntry(this.db, this.jobId, entry, (device) => device);
  }

  entries = (): string[] => entriesOf(this.db, this.jobId).map(({ id }) => id);
}
