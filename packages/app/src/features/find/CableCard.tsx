import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import type { Cable } from '@zygostat/core/circuit';
import type { CableAnswer, Observation } from '@zygostat/core/diagnose';
import {
  faultFound,
  fewestReadings,
  followCableTest,
  lengthToBreak,
  mostReadings,
  withDead,
} from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { cableReadingLines, conductorStateText, showLength } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { edited } from '../circuit/slice';
import { practiceIn } from './practice';

/** How far it is to a break, from the capacitance of the broken conductor: where a meter has it. */
function Length({ cable, name }: { cable: Cable; name: string }) {
  const length = useAppSelector(({ settings }) => settings.length);
  const [text, setText] = useState('');
  const nanofarads = Number(text.replace(',', '.'));
  const isFigure = text.trim() !== '' && Number.isFinite(nanofarads) && nanofarads > 0;
  return (
    <View style={styles.length}>
      <TextInput
        mode="outlined"
        label={`${name} to all others joined, nF`}
        aria-label="Capacitance of the broken conductor, nF"
        value={text}
        onChangeText={setText}
        inputMode="decimal"
      />
      {isFigure ? (
        <AppText>{`Broken about ${showLength(lengthToBreak(cable, nanofarads * 1e-9), length)} from here.`}</AppText>
      ) : null}
    </View>
  );
}

interface CableCardProps {
  cable: Cable;
  names: Names;
  onDone: (observed: readonly Observation[]) => void;
}

/** A cable's conductors tested by the fewest readings: what to join and read, until each is known. */
export function CableCard({ cable, names, onDone }: CableCardProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  // A wire of a practice is not broken in the job.
  const isPractice = useAppSelector((state) => practiceIn(state) !== null);
  const [answers, setAnswers] = useState<readonly CableAnswer[] | null>(null);
  if (!answers) return <ActionButton label="Test it step by step" onPress={() => setAnswers([])} />;
  const { next, states } = followCableTest(cable, answers);
  const broken = cable.conductors.find(({ id }) => states[id] === 'open');
  const count = cable.conductors.length;
  const take = () => {
    if (!isPractice && Object.values(states).some((state) => state !== 'whole'))
      dispatch(
        edited({ circuit: withDead(names.circuit, states), note: `${cable.label}: conductors tested` }),
      );
    onDone([{ type: 'wires', cable: cable.id, found: faultFound(cable, states) }]);
  };
  const give = (passes: boolean) => next && setAnswers([...answers, { reading: next, passes }]);
  return (
    <View role="group" aria-label="Cable test" style={[styles.box, { borderColor: t.line }]}>
      {!next && broken ? <Length cable={cable} name={names.conductor(broken.id)} /> : null}
      {next ? (
        <>
          <AppText kind="strong">{`Reading ${answers.length + 1}`}</AppText>
          {cableReadingLines(names, next).map((line) => (
            <AppText key={line}>{line}</AppText>
          ))}
          <View style={styles.row}>
            <ActionButton label="It passes" look="filled" onPress={() => give(true)} style={styles.half} />
            <ActionButton label="Open" look="filled" onPress={() => give(false)} style={styles.half} />
          </View>
          <AppText kind="small">
            {`End to end: at most ${mostReadings(count)} readings for ${count} conductors; no way of testing can be sure with fewer than ${fewestReadings(count, count)}.`}
          </AppText>
        </>
      ) : (
        <ActionButton label="That is the answer" look="filled" onPress={take} />
      )}
      <View role="list" aria-label="Conductors" style={styles.row}>
        {cable.conductors.map(({ id }) => (
          <View key={id} role="listitem" style={[styles.tag, { borderColor: t.line }]}>
            <AppText
              kind="small"
              color={states[id] === 'whole' ? t.teal : states[id] === 'unknown' ? t.mute : t.red}
            >
              {conductorStateText(names, id, states[id]!)}
            </AppText>
          </View>
        ))}
      </View>
      {answers.length > 0 ? (
        <ActionButton
          label="Take the last back"
          look="plain"
          onPress={() => setAnswers(answers.slice(0, -1))}
        />
      ) : null}
    </View>
  );
}

const styles = sheet({
  length: { gap: 4 },
  box: { borderWidth: 1, borderRadius: 10, padding: 10, gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  half: { flex: 1 },
  tag: { borderWidth: 1, borderRadius: 8, paddingHorizontal: 8, paddingVertical: 4 },
});
