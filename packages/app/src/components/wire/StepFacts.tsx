import { StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { pointName } from '@zygostat/core/circuit';
import type { Step } from '@zygostat/core/wire';
import { Words } from '../basics';
import { WireName } from '../plan/WireName';

/** What a person needs to know to do a step: conductor, tag, strip length, other end, reason; or where to probe. */
export function StepFacts({ step, circuit }: { step: Step; circuit: Circuit }) {
  const { conductor, probes, why } = step;
  return (
    <View style={styles.facts}>
      {conductor ? (
        <>
          <WireName colour={conductor.colour} tag={conductor.tag} />
          <Words kind="small">
            {conductor.to === null
              ? `Other end: ${conductor.otherEnd}.`
              : `Strip ${conductor.stripMm} mm. Other end: ${conductor.otherEnd}.`}
          </Words>
        </>
      ) : null}
      {probes ? (
        <Words kind="small">
          {`Red on ${pointName(circuit, probes[0])}, black on ${pointName(circuit, probes[1])}.`}
        </Words>
      ) : null}
      {why ? <Words kind="small">{why}</Words> : null}
    </View>
  );
}

const styles = StyleSheet.create({ facts: { gap: 2 } });
