import { useState } from 'react';
import type { Bypass } from '@zygostat/core/record';
import { useTokens } from '../../theme';
import { ActionButton, AppText, BottomSheet, Field } from '../../basics';
import { useWrite } from './useRecord';
import { goTo } from '../job/address';
import { Writer } from './Writer';
import { useWriterName } from './writer-name';

interface LeaveSheetProps {
  jobId: string;
  /** Bypasses that nobody has taken over, and what they are of. */
  left: readonly Bypass[];
  labels: string;
  onLeave: () => void;
  onClose: () => void;
}

/** Whoever goes while a safety is bypassed is asked who watches. */
export function LeaveSheet({ jobId, left, labels, onLeave, onClose }: LeaveSheetProps) {
  const t = useTokens();
  const write = useWrite(jobId);
  const [to, setTo] = useState('');
  const by = useWriterName();
  const [asksName] = useState(by === '');
  const handOver = async () => {
    for (const { id, until } of left)
      if (!(await write({ type: 'handed-over', bypass: id, to: to.trim(), until }))) return;
    onLeave();
  };
  return (
    <BottomSheet title={`${labels} bypassed: are you leaving?`} onClose={onClose}>
      <AppText color={t.red}>
        Nobody leaves a bypassed safety alone: take it out, or name who watches.
      </AppText>
      <ActionButton
        label="Take it out and prove it"
        look="filled"
        onPress={() => {
          onClose();
          goTo(jobId, 'record', 'open');
        }}
      />
      {asksName ? <Writer /> : null}
      <Field label="Who watches while you are away" value={to} most={80} onChange={setTo} />
      <ActionButton
        label="They watch it: leave"
        disabled={by === '' || to.trim() === ''}
        onPress={() => void handOver()}
      />
      <ActionButton label="I stay with it: only to the list" look="plain" onPress={onLeave} />
    </BottomSheet>
  );
}
