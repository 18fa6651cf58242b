import { useEffect, useState } from 'react';
import type { Entry } from '@zygostat/core/record';
import { CHAIN_START, linkText } from '@zygostat/core/record';
import { useTokens } from '../../theme';
import { AppText } from '../../basics';
import { useListRecordQuery } from './api';

/** Where the chain over a job's entries stands: how far it was gone over here, and whether it holds. */
interface Checked {
  of: readonly Entry[];
  holds: boolean;
}

async function holds(entries: readonly (Entry & { link: string })[]): Promise<boolean> {
  let before = CHAIN_START;
  for (const entry of entries) {
    const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(linkText(before, entry)));
    before = [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
    if (before !== entry.link) return false;
  }
  return true;
}

/** The seal of a job's record: its last link, and whether every entry still makes the link it has. */
export function Seal({ jobId, unsent }: { jobId: string; unsent: number }) {
  const t = useTokens();
  const { data: entries = [] } = useListRecordQuery(jobId);
  const [checked, setChecked] = useState<Checked | null>(null);
  useEffect(() => {
    let wanted = true;
    // A page that was not served safely has no means to reckon it.
    if (!('subtle' in crypto) || entries.length === 0) return;
    void holds(entries).then((result) => wanted && setChecked({ of: entries, holds: result }));
    return () => {
      wanted = false;
    };
  }, [entries]);
  const last = entries.at(-1);
  if (!last)
    return (
      <AppText kind="small">
        {unsent > 0 ? 'Nothing is sealed yet.' : 'Nothing is in the log, and nothing is sealed.'}
      </AppText>
    );
  const known = checked?.of === entries ? checked : null;
  const sealed = `Sealed: ${entries.length} ${entries.length === 1 ? 'entry' : 'entries'}`;
  return (
    <>
      <AppText kind="strong" color={known ? (known.holds ? t.teal : t.red) : t.ink}>
        {known
          ? known.holds
            ? `${sealed}, the chain holds.`
            : 'The chain does not hold: an entry was changed after it was written.'
          : `${sealed}.`}
      </AppText>
      <AppText kind="small">{`Last link ${last.link.slice(0, 16)}…`}</AppText>
    </>
  );
}
