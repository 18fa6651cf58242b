/**
 * One run of the sync model: three phones and one server, everything that can happen between them in an order drawn at random, and what
 * has to hold once all have met.
 */
import type { Circuit, Clash as CircuitClash } from '@zygostat/core/circuit';
import { mergeCircuits } from '@zygostat/core/circuit';
import { seeded } from '@zygostat/core/diagnose';
import { withDecision } from '@zygostat/core/merge';
import type { Entry } from '@zygostat/core/record';
import type { Draft, Waiting } from '@zygostat/core/sync';
import { keyOf } from '@zygostat/core/sync';
import type { Plan } from '@zygostat/core/wire';
import { isDeepStrictEqual } from 'node:util';
import type { Db } from '../../db/open';
import type { Pending } from './client';
import { Client, DOCUMENT_NAMES, KINDS, isForDisk } from './client';
import type { Draw } from './edits';
import { edited } from './edits';
import { Ledger } from './ledger';
import { CIRCUIT, COMMON, ENTRY, ModelServer } from './server';

interface RunResult {
  lost: readonly string[];
  diverged: readonly string[];
  reticked: number;
}

const STEPS = 60;
const HOUR_MS = 3600_000;
/** The morning of a working day: the whole run is on it. */
const START = new Date(2028, 4, 1, 9).getTime();

class Run {
  private readonly draw: Draw;
  private readonly server: ModelServer;
  private readonly ledger = new Ledger();
  private readonly clients: Client[];
  /** What is to be called once something of a client lies on its disk, by its version. */
  private readonly keeping = new Map<
    Client,
    { key: string; save: string; kept: () => void; document: string }[]
  >();
  /** What each told, in order, and what of it lies on a disk. */
  private readonly told = new Map<string, string[]>();
  private readonly keptEntries = new Set<string>();
  private count = 0;
  private time = START;

  constructor(
    db: Db,
    readonly seed: number,
  ) {
    const random = seeded(seed);
    this.draw = (below) => Math.floor(random() * below);
    this.server = new ModelServer(db, seed);
    this.clients = ['Ada', 'Bo', 'Cy'].map((name) => this.phone(name));
    for (const client of this.clients) client.restart();
  }

  private phone(name: string): Client {
    const skew = (this.draw(9) - 4) * HOUR_MS;
    const client = new Client(name, skew, this.server.ownerOf, () => this.time);
    this.keeping.set(client, []);
    client.onKept = (item) => this.kept(client, item);
    client.onShown = (document, value) => {
      if (document === 'plan')
        this.ledger.watch(value as Plan | null, new Date(client.clock()).toISOString());
    };
    return client;
  }

  private text = () => `t${this.seed}-${this.count++}`;

  private kept(client: Client, item: Waiting): void {
    const waiting = this.keeping.get(client)!;
    if (item.name === ENTRY) {
      this.keptEntries.add(item.id);
      return;
    }
    // A draft holds every change up to its own.
    const { save } = item.value as Draft;
    const at = waiting.findIndex((one) => one.save === save && one.key === keyOf(item));
    const done = waiting.filter((one, i) => i <= at && one.key === keyOf(item));
    for (const { kept } of done) kept();
    this.keeping.set(
      client,
      waiting.filter((one) => !done.includes(one)),
    );
  }

  private edit(client: Client): void {
    // The list with the gate in it as often as all others.
    const name = this.draw(2) === 0 ? 'plan' : DOCUMENT_NAMES[this.draw(DOCUMENT_NAMES.length)]!;
    if (!client.shown.has(name)) return;
    const before = client.shown.get(name);
    const at = () => new Date(client.clock()).toISOString();
    const after = edited(name, before, { draw: this.draw, text: this.text, at, by: client.name });
    if (!isDeepStrictEqual(before, after)) this.change(client, name, after);
  }

  private change(client: Client, name: string, after: unknown): void {
    const kept = this.ledger.wrote(name, client.shown.get(name), after);
    client.change(name, after);
    const item = client.sync.items[keyOf({ name, id: this.server.ownerOf(name) })];
    if (item) {
      const { save } = item.value as Draft;
      this.keeping.get(client)!.push({ key: keyOf(item), save, kept, document: name });
    }
  }

