import { useState } from 'react';
import { View } from 'react-native';
import { ActionButton, AppText, Options } from '../../basics';
import type { Role } from './api';
import { useInviteMutation } from './api';
import { CodeShown } from './CodeShown';
import { ROLES } from './roles';
import { Refused } from './Refused';
import { sheet } from '../../theme';

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
      {data ? <CodeShown code={data} how="Hold it to their camera, or read it out." /> : null}
    </View>
  );
}

const styles = sheet({ group: { gap: 8 } });
