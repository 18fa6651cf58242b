import { View } from 'react-native';
import { nodeName } from '@zygostat/core/circuit';
import type { Plan, Step } from '@zygostat/core/wire';
import { namesIn, otherEndText, showStrip } from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { AppText } from '../../basics';
import { WireName } from '../plan/WireName';
import { sheet } from '../../theme';

/** What a person needs to know to do a step: conductor, tag, strip length, other end, reason; or where to probe. */
export function StepFacts({ step, plan }: { step: Step; plan: Pick<Plan, 'before' | 'after'> }) {
  const { conductor, probes, why } = step;
  const length = useAppSelector(({ settings }) => settings.length);
  const strip = conductor && showStrip(conductor.stripMm, length);
  const other = conductor && `Other end: ${otherEndText(namesIn(plan.after), conductor.otherEnd)}.`;
  return (
    <View style={styles.facts}>
      {conductor ? (
        <>
          <WireName colour={conductor.colour} tag={conductor.tag} />
          <AppText kind="small">
            {conductor.to === null ? other : `Strip ${strip}${strip?.endsWith('.') ? '' : '.'} ${other}`}
          </AppText>
        </>
      ) : null}
      {probes ? (
        <AppText kind="small">
          {`Red on ${nodeName(plan.before, probes[0])}, black on ${nodeName(plan.before, probes[1])}.`}
        </AppText>
      ) : null}
      {why ? <AppText kind="small">{why}</AppText> : null}
    </View>
  );
}

const styles = sheet({ facts: { gap: 2 } });