  private tell(client: Client): void {
    const id = `${this.text()}-entry`;
    const entry: Entry = {
      id,
      at: new Date(client.clock()).toISOString(),
      by: client.name,
      body: { type: 'note', text: id },
    };
    client.send({ type: 'put', name: ENTRY, id, owner: this.server.jobId, value: entry, at: client.clock() });
  }

  /** Lets one thing that is under way come to its end. */
  private finish(client: Client, pending: Pending): void {
    client.pending = client.pending.filter((one) => one !== pending);
    if (pending.type === 'write') return client.written(pending);
    if (pending.type === 'erase') return void client.disk.delete(keyOf(pending));
    if (pending.type === 'wait') return client.send({ type: 'due', lane: pending.lane });
    const fate = client.isOnline ? this.draw(6) : 0;
    if (pending.type === 'save') {
      const { lane, name, draft } = pending;
      const save = client.fresh();
      // Never there; there and answered; there, and the answer lost; there twice.
      const outcome = fate === 0 ? null : this.server.save(name, draft);
      if (fate === 2) this.server.save(name, draft);
      client.send({ type: 'saved', lane, outcome: outcome && fate > 1 ? outcome : { type: 'silent' }, save });
      return;
    }
    const { lane, items } = pending;
    const arrived = fate === 0 ? [] : items.slice(0, fate === 3 ? 1 : items.length);
    for (const { value } of arrived) this.server.tell(value as Entry);
    const isAnswered = fate > 1;
    const taken = isAnswered ? arrived.length : 0;
    const error = { isFinal: false, detail: '' };
    client.send({ type: 'told', lane, outcome: { taken, ...(taken < items.length && { error }) } });
  }

  private read(client: Client, name: string): void {
    client.read(name, client.isOnline ? this.server.read(name) : null);
  }

  /** The page is closed in whatever moment it is in; once in a while another version opens it anew. */
  private kill(client: Client): void {
    for (const { document } of this.keeping.get(client)!) this.ledger.forgot(document);
    this.keeping.set(client, []);
    if (this.draw(6) === 0) this.asAnEarlierVersion(client);
    client.restart();
  }

  /** An earlier version of the app kept a draft without what it builds on, and without an id for its save. */
  private asAnEarlierVersion(client: Client): void {
    for (const [key, lying] of client.disk) {
      const { name, value } = lying;
      if (!(name in KINDS)) continue;
      const { base, value: inner } = value as Draft;
      client.disk.set(key, { ...lying, value: { base, value: inner, save: client.fresh() } satisfies Draft });
      // What it took away nobody can know.
      this.ledger.decided(name, { path: [] });
    }
  }

  private decide(client: Client): void {
    const [asked] = client.asked;
    if (asked) {
      const { name, clash } = asked;
      this.ledger.decided(name, clash);
      const now = client.shown.get(name);
      const { part, fit, problems } = KINDS[name]!;
      // One that makes no document of it is not taken: then it is the other.
      const sides = this.draw(2) === 0 ? (['mine', 'theirs'] as const) : (['theirs', 'mine'] as const);
      const after = sides
        .map((side) => withDecision(part, now, clash, side))
        .map((next) => (fit ? fit(next) : next))
        .find((next) => problems(next).length === 0);
      if (after !== undefined && !isDeepStrictEqual(now, after)) this.change(client, name, after);
      client.decided(asked);
    }
    this.decideCircuit(client);
  }

  /** Of wiring both changed, each clash is decided for one side or the other, on top of the newest. */
  private decideCircuit(client: Client): void {
    const id = this.server.jobId;
    const item = client.sync.items[keyOf({ name: CIRCUIT, id })];
    if (!item?.isHeld || !client.isOnline) return;
    const { before, value } = item.value as Draft;
    const on = this.server.read(CIRCUIT);
    const choose = () => (this.draw(2) === 0 ? ('mine' as const) : ('theirs' as const));
    const sides = [before ?? COMMON, value, on.value] as [Circuit, Circuit, Circuit];
    const { circuit, clashes } = mergeCircuits(...sides, choose);
    for (const clash of clashes) this.ledger.decided(CIRCUIT, { path: pathOf(clash, circuit) });
    client.shown.set(CIRCUIT, circuit);
    client.send({
      type: 'decided',
      name: CIRCUIT,
      id,
      on,
      value: circuit,
      save: client.fresh(),
      at: client.clock(),
    });
  }

