import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { findDevice, marksOf, setValue } from '@zygostat/core/circuit';
import { fill, kindOf } from '@zygostat/core/devices';
import { fieldValueText, showVolts } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheetOpened } from './slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, BottomSheet, AppText } from '../../basics';
import { LinkCard } from '../link/LinkCard';
import { FieldEditor } from './FieldEditor';
import type { TraceActions } from './useTraceActions';

/** All about one device: what it shows, how it is held, its terminals, its label and its settings. */
export function DeviceSheet({
  circuit,
  jobId,
  device: id,
  actions,
}: {
  circuit: Circuit;
  jobId: string;
  device: string;
  actions: TraceActions;
}) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const face = useAppSelector(({ bench }) => bench.view?.faces[id]);
  const points = useAppSelector(({ bench }) => bench.view?.nodes);
  const units = useAppSelector(({ settings }) => settings);
  const held = useAppSelector(({ bench }) => bench.inputs.controls[id]);
  const device = findDevice(circuit, id);
  if (!device) return null;
  const kind = kindOf(device.kind);
  const station = circuit.stations.find((entry) => entry.id === device.station);
  const controls = fill(kind.controls, held ?? {});
  const marks = marksOf(device);
  return (
    <BottomSheet
      title={device.label}
      subtitle={`${kind.title} · ${station?.name ?? ''}${face ? ` · ${face.text}` : ''}`}
      onClose={() => dispatch(sheetOpened(null))}
    >
      {face?.detail ? <AppText color={t.red}>{face.detail}</AppText> : null}
      {Object.entries(kind.controls).map(([name, field]) => (
        <FieldEditor
          key={name}
          field={field}
          value={controls[name]!}
          given={held?.[name] !== undefined}
          onChange={(value) => actions.setControl(id, name, value)}
        />
      ))}
      {kind.radio ? <LinkCard jobId={jobId} device={id} actions={actions} /> : null}
      {marks.length === 0 ? null : (
        <>
          <AppText kind="strong" heading={3}>
            Terminals
          </AppText>
          <View style={styles.terminals}>
            {marks.map((mark) => {
              const node = `${id}.${mark}`;
              const volts = points?.[node]?.volts;
              return (
                <ActionButton
                  key={mark}
                  label={`${mark} · ${volts === undefined ? '–' : showVolts(volts)} V`}
                  onPress={() => dispatch(sheetOpened({ type: 'stud', node }))}
                />
              );
            })}
          </View>
        </>
      )}
      {(['params', 'settings'] as const).map((group) =>
        Object.keys(kind[group]).length === 0 ? null : (
          <View key={group} style={styles.group}>
            <AppText kind="strong" heading={3}>
              {group === 'params' ? 'Read from the label' : 'Set-up'}
            </AppText>
            {Object.entries(kind[group]).map(([name, field]) => (
              <FieldEditor
                key={name}
                field={field}
                value={device[group][name] ?? field.default}
                given={device[group][name] !== undefined}
                onChange={(value) =>
                  actions.edit(
                    `${device.label}: ${field.label} ${fieldValueText(field, value, units)}`,
                    (c) => setValue(c, id, group, name, value),
                  )
                }
              />
            ))}
          </View>
        ),
      )}
    </BottomSheet>
  );
}

const styles = sheet({
  terminals: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  group: { gap: 10 },
});
