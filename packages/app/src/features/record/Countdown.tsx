import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Progress } from '../../basics/Progress';

const told = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** From a call to what it starts: whoever waits condemns nothing. */
export function Countdown({ seconds, done }: { seconds: number; done: string }) {
  const t = useTokens();
  const [from, setFrom] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (from === null) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [from]);
  if (from === null)
    return (
      <ActionButton
        label={`${done}: wait ${told(Math.round(seconds))}`}
        onPress={() => {
          setFrom(Date.now());
          setNow(Date.now());
        }}
      />
    );
  const left = Math.max(0, Math.ceil(seconds - (now - from) / 1000));
  return (
    <View role="timer" style={[styles.wait, { backgroundColor: t.amberSoft }]}>
      <AppText kind="figure" color={t.amber} style={styles.figure}>
        {told(left)}
      </AppText>
      <AppText kind="strong">
        {left > 0 ? 'A delay is running. Waiting is right, not a fault.' : 'All of it should run by now.'}
      </AppText>
      <Progress label="Waited" share={seconds === 0 ? 1 : 1 - left / seconds} color={t.amber} />
    </View>
  );
}

const styles = sheet({
  wait: { borderRadius: 10, padding: 12, gap: 8 },
  figure: { fontSize: 26, lineHeight: 32 },
});
