import { formatDistanceToNow } from 'date-fns/formatDistanceToNow';
import { View } from 'react-native';
import { ActionButton, AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import type { Person } from './api';
import { useDevicesQuery, useSignDeviceOutMutation } from './api';
import { CodeFor } from './CodeFor';
import { Refused } from './Refused';

/** Devices that are signed in: a telephone that was lost is signed out here. */
export function Devices({ me }: { me: Person }) {
  const t = useTokens();
  const { data = [] } = useDevicesQuery(undefined);
  const [signOut, out] = useSignDeviceOutMutation();
  return (
    <View role="region" aria-label="Signed in" style={styles.group}>
      <AppText kind="strong" heading={2}>
        Signed in
      </AppText>
      <Refused act={out} again={() => void (out.originalArgs && signOut(out.originalArgs))} />
      {data.map(({ id, person, device, seenAt, isKnown, this: isThis }) => (
        <View key={id} style={[styles.row, { borderColor: t.line }]}>
          <View style={styles.grow}>
            <AppText>{`${person}: ${device}`}</AppText>
            <AppText kind="small">
              {isThis ? 'This device' : `seen ${formatDistanceToNow(new Date(seenAt), { addSuffix: true })}`}
            </AppText>
            {isKnown ? null : <AppText kind="small">Let in by a password alone: it leads nobody</AppText>}
          </View>
          {isThis ? null : (
            <ActionButton
              label="Sign out"
              hint={`Sign out ${device} of ${person}`}
              onPress={() => void signOut(id)}
            />
          )}
        </View>
      ))}
      <CodeFor
        person={me.id}
        label="A code for another device of mine"
        how="Hold it to its camera and sign in there with your name and password. Where it asks whether it is yours, type it."
      />
    </View>
  );
}

const styles = sheet({
  group: { gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8, paddingVertical: 8, borderBottomWidth: 1 },
  grow: { flex: 1 },
});
