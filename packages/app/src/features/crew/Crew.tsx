import { ScrollView } from 'react-native';
import { useAppDispatch } from '../../store';
import { api } from '../../store/api';
import { doorShut } from '../../store/door';
import { ActionButton, AppText, Column, PageHead } from '../../basics';
import { backOr } from '../../basics/back';
import { useMeQuery, useSignOutMutation } from './api';
import { Devices } from './Devices';
import { Invite } from './Invite';
import { OwnDoor } from './OwnDoor';
import { People } from './People';
import { ROLES } from './roles';
import { sheet } from '../../theme';

/** The crew: who belongs, which devices are signed in, how one signs in oneself. */
export function Crew() {
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery(undefined);
  const [signOut] = useSignOutMutation();
  const leave = async () => {
    const { error } = await signOut(undefined);
    if (error) return;
    dispatch(doorShut());
    dispatch(api.util.resetApiState());
  };
  const person = me?.person;
  return (
    <Column>
      <PageHead title="Crew" onBack={backOr('/settings')} />
      <ScrollView contentContainerStyle={styles.form}>
        {me && !me.crew ? (
          <>
            <AppText>
              One person works here, on this machine. For a crew on their phones start the server with
            </AppText>
            <AppText kind="command">npm start -- --crew</AppText>
          </>
        ) : null}
        {person ? (
          <>
            <AppText>{`${person.name}: ${ROLES[person.role].toLowerCase()}`}</AppText>
            {person.role === 'lead' ? <Invite /> : null}
            <People me={person} />
            <Devices me={person} />
            <OwnDoor name={person.name} />
            <ActionButton label="Sign out on this device" onPress={() => void leave()} />
          </>
        ) : null}
      </ScrollView>
    </Column>
  );
}

const styles = sheet({
  form: { padding: 16, gap: 20 },
});
