import type { Remote } from 'comlink';
import { useState } from 'react';
import { View } from 'react-native';
import type { Cable, Circuit } from '@zygostat/core/circuit';
import { findConductor, setConductor } from '@zygostat/core/circuit';
import type { RunRepair } from '@zygostat/core/plan';
import { colourName } from '@zygostat/core/standards';
import { runsOf } from '@zygostat/core/survey';
import { reachText, runMethodCautions, runMethodTitle } from '@zygostat/core/words';
import { useAppDispatch } from '../../store';
import { edited } from '../circuit/slice';
import { sheet, useTokens } from '../../theme';
import type { Model } from '../../model/answers';
import { ActionButton, Options, AppText } from '../../basics';
import { WALLS, useDistances } from '../link/paths';
import { Costs } from './Costs';
import { ProofLine } from './ProofLine';
import { Working } from './Working';
import { useAside } from './useAside';
import { useLasting } from './lasting';

const askRun = (
  model: Remote<Model>,
  { circuit, cable }: { circuit: Circuit; cable: string },
): Promise<RunRepair[]> => model.run(circuit, cable);

/** Says of a conductor that it is broken, or takes that back. */
const withBroken = (circuit: Circuit, id: string): Circuit =>
  setConductor(circuit, id, {
    state: findConductor(circuit, id)?.state === 'broken' ? null : 'broken',
  });

/** The conductors of a run; a tap says that one is broken. */
function Conductors({ circuit, cable }: { circuit: Circuit; cable: Cable }) {
  const dispatch = useAppDispatch();
  return (
    <View style={styles.row} role="group" aria-label="Broken conductors">
      {cable.conductors.map(({ id, colour, state }) => (
        <ActionButton
          key={id}
          label={`${colour}${state === 'broken' ? ' broken' : ''}`}
          hint={`${colourName(colour)} is broken`}
          pressed={state === 'broken'}
          onPress={() =>
            dispatch(
              edited({
                circuit: withBroken(circuit, id),
                note: `${colourName(colour)} of ${cable.label}: ${state === 'broken' ? 'whole after all' : 'broken'}`,
              }),
            )
          }
        />
      ))}
    </View>
  );
}

/** How far apart two modules would hang, and what of their reach that leaves. */
function Reach() {
  const distances = useDistances();
  const [metres, setMetres] = useState('30');
  const [walls, setWalls] = useState<keyof typeof WALLS>('1');
  return (
    <>
      <Options label="Apart" options={distances} value={metres} onChange={setMetres} />
      <Options label="Walls between" options={WALLS} value={walls} onChange={setWalls} />
      <AppText>{reachText({ metres: Number(metres), walls: Number(walls) })}</AppText>
    </>
  );
}

interface RunPaneProps {
  circuit: Circuit;
  onTake: (title: string, after: Circuit) => void;
}

/** A run with broken conductors: which are, and the ways to put it right. */
export function RunPane({ circuit, onTake }: RunPaneProps) {
  const t = useTokens();
  const runs = runsOf(circuit).map(({ cable }) => circuit.cables.find(({ id }) => id === cable)!);
  const [chosen, setChosen] = useLasting<string | null>('run chosen', () => null);
  const { progress, answer, failure, start, stop } = useAside(askRun);
  const cable = runs.find(({ id }) => id === chosen) ?? runs[0];
  if (!cable) return <AppText kind="small">No control cable is recorded between two places yet.</AppText>;
  const anyBroken = cable.conductors.some(({ state }) => state === 'broken');
  const current = answer?.to.circuit === circuit && answer.to.cable === cable.id ? answer.value : null;
  return (
    <>
      <Options
        label="Which run"
        options={Object.fromEntries(runs.map(({ id, label }) => [id, label]))}
        value={cable.id}
        onChange={setChosen}
      />
      <AppText kind="small">
        Prove it: both ends isolated, the far end shorted in pairs, each pair to each other and to ground.
      </AppText>
      <Conductors circuit={circuit} cable={cable} />
      {progress ? (
        <Working label="Planning the run" progress={progress} onStop={stop} />
      ) : (
        <ActionButton
          label="Plan around what is broken"
          disabled={!anyBroken}
          onPress={() => void start({ circuit, cable: cable.id })}
        />
      )}
      {failure ? <AppText>{failure}</AppText> : null}
      <View role="list" aria-label="Ways for the run" style={styles.list}>
        {(current ?? []).map((repair) => {
          const title = runMethodTitle(repair.method);
          return (
            <View
              key={repair.method.id}
              role="listitem"
              style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
            >
              <AppText kind="title" heading={3}>
                {title}
              </AppText>
              <ProofLine circuit={repair.circuit} proof={repair.proof} />
              <Costs minutes={repair.minutes} parts={repair.parts} />
              {repair.method.id === 'link' ? <Reach /> : null}
              {runMethodCautions(repair.method).map((line) => (
                <AppText key={line} kind="small">
                  {line}
                </AppText>
              ))}
              <ActionButton
                label={`Take this plan: ${title}`}
                look="filled"
                onPress={() => onTake(title, repair.circuit)}
              />
            </View>
          );
        })}
      </View>
    </>
  );
}

const styles = sheet({
  list: { gap: 12 },
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
});
