import { proxy } from 'comlink';
import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { useTokens } from '../../theme';
import type { MistakeFound, Model } from '../../model/answers';
import { caseText, namesIn, violationText, wrongLandingText } from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { Working } from './Working';
import { useAside } from './useAside';

const askMistakes = (
  model: Remote<Model>,
  circuit: Circuit,
  tell: (what: string, done: number, all: number) => void,
): Promise<MistakeFound[]> =>
  model.mistakes(
    circuit,
    proxy((done: number, all: number) => tell(`${done} of ${all}`, done, all)),
  );

const GROUPS = [
  { harm: 'danger', title: 'Dangerous', what: 'Shorts, live ends, heat without air.' },
  { harm: 'fault', title: 'It does not work, or works wrong', what: 'What the first call would show.' },
  { harm: null, title: 'Nothing shows', what: 'No call of these shows it; look at the landing itself.' },
] as const;

/** Mistakes shown of a group before more are asked for. */
const FIRST = 8;

interface GroupProps {
  circuit: Circuit;
  title: string;
  what: string;
  mistakes: readonly MistakeFound[];
}

function Group({ circuit, title, what, mistakes }: GroupProps) {
  const t = useTokens();
  const [all, setAll] = useState(false);
  if (mistakes.length === 0) return null;
  const names = namesIn(circuit);
  const told = (all ? mistakes : mistakes.slice(0, FIRST)).map(({ wrong, does, shownBy }) => ({
    text: wrongLandingText(names, wrong),
    does: does && shownBy && `${violationText(names, does)} Shows with ${caseText(names, shownBy)}.`,
  }));
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="title" heading={3}>
        {`${title}: ${mistakes.length}`}
      </AppText>
      <AppText kind="small">{what}</AppText>
      <View role="list" aria-label={title} style={styles.list}>
        {told.map(({ text, does }) => (
          <View key={text} role="listitem" style={[styles.line, { borderColor: t.line }]}>
            <AppText>{text.charAt(0).toUpperCase() + text.slice(1)}</AppText>
            {does ? (
              <AppText kind="strong" color={t.red}>
                {does}
              </AppText>
            ) : null}
          </View>
        ))}
      </View>
      {mistakes.length > FIRST ? (
        <ActionButton
          label={all ? 'Show fewer' : `Show all ${mistakes.length}`}
          onPress={() => setAll(!all)}
        />
      ) : null}
    </View>
  );
}

/** What every single wrong landing would do: the mistakes to look for, by the harm they do. */
export function MistakesPane({ circuit }: { circuit: Circuit }) {
  const { progress, answer, failure, start, stop } = useAside(askMistakes);
  useEffect(() => void start(circuit), [circuit, start]);
  const mistakes = answer?.to === circuit ? answer.value : null;
  return (
    <>
      <AppText>Every two conductors exchanged, every conductor one screw off: what it would do here.</AppText>
      {progress ? <Working label="Trying wrong landings" progress={progress} onStop={stop} /> : null}
      {!progress && !mistakes ? (
        <ActionButton label="Try the wrong landings" onPress={() => void start(circuit)} />
      ) : null}
      {failure ? <AppText>{failure}</AppText> : null}
      {mistakes
        ? GROUPS.map(({ harm, title, what }) => (
            <Group
              key={title}
              circuit={circuit}
              title={title}
              what={what}
              mistakes={mistakes.filter((mistake) => mistake.harm === harm)}
            />
          ))
        : null}
    </>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 6 },
  list: { gap: 8 },
  line: { borderTopWidth: 1, paddingTop: 8 },
});
