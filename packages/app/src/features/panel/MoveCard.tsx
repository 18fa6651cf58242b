import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { LoopMove } from '@zygostat/core/plan';
import { isSound } from '@zygostat/core/plan';
import type { Names } from '@zygostat/core/words';
import { moveTexts, moveTitle, namesIn, proofText } from '@zygostat/core/words';
import { askAside } from '../../model/model';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Options, Waiting } from '../../basics';
import { useOpenDocument } from '../job/useOpenDocument';
import { planDocument } from '../plan/document';
import { useTakePlan } from '../plan/usePlan';
import { goTo } from '../job/address';

interface MoveCardProps {
  jobId: string;
  circuit: Circuit;
  names: Names;
}

/** One way to move the loop: what is used again, what is pulled, what it comes to. */
function Way({ move, names, onTake }: { move: LoopMove; names: Names; onTake: () => void }) {
  const t = useTokens();
  const { good, bad } = moveTexts(names, namesIn(move.circuit), move);
  const title = moveTitle(move);
  return (
    <View role="listitem" style={[styles.way, { borderColor: t.line }]}>
      <AppText kind="strong" heading={3}>
        {title}
      </AppText>
      {good.map((text) => (
        <AppText key={text}>{text}</AppText>
      ))}
      {bad.map((text) => (
        <AppText key={text} color={t.red}>
          {text}
        </AppText>
      ))}
      <AppText kind="small">{proofText(move.proof)}</AppText>
      <AppText kind="strong">
        It counts once the caps are off its tubes and it was tripped, seen at the unit and at the panel.
      </AppText>
      {isSound(move) ? (
        <ActionButton
          label="Take this plan"
          hint={`Take this plan: ${title}`}
          look="filled"
          onPress={onTake}
        />
      ) : (
        <AppText color={t.red}>It would leave less protected than it should be: not offered.</AppText>
      )}
    </View>
  );
}

/** The loop, and the station, moved from one detector to another: both ways side by side, each proven. */
export function MoveCard({ jobId, circuit, names }: MoveCardProps) {
  const t = useTokens();
  const take = useTakePlan();
  const ready = useOpenDocument('plan', planDocument, jobId);
  const detectors = circuit.devices.filter(({ kind }) => kindOf(kind).loopContacts);
  const options = Object.fromEntries(detectors.map(({ id, label }) => [id, label]));
  const [from, setFrom] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [found, setFound] = useState<{ of: Circuit; moves: LoopMove[] } | null>(null);
  const to = detectors.find(({ id }) => id !== from)?.id;
  if (detectors.length < 2) return null;
  const plan = async () => {
    setBusy(true);
    try {
      setFound({ of: circuit, moves: await askAside((model) => model.moveLoop(circuit, from!, to!)) });
    } finally {
      setBusy(false);
    }
  };
  const goOn = (move: LoopMove) => {
    take({ title: moveTitle(move), after: move.circuit, swap: null, reasons: {} });
    goTo(jobId, 'wire', 'list');
  };
  return (
    <View
      role="region"
      aria-label="Move the loop"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
    >
      <AppText kind="title" heading={2}>
        Move the loop and the station
      </AppText>
      <Options label="Away from" options={options} value={from ?? ''} onChange={setFrom} />
      {from !== null && to ? <AppText kind="small">{`To ${names.device(to)}.`}</AppText> : null}
      {busy ? (
        <Waiting label="Trying both ways" />
      ) : (
        <ActionButton label="Plan the move" disabled={from === null || !ready} onPress={() => void plan()} />
      )}
      {found?.of === circuit ? (
        <View role="list" aria-label="Ways to move it" style={styles.ways}>
          {found.moves.map((move) => (
            <Way key={move.way} move={move} names={names} onTake={() => goOn(move)} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  ways: { gap: 10 },
  way: { borderTopWidth: 1, paddingTop: 10, gap: 8 },
});
