import { proxy } from 'comlink';
import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit, Device } from '@zygostat/core/circuit';
import { PARTS, SCREWS, fill, kindOf, marksIn } from '@zygostat/core/devices';
import type { Method, Swap, SwapOption, SwapRequest } from '@zygostat/core/plan';
import { methodTitle, namesIn, obstacleText, violationText } from '@zygostat/core/words';
import { wiredThermostats } from '../bench/calls';
import { useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { sheet, useTokens } from '../../theme';
import type { Model } from '../../model/answers';
import { ActionButton, Options, AppText } from '../../basics';
import { MarksEditor } from '../trace/MarksEditor';
import { Choices } from './Choices';
import { OptionCard } from './OptionCard';
import { Working } from './Working';
import { useAside } from './useAside';
import { planOf, useTakePlan } from './usePlan';
import { goTo } from '../job/address';
import { useLasting } from './lasting';

interface Question {
  circuit: Circuit;
  wish: SwapRequest;
  jackets: readonly string[];
}

const askSwap = (
  model: Remote<Model>,
  { circuit, wish, jackets }: Question,
  tell: (title: string, done: number, all: number) => void,
): Promise<Swap> =>
  model.swap(
    circuit,
    wish,
    jackets,
    proxy((method: Method, done: number, all: number) => tell(methodTitle(method), done, all)),
  );

/** What a thermostat may be powered by. */
const supplies = (): Readonly<Record<string, string>> => {
  const { supply } = kindOf(PARTS.thermostat).params;
  return supply?.type === 'choice' ? supply.options : {};
};

const termsOf = (device: Device | undefined): SwapRequest['terminals'] => {
  const { params } = kindOf(PARTS.thermostat);
  const given = device && fill(params, device.params).terminals;
  return String(given ?? params.terminals!.default);
};

/** Ways that would work and are not proposed, each with what it would add. */
function LeftOut({ ways }: { ways: Swap['leftOut'] }) {
  if (ways.length === 0) return null;
  return (
    <View role="note">
      <AppText kind="strong">Not proposed, for what they would add</AppText>
      {ways.map(({ method, circuit, adds }) => (
        <AppText key={method.id}>
          {`• ${methodTitle(method)}: ${adds.map((added) => violationText(namesIn(circuit), added)).join(' ')}`}
        </AppText>
      ))}
    </View>
  );
}

function Found({ swap, question, job }: { swap: Swap; question: Question; job: Job }) {
  const t = useTokens();
  const take = useTakePlan();
  const onTake = (option: SwapOption) => {
    take(planOf(option, question.wish));
    goTo(job.id, 'wire', 'list');
  };
  if (swap.cannot.length > 0)
    return (
      <View role="alert" style={[styles.cannot, { borderColor: t.red, backgroundColor: t.card }]}>
        <AppText kind="strong" color={t.red}>
          This thermostat cannot do it
        </AppText>
        {swap.cannot.map((obstacle) => {
          const line = obstacleText(namesIn(question.circuit), obstacle);
          return <AppText key={line}>{`• ${line}`}</AppText>;
        })}
        <LeftOut ways={swap.leftOut} />
      </View>
    );
  return (
    <>
      <View role="status" aria-live="polite">
        <AppText kind="title" heading={2}>
          {swap.options.length === 1 ? 'The plan' : `${swap.options.length} ways, best first`}
        </AppText>
      </View>
      <View role="list" aria-label="Ways" style={styles.list}>
        {swap.options.map((option, i) => (
          <OptionCard
            key={option.method.id}
            option={option}
            proposed={i === 0}
            onTake={() => onTake(option)}
          />
        ))}
      </View>
      <LeftOut ways={swap.leftOut} />
    </>
  );
}

/** A thermostat exchanged for another: say what the new one is, get every landing, the set-up and the proof. */
export function SwapPane({ job, circuit }: { job: Job; circuit: Circuit }) {
  const stats = wiredThermostats(circuit);
  const [chosen, setChosen] = useLasting<string | null>('swap chosen', () => null);
  const old: Device | undefined = stats.find(({ id }) => id === chosen) ?? stats[0];
  const [picked, setTerminals] = useLasting<SwapRequest['terminals'] | null>('swap picked', () => null);
  const [supply, setSupply] = useLasting<SwapRequest['supply']>('swap supply', () => 'both');
  const runs = useAppSelector(({ survey }) => survey.value.runs);
  const { progress, answer, failure, start, stop } = useAside(askSwap);
  // The same screws again, until others are picked.
  const terminals = picked ?? termsOf(old);
  if (!old) return <AppText>There is no thermostat here to exchange.</AppText>;
  const wish: SwapRequest = { device: old.id, terminals, supply };
  const plan = () => {
    const jackets = runs
      .filter(({ from, to }) => from.station === old.station || to.station === old.station)
      .map(({ cable }) => cable);
    void start({ circuit, wish, jackets });
  };
  // A plan for other screws than those chosen is none for these.
  const isCurrent = answer?.to.circuit === circuit && JSON.stringify(answer.to.wish) === JSON.stringify(wish);
  const current = isCurrent ? answer : null;
  const line = `${stats.length > 1 ? `${old.label}: ` : ''}${marksIn(SCREWS, terminals)
    .map((mark) => SCREWS.marks[mark]!.shown)
    .join(' ')} · ${supplies()[supply] ?? supply}`;
  return (
    <>
      <Choices line={line} answer={current}>
        {stats.length > 1 ? (
          <Options
            label="Which thermostat goes"
            options={Object.fromEntries(stats.map(({ id, label }) => [id, label]))}
            value={old.id}
            onChange={setChosen}
          />
        ) : null}
        <MarksEditor
          field={{ ...SCREWS, label: 'Screws of the new one' }}
          value={terminals}
          onChange={setTerminals}
        />
        <Options
          label="It is powered by"
          options={supplies()}
          value={supply}
          onChange={(value) => setSupply(value as SwapRequest['supply'])}
        />
        {progress ? (
          <Working label="Trying" progress={progress} onStop={stop} />
        ) : (
          <ActionButton label="Plan the landings" look={current ? 'outlined' : 'filled'} onPress={plan} />
        )}
      </Choices>
      {failure ? <AppText>{failure}</AppText> : null}
      {current ? <Found swap={current.value} question={current.to} job={job} /> : null}
    </>
  );
}

const styles = sheet({
  list: { gap: 12 },
  cannot: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
});
