import { proxy } from 'comlink';
import type { Remote } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { exchangeGrids } from '@zygostat/core/prove';
import { sheet, useTokens } from '../../theme';
import type { MistakeFound, Model } from '../../model/answers';
import { capital, caseText, namesIn, violationText, wrongLandingText } from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { Steps } from '../job/Steps';
import type { Harm } from './harm';
import { HARMS, harmOf } from './harm';
import { MistakeCard } from './MistakeCard';
import type { Pair } from './MistakeGrid';
import { MistakeGrid } from './MistakeGrid';
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
            <AppText>{capital(text)}</AppText>
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

/** What exchanging any two conductors of a strip does, as a picture to tap. */
function Exchanges({ circuit, mistakes }: { circuit: Circuit; mistakes: readonly MistakeFound[] }) {
  const grids = useMemo(() => exchangeGrids(circuit, mistakes), [circuit, mistakes]);
  const [strip, setStrip] = useState(0);
  const [chosen, setChosen] = useState<Pair | null>(null);
  const grid = grids[strip];
  if (!grid) return null;
  const nameOf = ({ device, station }: (typeof grids)[number]) => {
    const place = circuit.stations.find(({ id }) => id === station)?.name ?? station;
    return circuit.devices.find(({ id }) => id === device)?.label ?? `Wire nuts, ${place}`;
  };
  const mistake = chosen && grid.at(...chosen);
  const pairs = grid.ends.flatMap((one, i) =>
    grid.ends.slice(i + 1).map((other) => harmOf(grid.at(one, other))),
  );
  const counts = (Object.keys(HARMS) as Harm[]).flatMap((harm) => {
    const n = pairs.filter((one) => one === harm).length;
    return n > 0 ? [`${HARMS[harm].sign} ${HARMS[harm].word} ${n}`] : [];
  });
  return (
    <>
      <Steps
        label="Where"
        titles={Object.fromEntries(grids.map((one, i) => [i, nameOf(one)])) as Record<string, string>}
        here={String(strip)}
        onGo={(i) => {
          setStrip(Number(i));
          setChosen(null);
        }}
      />
      <AppText kind="title" heading={2}>
        If two are exchanged
      </AppText>
      <MistakeGrid circuit={circuit} grid={grid} chosen={chosen} onChoose={setChosen} />
      <AppText kind="small">{counts.join('   ')}</AppText>
      {chosen && mistake ? (
        <MistakeCard
          key={JSON.stringify(chosen)}
          circuit={circuit}
          mistake={mistake}
          wrong={{ type: 'exchanged', one: chosen[0], other: chosen[1] }}
        />
      ) : (
        <AppText>Tap one to see what it does.</AppText>
      )}
    </>
  );
}

/** What every single wrong landing would do: two exchanged as a picture, one screw off by the harm it does. */
export function MistakesPane({ circuit }: { circuit: Circuit }) {
  const { progress, answer, failure, start, stop } = useAside(askMistakes);
  useEffect(() => void start(circuit), [circuit, start]);
  const mistakes = answer?.to === circuit ? answer.value : null;
  const off = mistakes?.filter(({ wrong }) => wrong.type === 'moved') ?? [];
  return (
    <>
      {progress ? <Working label="Trying wrong landings" progress={progress} onStop={stop} /> : null}
      {!progress && !mistakes ? (
        <ActionButton label="Try the wrong landings" onPress={() => void start(circuit)} />
      ) : null}
      {failure ? <AppText>{failure}</AppText> : null}
      {mistakes ? <Exchanges circuit={circuit} mistakes={mistakes} /> : null}
      {off.length > 0 ? (
        <AppText kind="title" heading={2}>
          If one is on the screw beside its own
        </AppText>
      ) : null}
      {GROUPS.map(({ harm, title, what }) => (
        <Group
          key={title}
          circuit={circuit}
          title={title}
          what={what}
          mistakes={off.filter((mistake) => mistake.harm === harm)}
        />
      ))}
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8 },
  list: { gap: 8 },
  line: { borderTopWidth: 1, paddingTop: 8 },
});