  /** Anything that is under way; what is for the disk in its order. */
  private next({ pending }: Client): Pending {
    const drawn = pending[this.draw(pending.length)]!;
    return isForDisk(drawn) ? pending.find(isForDisk)! : drawn;
  }

  private happen(): void {
    this.time += 20_000;
    const client = this.clients[this.draw(this.clients.length)]!;
    const dice = this.draw(100);
    if (dice < 34) this.edit(client);
    else if (dice < 40) this.tell(client);
    else if (dice < 46) client.isOnline = !client.isOnline;
    else if (dice < 50) client.send({ type: 'online' });
    else if (dice < 53) this.kill(client);
    else if (dice < 62) this.read(client, DOCUMENT_NAMES[this.draw(DOCUMENT_NAMES.length)]!);
    else if (dice < 66) this.decide(client);
    else if (client.pending.length > 0) this.finish(client, this.next(client));
    else for (const name of client.toRead) this.read(client, name);
  }

  /** Everybody meets: all is sent, read and decided. */
  private settle(): void {
    for (const client of this.clients) client.isOnline = true;
    for (let round = 0; round < 4000; round++) {
      const busy = this.clients.filter(
        ({ pending, asked, toRead, sync }) =>
          pending.length + asked.length + toRead.size > 0 ||
          Object.values(sync.items).some((one) => one.isHeld),
      );
      if (busy.length === 0) return;
      const client = busy[this.draw(busy.length)]!;
      if (client.pending.length > 0) this.finish(client, client.pending[0]!);
      else if (client.toRead.size > 0) for (const name of client.toRead) this.read(client, name);
      else this.decide(client);
    }
    throw new Error(`seed ${this.seed}: it never comes to rest`);
  }

  result(): RunResult {
    for (let i = 0; i < STEPS; i++) this.happen();
    this.settle();
    for (const client of this.clients) for (const name of DOCUMENT_NAMES) this.read(client, name);
    this.settle();
    const stored = Object.fromEntries(DOCUMENT_NAMES.map((name) => [name, this.server.read(name).value]));
    const diverged = this.clients.flatMap((client) =>
      DOCUMENT_NAMES.filter((name) => !isDeepStrictEqual(client.shown.get(name), stored[name])).map(
        (name) => `${client.name} shows another ${name}`,
      ),
    );
    const entries = this.server.entries();
    const untold = [...this.told].flatMap(([name, ids]) => {
      const there = entries.filter((id) => ids.includes(id));
      const kept = ids.filter((id) => this.keptEntries.has(id) || there.includes(id));
      return isDeepStrictEqual(there, kept)
        ? []
        : [`entries of ${name}: ${kept.join()} came as ${there.join()}`];
    });
    return {
      lost: [...DOCUMENT_NAMES.flatMap((name) => this.ledger.lostFrom(name, stored[name])), ...untold],
      diverged,
      reticked: this.ledger.reticked,
    };
  }
}

/** Where in the document a clash of two circuits is. */
function pathOf(clash: CircuitClash, { cables }: Circuit): string[] {
  const { element, id } = clash;
  const field = clash.type === 'field' ? clash.field.split('.') : [];
  if (element === 'circuit') return field;
  if (element !== 'conductor') return [`${element}s`, id, ...field];
  const cable = cables.find(({ conductors }) => conductors.some((one) => one.id === id));
  return ['cables', cable?.id ?? '', 'conductors', id, ...field];
}

/** @param seed - what is drawn from it is drawn again from it. */
export const runSync = (db: Db, seed: number): RunResult => new Run(db, seed).result();
