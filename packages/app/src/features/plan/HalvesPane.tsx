import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor } from '@zygostat/core/circuit';
import type { HalvesObstacle, HalvesPlan } from '@zygostat/core/plan';
import type { LineRegion } from '@zygostat/core/standards';
import {
  HALVES_OBSTACLE,
  REGIONS,
  RUN_BEFORE_POWER,
  beginText,
  namesIn,
  runLineText,
  runLineTitle,
  runReadingText,
  runWaysText,
  violationText,
} from '@zygostat/core/words';
import { ActionButton, AppText, Options } from '../../basics';
import { useAppSelector } from '../../store';
import type { Model } from '../../model/answers';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { LineCaution } from '../job/LineCaution';
import type { Job } from '../jobs/api';
import { Costs } from './Costs';
import { Listed } from './Listed';
import { ProofLine } from './ProofLine';
import { WireName } from './WireName';
import { Working } from './Working';
import { useAside } from './useAside';
import { useTakePlan } from './usePlan';
import { goTo } from '../job/address';
import { useLasting } from './lasting';

interface Question {
  circuit: Circuit;
  region: LineRegion;
}

const ask = (model: Remote<Model>, { circuit, region }: Question): Promise<HalvesPlan | HalvesObstacle> =>
  model.halves(circuit, region);

/** What the run would do as it is recorded: whoever means to power it reads this first. */
function AsItIs({ circuit, plan: { asFound } }: { circuit: Circuit; plan: HalvesPlan }) {
  const t = useTokens();
  if (!asFound || asFound.harm === null) return null;
  const names = namesIn(circuit);
  return (
    <View role="alert" style={[styles.card, { borderColor: t.red, backgroundColor: t.redSoft }]}>
      <View style={styles.row}>
        <Icon name="alert" size={20} color={t.red} />
        <AppText kind="strong" color={t.red}>
          As it is landed now: do not power it
        </AppText>
      </View>
      {asFound.violations.map((violation) => (
        <AppText key={`${violation.property} ${violation.about}`}>
          {`• ${violationText(names, violation)}`}
        </AppText>
      ))}
    </View>
  );
}

/** The run number by number: its conductor, and what is done with it. */
function Lines({ circuit, plan }: { circuit: Circuit; plan: HalvesPlan }) {
  const names = namesIn(circuit);
  return (
    <View role="list" aria-label="Number to number" style={styles.lines}>
      {plan.lines.map((line) => (
        <View key={line.role} role="listitem">
          <AppText kind="strong">{runLineTitle(line)}</AppText>
          <WireName colour={findConductor(circuit, line.conductor)!.colour} />
          <AppText>{runLineText(names, line)}</AppText>
        </View>
      ))}
    </View>
  );
}

interface PlannedProps {
  circuit: Circuit;
  plan: HalvesPlan;
  onTake: () => void;
}

function Planned({ circuit, plan, onTake }: PlannedProps) {
  const t = useTokens();
  const names = namesIn(plan.circuit);
  const stays = plan.minutes === 0;
  return (
    <>
      <AsItIs circuit={circuit} plan={plan} />
      <View style={[styles.card, { borderColor: t.line, backgroundColor: t.card }]}>
        <AppText>{beginText(names, plan)}</AppText>
        <Lines circuit={circuit} plan={plan} />
        {stays ? null : <Costs minutes={plan.minutes} parts={[]} />}
        <ProofLine circuit={plan.circuit} proof={plan.proof} />
        {stays ? null : (
          <ActionButton
            label="Take this plan"
            hint="Take this plan: number to number"
            look="filled"
            onPress={onTake}
          />
        )}
        <Listed title="Before power" lines={RUN_BEFORE_POWER} />
        <Listed title="After power" lines={plan.readings.map((one) => runReadingText(names, one))} />
        <Listed title={`Landed otherwise at ${names.device(plan.other)}`} lines={runWaysText(plan.ways)} />
      </View>
    </>
  );
}

/** The run between the two halves of a unit: what it does as it is, and number to number. */
export function HalvesPane({ job, circuit }: { job: Job; circuit: Circuit }) {
  const take = useTakePlan();
  const usual = useAppSelector(({ settings }) => settings.region);
  const [region, setRegion] = useLasting<LineRegion>('halves region', () => usual);
  const { progress, answer, failure, start, stop } = useAside(ask);
  const current = answer?.to.circuit === circuit && answer.to.region === region ? answer.value : null;
  const onTake = (plan: HalvesPlan) => {
    take({ title: 'Run between the halves, number to number', after: plan.circuit, swap: null, reasons: {} });
    goTo(job.id, 'wire', 'list');
  };
  return (
    <>
      <AppText kind="title" heading={2}>
        The run between the halves
      </AppText>
      <AppText>
        Number to number, whatever the labels are called. The colour is free, but the same at both ends; earth
        is never anything else.
      </AppText>
      <Options label="Colours usual in" options={REGIONS} value={region} onChange={setRegion} />
      {progress ? (
        <Working label="Landing it in every way" progress={progress} onStop={stop} />
      ) : (
        <ActionButton
          label="Check and plan the run"
          look={current ? 'outlined' : 'filled'}
          onPress={() => void start({ circuit, region })}
        />
      )}
      {failure ? <AppText>{failure}</AppText> : null}
      {typeof current === 'string' ? <AppText>{HALVES_OBSTACLE[current]}</AppText> : null}
      {current !== null && typeof current !== 'string' ? (
        <Planned circuit={circuit} plan={current} onTake={() => onTake(current)} />
      ) : null}
      <LineCaution circuit={circuit} />
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 10 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  lines: { gap: 10 },
});
