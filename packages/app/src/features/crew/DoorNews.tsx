import { formatDistanceToNow } from 'date-fns/formatDistanceToNow';
import { router } from 'expo-router';
import { View } from 'react-native';
import { ActionButton, AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { useMeQuery, useNewsQuery, useNewsSeenMutation } from './api';
import type { Role } from './api';
import { ROLES } from './roles';

const WORDS = {
  'signed-in': (device: string) => `${device} was signed in under your name`,
  known: (device: string) => `${device} is known as yours now`,
  password: (device: string) => `Your password was changed on ${device}`,
  'passkey-added': (device: string) => `A passkey of ${device} was added`,
  'passkey-removed': (device: string) => `A passkey was removed on ${device}`,
  role: (role: string) => `Your role is another now: ${ROLES[role as Role].toLowerCase()}`,
} as const;

/** What happened to how one signs in, elsewhere: it may have been somebody else. */
export function DoorNews() {
  const t = useTokens();
  const { data: me } = useMeQuery(undefined);
  const { data = [] } = useNewsQuery(undefined, { skip: !me?.person });
  const [seen] = useNewsSeenMutation();
  if (data.length === 0) return null;
  return (
    <View
      role="region"
      aria-label="News of your sign-in"
      style={[styles.news, { backgroundColor: t.amberSoft, borderColor: t.amber }]}
    >
      {data.map(({ id, what, detail, at }) => (
        <View key={id}>
          <AppText kind="strong">{WORDS[what](detail)}</AppText>
          <AppText kind="small">{formatDistanceToNow(new Date(at), { addSuffix: true })}</AppText>
        </View>
      ))}
      <View style={styles.row}>
        <ActionButton
          label="That was me"
          look="filled"
          onPress={() => void seen({ upTo: data[0]!.at })}
          style={styles.grow}
        />
        <ActionButton label="It was not me" onPress={() => router.push('/crew')} style={styles.grow} />
      </View>
    </View>
  );
}

const styles = sheet({
  news: { borderWidth: 1.5, borderRadius: 12, padding: 12, gap: 8, marginBottom: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  grow: { flexGrow: 1 },
});
