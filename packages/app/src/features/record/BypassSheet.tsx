import { nanoid } from '@reduxjs/toolkit';
import { addDays } from 'date-fns/addDays';
import { addHours } from 'date-fns/addHours';
import { set } from 'date-fns/set';
import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { Body } from '@zygostat/core/record';
import { contactsOf } from '@zygostat/core/prove';
import type { Names } from '@zygostat/core/words';
import { ActionButton, AppText, BottomSheet, Field, Options } from '../../basics';
import { Protected } from './Protected';
import { Writer } from './Writer';
import { useWriterName } from './writer-name';
import { sheet } from '../../theme';

const WHY = {
  prove: 'To prove the unit, while I stand here',
  part: 'Running until the part is here',
  find: 'To find what opens it',
} as const;

/** Until when, as whoever chooses it would say. */
const UNTIL = { hour: 'In an hour', today: 'Today 18:00', tomorrow: 'Tomorrow 18:00' } as const;

const EVENING = { hours: 18, minutes: 0, seconds: 0, milliseconds: 0 };

function untilOf(said: keyof typeof UNTIL, now: Date): Date {
  if (said === 'hour') return addHours(now, 1);
  const evening = set(said === 'today' ? now : addDays(now, 1), EVENING);
  // Late in the day the evening is over: an hour is what is left.
  return evening > now ? evening : addHours(now, 1);
}

interface BypassSheetProps {
  circuit: Circuit;
  names: Names;
  /** The safety, where it is known already. */
  device: string | null;
  onWrite: (body: Body) => Promise<boolean>;
  onClose: () => void;
}

/** Records a bypass: which safety, why, until when, and who watches meanwhile. */
export function BypassSheet({ circuit, names, device: given, onWrite, onClose }: BypassSheetProps) {
  const by = useWriterName();
  const [device, setDevice] = useState(given);
  const [why, setWhy] = useState<keyof typeof WHY>('prove');
  const [until, setUntil] = useState<keyof typeof UNTIL>('hour');
  const [watch, setWatch] = useState(by);
  // Asked where nobody has said it yet; while it is typed it stays.
  const [nameless] = useState(by.trim() === '');
  // What is there to notice something: a breaker, a disconnect, a fuse or a board is not bypassed for service.
  const isSafety = (id: string) =>
    kindOf(circuit.devices.find((one) => one.id === id)!.kind).safety !== undefined;
  const safeties = [...new Set(contactsOf(circuit).map((contact) => contact.device))].filter(isSafety);
  const leaves = why === 'part';
  const put = async () => {
    const body: Body = {
      type: 'bypassed',
      bypass: nanoid(),
      device: device!,
      why: WHY[why],
      until: untilOf(until, new Date()).toISOString(),
      watch: watch.trim() || by,
    };
    if (await onWrite(body)) onClose();
  };
  if (device === null)
    return (
      <BottomSheet title="Which safety?" subtitle="The safeties of this circuit" onClose={onClose}>
        {safeties.length === 0 ? <AppText>This circuit has no safety that can be bypassed.</AppText> : null}
        <View role="list" aria-label="Safeties" style={styles.list}>
          {safeties.map((id) => (
            <View key={id} role="listitem">
              <ActionButton label={names.device(id)} onPress={() => setDevice(id)} />
            </View>
          ))}
        </View>
      </BottomSheet>
    );
  return (
    <BottomSheet title={`${names.device(device)} bypassed`} onClose={onClose}>
      <Protected circuit={circuit} names={names} device={device} />
      <Options label="Why" options={WHY} value={why} onChange={setWhy} />
      <Options label="Gone by" options={UNTIL} value={until} onChange={setUntil} />
      {nameless ? <Writer /> : null}
      {leaves ? (
        <Field label="Who watches it while you are away" value={watch} most={80} onChange={setWatch} />
      ) : null}
      <AppText kind="small">
        Never a gas limit, never a detector without leave, never longer than it takes. Local code wins over
        anything said here.
      </AppText>
      <ActionButton
        label="It is in: record it"
        look="filled"
        disabled={by === '' || (leaves && watch.trim() === '')}
        onPress={() => void put()}
      />
    </BottomSheet>
  );
}

const styles = sheet({ list: { gap: 8 } });
