import { StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { nodeName } from '@zygostat/core/circuit';
import type { Step } from '@zygostat/core/wire';
import { AppText } from '../../basics';
import { WireName } from '../plan/WireName';

/** What a person needs to know to do a step: conductor, tag, strip length, other end, reason; or where to probe. */
export function StepFacts({ step, circuit }: { step: Step; circuit: Circuit }) {
  const { conductor, probes, why } = step;
  return (
    <View style={styles.facts}>
      {conductor ? (
        <>
          <WireName colour={conductor.colour} tag={conductor.tag} />
          <AppText kind="small">
            {conductor.to === null
              ? `Other end: ${conductor.otherEnd}.`
              : `Strip ${conductor.stripMm} mm. Other end: ${conductor.otherEnd}.`}
          </AppText>
        </>
      ) : null}
      {probes ? (
        <AppText kind="small">
          {`Red on ${nodeName(circuit, probes[0])}, black on ${nodeName(circuit, probes[1])}.`}
        </AppText>
      ) : null}
      {why ? <AppText kind="small">{why}</AppText> : null}
    </View>
  );
}

const styles = StyleSheet.create({ facts: { gap: 2 } });
