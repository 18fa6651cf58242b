import { Image, View } from 'react-native';
import { AppText } from '../../basics';
import { sheet } from '../../theme';
import type { Code } from './api';

/** In fives, as it is read out. */
const spoken = (code: string) => `${code.slice(0, 5)} ${code.slice(5)}`;

/** A code, for a camera or to be read out; `how` says what to do with it. */
export function CodeShown({ code: { code, url, minutes, qr }, how }: { code: Code; how: string }) {
  return (
    <View role="status" style={styles.code}>
      <Image
        accessibilityLabel={`The code as a picture for a camera: ${url}`}
        source={{ uri: `data:image/svg+xml,${encodeURIComponent(qr)}` }}
        style={styles.picture}
      />
      <AppText kind="title">{spoken(code)}</AppText>
      <AppText>{`Good once, for ${minutes} minutes. ${how}`}</AppText>
      <AppText kind="small">{url}</AppText>
    </View>
  );
}

const styles = sheet({
  code: { alignItems: 'center', gap: 8 },
  picture: { width: 240, height: 240, backgroundColor: '#ffffff' },
});
