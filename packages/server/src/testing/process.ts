/** The real server as a process of its own, to be killed. */
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import type { Body, Entry } from '@zygostat/core/record';
import { CHAIN_START, bypassesStillIn, linkText, standingOf } from '@zygostat/core/record';

const ROOT = join(__dirname, '../../../..');

export interface Running {
  url: string;
  pid: number;
  /** Resolves to the code it went with; `null` when it was killed. */
  end(signal: 'SIGKILL' | 'SIGTERM'): Promise<number | null>;
}

/** Starts the server on a free port over a folder of data. */
export function startServer(data: string): Promise<Running> {
  const child = spawn(process.execPath, ['packages/server/dist/main.mjs'], {
    cwd: ROOT,
    env: {
      ...process.env,
      ZYGOSTAT_PORT: '0',
      ZYGOSTAT_DATA: data,
      ZYGOSTAT_LOG: 'silent',
      ZYGOSTAT_REQUESTS_PER_MINUTE: '100000',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const gone = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return new Promise((resolve, reject) => {
    void gone.then((code) => reject(new Error(`the server stopped with ${String(code)}`)));
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString());
      if (!found) return;
      const end = (signal: 'SIGKILL' | 'SIGTERM') => {
        child.kill(signal);
        return gone;
      };
      resolve({ url: found[0], pid: child.pid!, end });
    });
  });
}

export const post = (url: string, body: object) =>
  fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

/** What is written in a session, over and over: a bypass comes and goes, tests are made, lines are logged. */
function bodyAt(n: number): Body {
  const round = Math.floor(n / 5);
  const until = '2026-12-01T08:00:00Z';
  switch (n % 5) {
    case 0:
      return {
        type: 'bypassed',
        bypass: `b${round}`,
        device: 'float',
        why: 'To prove it',
        until,
        watch: 'Sol',
      };
    case 1:
      return {
        type: 'tested',
        test: 'supply',
        title: '24 V',
        outcome: 'as-it-should',
        text: '',
        until: null,
      };
    case 2:
      return { type: 'note', text: `Line ${n}` };
    case 3:
      return { type: 'noticed', item: `i${round}`, text: 'Cap missing', until };
    default:
      return { type: 'restored', bypass: `b${round}`, proof: 'tripped', text: 'Lifted: it stops' };
  }
}

/** What a session came to: ids that were acknowledged. It goes on where the last one ended. */
export interface Session {
  job: string;
  next: number;
  acknowledged: string[];
}

/** Records until the server is gone. An entry without an answer is sent again under its id by the next call. */
export async function recordUntilGone(url: string, session: Session): Promise<void> {
  for (;;) {
    const id = `s${session.next}`;
    const entry: Entry = { id, at: '2026-11-27T09:00:00Z', by: 'Sol', body: bodyAt(session.next) };
    const answer = await post(`${url}/api/jobs/${session.job}/record`, entry).catch(() => null);
    if (answer === null) return;
    if (!answer.ok) throw new Error(`${id} was refused: ${await answer.text()}`);
    session.acknowledged.push(id);
    session.next++;
  }
}

/** What is wrong with the record after a session; nothing when every acknowledged entry is there and the chain holds. */
export async function recordFaults(url: string, { job, acknowledged }: Session): Promise<string[]> {
  const get = async (path: string): Promise<unknown> => (await fetch(`${url}/api/${path}`)).json();
  const entries = (await get(`jobs/${job}/record`)) as (Entry & { link: string })[];
  const faults: string[] = [];
  const ids = new Set(entries.map(({ id }) => id));
  faults.push(...acknowledged.filter((id) => !ids.has(id)).map((id) => `${id} is lost`));
  if (ids.size < entries.length) faults.push('an entry is there twice');
  let link = CHAIN_START;
  for (const entry of entries) {
    link = createHash('sha256').update(linkText(link, entry)).digest('hex');
    if (link !== entry.link) faults.push(`the chain does not hold at ${entry.id}`);
  }
  const still = bypassesStillIn(standingOf(entries)).map(({ id }) => id);
  const shown = ((await get('bypasses')) as { bypass: string }[]).map(({ bypass }) => bypass);
  if (JSON.stringify(still) !== JSON.stringify(shown))
    faults.push('what is bypassed does not follow from the record');
  return faults;
}
