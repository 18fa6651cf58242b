import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { ENDS, endNode, findConductor, nodeName } from '@zygostat/core/circuit';
import { colourName, ohmsPerMetre } from '@zygostat/core/standards';
import { showGauge, showLength, showVolts } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { pickedUp, sheetOpened } from './slice';
import { ActionButton, BottomSheet, AppText } from '../../basics';
import type { TraceActions } from './useTraceActions';
import { sheet } from '../../theme';

/** A conductor and its two ends: volts on each, probes, lift, and land elsewhere. */
export function ConductorSheet({
  circuit,
  conductor: id,
  actions,
}: {
  circuit: Circuit;
  conductor: string;
  actions: TraceActions;
}) {
  const dispatch = useAppDispatch();
  const view = useAppSelector(({ bench }) => bench.view);
  const { gauge, length } = useAppSelector(({ settings }) => settings);
  const conductor = findConductor(circuit, id);
  const cable = circuit.cables.find(({ conductors }) => conductors.some((entry) => entry.id === id));
  if (!conductor || !cable) return null;
  const ohms = ohmsPerMetre(cable.gauge) * cable.lengthM;
  return (
    <BottomSheet
      title={`${colourName(conductor.colour)} conductor`}
      subtitle={`${cable.label} · ${showGauge(cable.gauge, gauge)} · ${showLength(cable.lengthM, length)} · ${ohms.toFixed(2)} Ω end to end`}
      onClose={() => dispatch(sheetOpened(null))}
    >
      {ENDS.map((end) => {
        const node = endNode(conductor, end);
        const reading = view?.nodes[node];
        return (
          <View key={end} style={styles.end}>
            <AppText kind="strong">
              {conductor[end] === null
                ? `${end === 'from' ? 'First' : 'Second'} end, free`
                : nodeName(circuit, node)}
            </AppText>
            {reading ? (
              <AppText kind="small">
                {showVolts(reading.volts)} V to {nodeName(circuit, reading.reference)}, {reading.standing}
              </AppText>
            ) : null}
            <View style={styles.row}>
              <ActionButton
                label="Red probe"
                onPress={() => actions.placeProbe('red', node)}
                style={styles.grow}
              />
              <ActionButton
                label="Black probe"
                onPress={() => actions.placeProbe('black', node)}
                style={styles.grow}
              />
              <ActionButton
                label={conductor[end] === null ? 'Land' : 'Move'}
                onPress={() => dispatch(pickedUp({ type: 'end', conductor: id, end }))}
                style={styles.grow}
              />
            </View>
          </View>
        );
      })}
      <AppText kind="small">
        Insulate a free end on its own; bare copper next to a live stud is a short waiting to happen.
      </AppText>
    </BottomSheet>
  );
}

const styles = sheet({
  end: { gap: 8, marginBottom: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  grow: { flex: 1 },
});
