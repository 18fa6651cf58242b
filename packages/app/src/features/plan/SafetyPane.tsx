import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Values } from '@zygostat/core/devices';
import { PARTS, kindOf, noticesOf, noticesWater } from '@zygostat/core/devices';
import type { Added, Flooded, SafetyPlan, SafetyWish, WaterFacts } from '@zygostat/core/plan';
import { askedOfWater, knowingWater } from '@zygostat/core/plan';
import { UNSEEN, floodedText, namesIn } from '@zygostat/core/words';
import { ActionButton, AppText, Options } from '../../basics';
import type { Model } from '../../model/answers';
import { useAppDispatch, useAppSelector } from '../../store';
import { edited } from '../circuit/slice';
import { ChainEditor, Facts, newLabel, safeties } from './ChainEditor';
import { Choices } from './Choices';
import { SafetyCard } from './SafetyCard';
import { Working } from './Working';
import { useAside } from './useAside';
import { useLasting } from './lasting';
import { sheet } from '../../theme';

interface Question {
  circuit: Circuit;
  thermostat: string;
  wish: SafetyWish;
}

const ask = (
  model: Remote<Model>,
  { circuit, thermostat, wish }: Question,
  tell: (what: string, done: number, all: number) => void,
): Promise<SafetyPlan> => model.safety(circuit, thermostat, wish, tell);

const HEATS = { dry: 'Flue stays hot', condensing: 'Condensing' } as const;
const ALARM = { unused: 'Insulate it', used: 'Sounder on it' } as const;

/** What the water does today, before anything is added. */
function Today({ circuit, today }: { circuit: Circuit; today: readonly Flooded[] }) {
  const units = useAppSelector((state) => state.settings);
  const names = namesIn(circuit);
  if (today.length === 0) return null;
  return (
    <View>
      <AppText kind="strong">{`As it is, ${UNSEEN}`}</AppText>
      {today.map((one) => (
        <AppText key={floodedText(names, one, units)}>{floodedText(names, one, units)}</AppText>
      ))}
    </View>
  );
}

function useWish(circuit: Circuit) {
  const [chain, setChain] = useLasting<readonly Added[]>('safety chain', () => {
    const [first] = Object.entries(safeties());
    return [{ kind: first![0], label: newLabel(first![1], []), params: {} }];
  });
  const [pan, setPan] = useLasting<Values>('safety pan', () => ({}));
  const [heats, setHeats] = useLasting<keyof typeof HEATS>('safety heats', () => 'dry');
  const [alarm, setAlarm] = useLasting<keyof typeof ALARM>('safety alarm', () => 'unused');
  const wet = chain.some(({ kind, params = {} }) => noticesWater(kindOf(kind), params));
  // A pump is there to be drained into.
  const pumped = chain.some(({ kind, params = {} }) =>
    noticesOf(kindOf(kind), params).includes('tank-water'),
  );
  const asked = askedOfWater(circuit);
  const asks = {
    pan: wet && asked.pan,
    heats: wet && asked.condensing,
    alarm: chain.some(({ kind }) => kindOf(kind).alarm !== undefined),
  };
  const facts: WaterFacts = {
    pan: asks.pan ? { ...(pumped && { leadsTo: 'pump' }), ...pan } : null,
    condensing: asks.heats ? heats === 'condensing' : null,
  };
  const wish: SafetyWish = { added: chain, sounder: alarm === 'used' };
  return { wish, facts, chain, setChain, pan, setPan, heats, setHeats, alarm, setAlarm, asks };
}

interface SafetyPaneProps {
  circuit: Circuit;
  thermostat: string;
  onTake: (title: string, after: Circuit) => void;
}

/** Safeties in series: what they are, what the water does, and every place they can break the circuit. */
export function SafetyPane({ circuit, thermostat, onTake }: SafetyPaneProps) {
  const dispatch = useAppDispatch();
  const { wish, facts, chain, setChain, pan, setPan, heats, setHeats, alarm, setAlarm, asks } =
    useWish(circuit);
  const { progress, answer, failure, start, stop } = useAside(ask);
  const key = JSON.stringify(wish);
  const current =
    answer?.to.circuit === circuit && JSON.stringify(answer.to.wish) === key ? answer.value : null;
  const compare = () => {
    // What was answered about the water is so, whatever is planned: it goes into the circuit, and is not asked again.
    const known = knowingWater(circuit, facts);
    if (known !== circuit) dispatch(edited({ circuit: known, note: 'Pan, drain and flue' }));
    void start({ circuit: known, thermostat, wish });
  };
  return (
    <View style={styles.pane}>
      <Choices line={chain.map(({ label }) => label).join(', ')} answer={current}>
        <ChainEditor circuit={circuit} chain={chain} onChange={setChain} />
        {asks.pan ? (
          <View role="group" aria-label="The pan">
            <AppText kind="small">The pan and its drain</AppText>
            <Facts
              title="The pan"
              params={kindOf(PARTS.pan).params}
              given={pan}
              onChange={(name, value) => setPan({ ...pan, [name]: value })}
            />
          </View>
        ) : null}
        {asks.heats ? (
          <Options label="The furnace" options={HEATS} value={heats} onChange={setHeats} />
        ) : null}
        {asks.alarm ? (
          <Options label="The alarm contact (NO)" options={ALARM} value={alarm} onChange={setAlarm} />
        ) : null}
        {progress ? (
          <Working label="Tripping it in every place" progress={progress} onStop={stop} />
        ) : (
          <ActionButton label="Compare the places" look={current ? 'outlined' : 'filled'} onPress={compare} />
        )}
      </Choices>
      {failure ? <AppText>{failure}</AppText> : null}
      {current ? (
        <>
          <Today circuit={circuit} today={current.today} />
          <View role="list" aria-label="Places" style={styles.pane}>
            {current.insertions.map((insertion) => (
              <SafetyCard
                key={`${insertion.id} ${insertion.into}`}
                insertion={insertion}
                recommended={current.recommended}
                onTake={(title) =>
                  onTake(`${chain.map(({ label }) => label).join(', ')}: ${title}`, insertion.circuit)
                }
              />
            ))}
          </View>
        </>
      ) : null}
    </View>
  );
}

const styles = sheet({ pane: { gap: 12 } });
