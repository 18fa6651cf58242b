import { formatDistance } from 'date-fns/formatDistance';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useTokens } from '../../theme';
import { AppText } from '../../basics';

/** Clocks that are this far apart are worth a word, ms. */
const FAR_MS = 5 * 60_000;

/** Says when this device's clock is not the server's: what is written here would have the wrong time. Nothing rests on it besides. */
export function Clock() {
  const t = useTokens();
  const [ahead, setAhead] = useState(0);
  useEffect(() => {
    const asked = new AbortController();
    const ask = async () => {
      try {
        const { headers } = await fetch('/api/health', { signal: asked.signal });
        const server = new Date(headers.get('date') ?? '').getTime();
        if (!Number.isNaN(server)) setAhead(Date.now() - server);
      } catch {
        // Without an answer there is nothing to compare.
      }
    };
    void ask();
    return () => asked.abort();
  }, []);
  if (Math.abs(ahead) < FAR_MS) return null;
  const far = formatDistance(0, Math.abs(ahead));
  return (
    <View role="alert">
      <AppText color={t.amber}>
        {`This device’s clock is ${far} ${ahead > 0 ? 'ahead of' : 'behind'} the server’s: what is written here gets the wrong time. Set it.`}
      </AppText>
    </View>
  );
}
