import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { FanMotor, LeakObstacle, LeakPlan, LeakWish } from '@zygostat/core/plan';
import {
  FAN_MOTORS,
  LEAK_CAUTIONS,
  LEAK_OBSTACLE,
  MOTOR_HINT,
  freeLeadsText,
  harnessText,
  leakSettingText,
  leakTestText,
  movedUpText,
  namesIn,
  stayingText,
} from '@zygostat/core/words';
import { ActionButton, AppText, Options } from '../../basics';
import type { Model } from '../../model/answers';
import { sheet, useTokens } from '../../theme';
import { Costs } from './Costs';
import { Listed } from './Listed';
import { ProofLine } from './ProofLine';
import { Working } from './Working';
import { useAside } from './useAside';
import { useLasting } from './lasting';

interface Question {
  circuit: Circuit;
  wish: LeakWish;
}

const ask = (model: Remote<Model>, { circuit, wish }: Question): Promise<LeakPlan | LeakObstacle> =>
  model.leak(circuit, wish);

interface PlanProps {
  circuit: Circuit;
  plan: LeakPlan;
  onTake: () => void;
}

/** What goes up, what lands, how it is set, what its test does, and what the proof says of it all. */
function Planned({ circuit, plan, onTake }: PlanProps) {
  const t = useTokens();
  const names = namesIn(plan.circuit);
  const free = freeLeadsText(plan);
  const stays = stayingText(namesIn(circuit), plan);
  return (
    <View style={[styles.card, { borderColor: t.line, backgroundColor: t.card }]}>
      <Costs minutes={plan.minutes} parts={plan.parts} />
      <Listed title="Goes up to its strip" lines={plan.moved.map((one) => movedUpText(names, one))} />
      <Listed
        title="Its harness"
        lines={plan.harness.flatMap((lead) => (lead.to === null ? [] : [harnessText(names, lead)]))}
      />
      {free ? <AppText>{free}</AppText> : null}
      {stays ? <AppText>{stays}</AppText> : null}
      <Listed title="Set it" lines={plan.settings.map(leakSettingText)} />
      <Listed
        title="Test it, cooling and heating"
        lines={plan.tests.filter(({ stops }) => stops.length > 0).map(leakTestText)}
      />
      <ProofLine circuit={plan.circuit} proof={plan.proof} />
      {plan.harm.length === 0 ? (
        <ActionButton
          label="Take this plan"
          hint="Take this plan: leak controller"
          look="filled"
          onPress={onTake}
        />
      ) : (
        <AppText color={t.red}>It would do harm here: not offered.</AppText>
      )}
    </View>
  );
}

interface LeakPaneProps {
  circuit: Circuit;
  thermostat: string;
  onTake: (title: string, after: Circuit) => void;
}

/** A controller for refrigerant leaks between thermostat and unit. */
export function LeakPane({ circuit, thermostat, onTake }: LeakPaneProps) {
  const [motor, setMotor] = useLasting<FanMotor>('leak motor', () => 'taps');
  const { progress, answer, failure, start, stop } = useAside(ask);
  const wish: LeakWish = { thermostat, motor };
  const current = answer?.to.circuit === circuit && answer.to.wish.motor === motor ? answer.value : null;
  return (
    <View style={styles.pane}>
      <Options label="The indoor fan’s motor" options={FAN_MOTORS} value={motor} onChange={setMotor} />
      <AppText kind="small">{MOTOR_HINT}</AppText>
      {progress ? (
        <Working label="Landing and proving it" progress={progress} onStop={stop} />
      ) : (
        <ActionButton
          label="Plan a leak controller"
          look={current ? 'outlined' : 'filled'}
          onPress={() => void start({ circuit, wish })}
        />
      )}
      {failure ? <AppText>{failure}</AppText> : null}
      {typeof current === 'string' ? <AppText>{LEAK_OBSTACLE[current]}</AppText> : null}
      {current !== null && typeof current !== 'string' ? (
        <Planned
          circuit={circuit}
          plan={current}
          onTake={() => onTake('Leak controller between thermostat and unit', current.circuit)}
        />
      ) : null}
      {LEAK_CAUTIONS.map((caution) => (
        <AppText key={caution} kind="small">
          {caution}
        </AppText>
      ))}
    </View>
  );
}

const styles = sheet({
  pane: { gap: 10 },
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
});
