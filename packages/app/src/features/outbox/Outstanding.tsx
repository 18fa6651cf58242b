import { router } from 'expo-router';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText, Tap } from '../../basics';
import { useSignal } from '../../basics/signal';
import { useWaiting } from './useWaiting';
import { outstandingText } from './words';

const NO_SIGNAL = 'No signal. What you do is kept on this device and sent later.';

/** That there is no signal, said before anything waits for it; and what is not with the server yet, in one line that leads to all of it; of one job, or of every. */
export function Outstanding({ jobId }: { jobId?: string }) {
  const t = useTokens();
  const waiting = useWaiting(jobId);
  const hasSignal = useSignal();
  if (waiting.length === 0 && hasSignal) return null;
  const isBad = waiting.some(({ refused, isKept }) => refused !== undefined || !isKept);
  const [ink, fill] = isBad ? [t.red, t.redSoft] : [t.amber, t.amberSoft];
  const words = waiting.length === 0 ? NO_SIGNAL : outstandingText(waiting);
  return (
    <Tap
      role="link"
      aria-label={`${words} To all that waits`}
      onPress={() => router.push('/outbox')}
      style={[styles.line, { backgroundColor: fill }]}
    >
      <Icon name={isBad ? 'alert' : 'clock'} size={20} color={ink} />
      <AppText kind="small" color={ink} style={styles.words}>
        {words}
      </AppText>
      <Icon name="chevron-right" size={20} color={ink} />
    </Tap>
  );
}

const styles = sheet({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    minHeight: 44,
    paddingHorizontal: 14,
    paddingVertical: 4,
    marginBottom: 6,
  },
  words: { flex: 1, fontVariant: ['tabular-nums'] },
});
