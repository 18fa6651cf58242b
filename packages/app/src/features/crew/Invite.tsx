import { useState } from 'react';
import { Image, View } from 'react-native';
import { ActionButton, AppText, Options } from '../../basics';
import type { Role } from './api';
import { useInviteMutation } from './api';
import { ROLES } from './roles';
import { Refused } from './Refused';
import { sheet } from '../../theme';

/** In fives, as it is read out. */
const spoken = (code: string) => `${code.slice(0, 5)} ${code.slice(5)}`;

/** A code for one more person, shown to their camera or read out. */
export function Invite() {
  const [role, setRole] = useState<Role>('member');
  const [invite, asked] = useInviteMutation();
  const { data, isLoading } = asked;
  return (
    <View role="region" aria-label="One more" style={styles.group}>
      <AppText kind="strong" heading={2}>
        One more
      </AppText>
      <Options label="Who joins" options={ROLES} value={role} onChange={setRole} />
      <ActionButton
        label={isLoading ? 'Making a code…' : 'Make a code to join'}
        icon="plus"
        look="filled"
        disabled={isLoading}
        onPress={() => void invite(role)}
      />
      <Refused act={asked} again={() => void invite(role)} />
      {data ? (
        <View role="status" style={styles.code}>
          <Image
            accessibilityLabel={`Code to join as a picture for a camera: ${data.url}`}
            source={{ uri: `data:image/svg+xml,${encodeURIComponent(data.qr)}` }}
            style={styles.picture}
          />
          <AppText kind="title">{spoken(data.code)}</AppText>
          <AppText>{`Good once, for ${data.minutes} minutes. Hold it to their camera, or read it out.`}</AppText>
          <AppText kind="small">{data.url}</AppText>
        </View>
      ) : null}
    </View>
  );
}

const styles = sheet({
  group: { gap: 8 },
  code: { alignItems: 'center', gap: 8 },
  picture: { width: 240, height: 240, backgroundColor: '#ffffff' },
});
