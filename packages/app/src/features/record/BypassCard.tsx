import { addDays } from 'date-fns/addDays';
import { isPast } from 'date-fns/isPast';
import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { findDevice } from '@zygostat/core/circuit';
import { kindOf, noticesOf } from '@zygostat/core/devices';
import type { Body, Bypass, ProofKind } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { holderText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field, Options } from '../../basics';
import { Protected } from './Protected';
import { Writer } from './Writer';
import { useWriterName } from './writer-name';
import { whenText } from '../../basics/when';

const HOW = { tripped: 'Tripped by its own means', read: 'Read across its contact' } as const;
const WORKED: Readonly<Record<ProofKind, string>> = {
  tripped: 'What stopped, and what started again?',
  read: 'Volts across it closed, and open?',
};
/** A bypass that is handed over is looked at again within so many days. */
const HANDED_DAYS = 7;

interface BypassCardProps {
  bypass: Bypass;
  circuit: Circuit;
  names: Names;
  onWrite: (body: Body) => Promise<boolean>;
}

/** What must never be lost sight of with some of them. */
function Caution({ circuit, device }: { circuit: Circuit; device: string }) {
  const found = findDevice(circuit, device);
  const notices = found ? noticesOf(kindOf(found.kind), found.params) : [];
  const text = notices.some((notice) => notice === 'heat' || notice === 'flame-outside')
    ? 'A gas limit is never defeated: the unit stays off until it works.'
    : notices.includes('smoke')
      ? 'A life-safety device: the panel on test, the building told, somebody watching for a real fire.'
      : null;
  return text ? <AppText kind="strong">{text}</AppText> : null;
}

/** A safety that is bypassed: what still protects, until when, and the two ways out of it. */
export function BypassCard({ bypass, circuit, names, onWrite }: BypassCardProps) {
  const t = useTokens();
  const [way, setWay] = useState<'out' | 'over' | null>(null);
  const [proof, setProof] = useState<ProofKind>('tripped');
  const [text, setText] = useState('');
  const by = useWriterName();
  const [asksName] = useState(by === '');
  const { id, device, why, since, until } = bypass;
  const known = findDevice(circuit, device) !== undefined;
  const name = known ? names.device(device) : device;
  const late = isPast(new Date(until));
  const close = () => (setWay(null), setText(''));
  const save = async () => {
    const body: Body =
      way === 'out'
        ? { type: 'restored', bypass: id, proof, text: text.trim() }
        : {
            type: 'handed-over',
            bypass: id,
            to: text.trim(),
            until: addDays(new Date(), HANDED_DAYS).toISOString(),
          };
    if (await onWrite(body)) close();
  };
  return (
    <View
      role="region"
      aria-label={`Bypass: ${name}`}
      style={[styles.card, { borderColor: t.red, backgroundColor: t.redSoft }]}
    >
      <AppText kind="title" heading={2} color={t.red}>
        {`${name} bypassed, since ${whenText(since)}`}
      </AppText>
      <AppText>{`${why}; ${holderText(bypass)}.`}</AppText>
      {known ? <Protected circuit={circuit} names={names} device={device} /> : null}
      <AppText kind="strong" color={late ? t.red : t.ink}>
        {`${late ? 'Should be gone since' : 'Gone by'} ${whenText(until)}`}
      </AppText>
      <Caution circuit={circuit} device={device} />
      {way === null ? (
        <>
          <ActionButton label="It is out: prove it" look="filled" onPress={() => setWay('out')} />
          <ActionButton label="Somebody takes it over" onPress={() => setWay('over')} />
        </>
      ) : (
        <>
          {way === 'out' ? (
            <Options label="How it was shown to work" options={HOW} value={proof} onChange={setProof} />
          ) : null}
          <Field
            label={way === 'out' ? WORKED[proof] : 'Who takes it over'}
            value={text}
            most={way === 'out' ? 2000 : 80}
            onChange={setText}
          />
          {asksName ? <Writer /> : null}
          <ActionButton
            label={way === 'out' ? 'It works: close it' : `Theirs for ${HANDED_DAYS} days`}
            look="filled"
            disabled={by === '' || text.trim() === ''}
            onPress={() => void save()}
          />
          <ActionButton label="Not now" look="plain" onPress={close} />
        </>
      )}
    </View>
  );
}

const styles = sheet({ card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 } });
