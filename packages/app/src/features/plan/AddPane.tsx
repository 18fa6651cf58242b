import type { Remote } from 'comlink';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { CATALOGUE, kindOf } from '@zygostat/core/devices';
import { insertionPlace, insertionTitle, namesIn, situationText } from '@zygostat/core/words';
import type { Insertion } from '@zygostat/core/plan';
import { theModel } from '../../model/model';
import { thermostatsOf } from '../bench/calls';
import { useAppDispatch } from '../../store';
import type { Job } from '../jobs/api';
import { told } from '../../store/notice';
import { useTokens } from '../../theme';
import type { Model } from '../../model/answers';
import { ActionButton, Options, AppText } from '../../basics';
import { RunPane } from './RunPane';
import { ProofLine } from './ProofLine';
import { Working } from './Working';
import { useAside } from './useAside';
import { useTakePlan } from './usePlan';

/** Kinds of safety that are added to a system, by name. */
const safeties = (): Readonly<Record<string, string>> =>
  Object.fromEntries(
    CATALOGUE.flatMap(({ kind, title, safety }) => (safety?.retrofit ? [[kind, title]] : [])),
  );
const CALLS = { W: 'Heat (W)', Y: 'Cooling (Y)', G: 'Fan (G)' } as const;
type Call = keyof typeof CALLS;

const askSafety = (
  model: Remote<Model>,
  { circuit, thermostat, kind }: { circuit: Circuit; thermostat: string; kind: string },
): Promise<Insertion[]> =>
  model.safety(circuit, thermostat, { kind, label: `New ${kindOf(kind).title.toLowerCase()}` });

/** One school: what it stops, what goes on, whether anybody is told. */
function School({ insertion, onTake }: { insertion: Insertion; onTake: () => void }) {
  const t = useTokens();
  const { tripped, proof, adds } = insertion;
  const title = insertionTitle(insertion);
  return (
    <View role="listitem" style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="title" heading={3}>
        {title}
      </AppText>
      <AppText kind="small">{insertionPlace(namesIn(insertion.circuit), insertion)}</AppText>
      <ProofLine circuit={insertion.circuit} proof={proof} />
      {tripped.map(({ situation, stops, goesOn, blank }) => (
        <View key={situationText(situation)}>
          <AppText kind="strong">{`Tripped with ${situationText(situation)}`}</AppText>
          <AppText>{stops.length > 0 ? `Stops: ${stops.join(', ')}.` : 'Stops nothing.'}</AppText>
          {goesOn.length > 0 ? <AppText>{`Goes on: ${goesOn.join(', ')}.`}</AppText> : null}
          <AppText kind="small">
            {blank ? 'The blank screen tells.' : 'Nobody is told by the screen.'}
          </AppText>
        </View>
      ))}
      {adds.length === 0 ? (
        <ActionButton label={`Take this plan: ${title}`} look="filled" onPress={onTake} />
      ) : (
        <AppText kind="strong" color={t.red}>
          Not proposed: it would add what is found above.
        </AppText>
      )}
    </View>
  );
}

/** A device added: a safety in series, a relay in parallel with a call, a second thermostat. */
export function AddPane({ job, circuit }: { job: Job; circuit: Circuit }) {
  const dispatch = useAppDispatch();
  const take = useTakePlan();
  const [added] = useState(safeties);
  const [kind, setKind] = useState(() => Object.keys(added)[0]!);
  const [call, setCall] = useState<Call>('W');
  const { progress, answer, failure, start, stop } = useAside(askSafety);
  const [stat] = thermostatsOf(circuit);
  if (!stat) return <AppText>There is no thermostat here: nothing says what R and Y are.</AppText>;
  const goOn = (title: string, after: Circuit) => {
    take({ title, after, swap: null, reasons: {} });
    router.replace({ pathname: '/job/[id]/wire', params: { id: job.id } });
  };
  const addRelay = async () => {
    const title = `Relay that runs with ${CALLS[call]}`;
    const after = await theModel().relay(circuit, stat.id, call, 'Added relay');
    if (after) goOn(title, after);
    else dispatch(told('The unit gives no such call, or no common, to put it across.'));
  };
  const current = answer?.to.circuit === circuit ? answer.value : null;
  return (
    <>
      <AppText kind="title" heading={2}>
        A safety, in series
      </AppText>
      <Options label="What is added" options={added} value={kind} onChange={setKind} />
      {progress ? (
        <Working label="Tripping it in R and in Y" progress={progress} onStop={stop} />
      ) : (
        <ActionButton
          label="Compare R and Y"
          look={current ? 'outlined' : 'filled'}
          onPress={() => void start({ circuit, thermostat: stat.id, kind })}
        />
      )}
      {failure ? <AppText>{failure}</AppText> : null}
      {current ? (
        <View role="list" aria-label="Schools" style={styles.list}>
          {current.map((insertion) => (
            <School
              key={insertion.id}
              insertion={insertion}
              onTake={() => goOn(`${added[kind]}: ${insertionTitle(insertion)}`, insertion.circuit)}
            />
          ))}
        </View>
      ) : null}
      <AppText kind="small">
        A condensing furnace makes water in heating too; a heat pump’s Y stops its heating. Smoke detectors
        may be reserved to licensed people, and the panel must be on test.
      </AppText>
      <AppText kind="title" heading={2}>
        A load, in parallel
      </AppText>
      <Options label="It runs with" options={CALLS} value={call} onChange={setCall} />
      <ActionButton label="Plan a relay across this call" onPress={() => void addRelay()} />
      <AppText kind="title" heading={2}>
        A run with broken conductors
      </AppText>
      <RunPane circuit={circuit} onTake={goOn} />
      <AppText kind="title" heading={2}>
        A second thermostat
      </AppText>
      <AppText kind="small">
        Terminal to terminal with the first. Both must always be in the same mode: say so on a label.
      </AppText>
      <ActionButton
        label="Plan a second thermostat"
        onPress={() =>
          void theModel()
            .second(circuit, stat.id, stat.station, 10)
            .then((after) => goOn('Second thermostat in parallel', after))
        }
      />
    </>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 6 },
  list: { gap: 12 },
});
