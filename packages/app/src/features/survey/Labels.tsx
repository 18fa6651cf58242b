import { View } from 'react-native';
import type { Circuit, Device } from '@zygostat/core/circuit';
import { setValue } from '@zygostat/core/circuit';
import type { Field } from '@zygostat/core/devices';
import { fill, kindOf } from '@zygostat/core/devices';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';
import { FieldEditor } from '../trace/FieldEditor';
import { useSurveyEdit } from './useSurvey';

/** What a label says that the sums depend on: ratings, coils, what a thermostat draws. */
const READ = new Set([
  'va',
  'rating',
  'sealedVa',
  'inrushVa',
  'coilVolts',
  'loadVa',
  'supply',
  'gasValveVa',
  'boardVa',
  'supplied',
  'leak',
  'hermMicrofarads',
  'fanMicrofarads',
  'microfarads',
  'amps',
]);

const labelled = ({ kind }: Device): [string, Field][] =>
  Object.entries(kindOf(kind).params).filter(([name]) => READ.has(name));

/** The primary tap that is wired, told from the landings. */
function tapOf({ cables }: Circuit, { id, kind }: Device): string | null {
  const { primary } = kindOf(kind);
  if (!primary) return null;
  const landed = cables.flatMap(({ conductors }) => conductors.flatMap(({ from, to }) => [from, to]));
  const wired = primary.taps.map(({ mark }) => mark).filter((mark) => landed.includes(`${id}.${mark}`));
  return wired.length > 0 ? `Wired on ${wired.join(' and ')}.` : 'No primary tap is wired.';
}

/** Labels to read, device by device; until read, a default stands and is shown as one. */
export function Labels({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const edit = useSurveyEdit();
  const devices = circuit.devices.filter((device) => labelled(device).length > 0);
  if (devices.length === 0) return <AppText>Identify the system first: its labels follow from it.</AppText>;
  return (
    <>
      <AppText kind="small">
        Read what the part itself says; until then the value is a default and marked so.
      </AppText>
      {devices.map((device) => {
        const values = fill(kindOf(device.kind).params, device.params);
        const tap = tapOf(circuit, device);
        return (
          <View key={device.id} style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
            <AppText kind="strong" heading={2}>
              {device.label}
            </AppText>
            {tap ? <AppText kind="small">{tap}</AppText> : null}
            {labelled(device).map(([name, field]) => (
              <FieldEditor
                key={name}
                field={field}
                value={values[name]!}
                given={device.params[name] !== undefined}
                onChange={(value) =>
                  edit(`${device.label}: ${field.label} ${value}`, (now) => ({
                    circuit: setValue(now, device.id, 'params', name, value),
                  }))
                }
              />
            ))}
          </View>
        );
      })}
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
});
