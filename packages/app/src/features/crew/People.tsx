import { useState } from 'react';
import { View } from 'react-native';
import { ActionButton, AppText, Options } from '../../basics';
import { sheet, useTokens } from '../../theme';
import type { Person } from './api';
import { useGiveRoleMutation, usePeopleQuery, useSeeOffMutation } from './api';
import { CodeFor } from './CodeFor';
import { Refused } from './Refused';
import { ROLES } from './roles';

/** Nobody is seen off by a slip of the thumb. */
function SeeOff({ name, onSure }: { name: string; onSure: () => void }) {
  const [isAsked, setAsked] = useState(false);
  if (!isAsked)
    return (
      <ActionButton
        label="No longer of the crew"
        hint={`${name} is no longer of the crew`}
        onPress={() => setAsked(true)}
      />
    );
  return (
    <>
      <AppText>{`${name} is signed out everywhere at once. What they wrote stays, under their name.`}</AppText>
      <View style={styles.row}>
        <ActionButton label={`${name} leaves`} look="filled" onPress={onSure} style={styles.grow} />
        <ActionButton label={`${name} stays`} onPress={() => setAsked(false)} style={styles.grow} />
      </View>
    </>
  );
}

/** Who belongs to the crew; whoever leads says what each may do. */
export function People({ me }: { me: Person }) {
  const t = useTokens();
  const { data = [] } = usePeopleQuery(undefined);
  const [giveRole, roles] = useGiveRoleMutation();
  const [seeOff, off] = useSeeOffMutation();
  return (
    <View role="region" aria-label="People" style={styles.group}>
      <AppText kind="strong" heading={2}>
        People
      </AppText>
      <Refused act={roles} again={() => void (roles.originalArgs && giveRole(roles.originalArgs))} />
      <Refused act={off} again={() => void (off.originalArgs && seeOff(off.originalArgs))} />
      {data.map(({ id, name, role }) => (
        <View key={id} style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
          <AppText kind="strong">{id === me.id ? `${name}, you` : name}</AppText>
          {me.role === 'lead' ? (
            <>
              <Options
                label={`Role of ${name}`}
                options={ROLES}
                value={role}
                onChange={(to) => void giveRole({ id, role: to })}
              />
              {id === me.id ? null : (
                <>
                  <CodeFor
                    person={id}
                    label="A code: new device, forgotten password"
                    hint={`A code: new device, forgotten password, for ${name}`}
                    how={`Hold it to ${name}’s camera. A new password typed there takes the place of the old one.`}
                  />
                  <SeeOff name={name} onSure={() => void seeOff(id)} />
                </>
              )}
            </>
          ) : (
            <AppText>{ROLES[role]}</AppText>
          )}
        </View>
      ))}
    </View>
  );
}

const styles = sheet({
  group: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  grow: { flexGrow: 1 },
  card: { padding: 12, gap: 8, borderRadius: 10, borderWidth: 1 },
});
