import { router } from 'expo-router';
import { View } from 'react-native';
import { ActionButton, AppText } from '../basics';
import { sheet } from '../theme';

export default function NotFoundRoute() {
  return (
    <View style={styles.page} role="main">
      <AppText kind="title" heading={1}>
        There is nothing at this address
      </AppText>
      <ActionButton label="All jobs" look="filled" onPress={() => router.dismissTo('/')} />
    </View>
  );
}

const styles = sheet({
  page: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: 16 },
});
