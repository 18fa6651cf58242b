import { StyleSheet, View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../store';
import { showDuration } from '@zygostat/core/words';
import { pickedUp } from './slice';
import { useStatus } from '../bench/useStatus';
import { probeArmed, resumed } from '../bench/slice';
import { useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

/** What the circuit is doing, in words, and what to do next; or what waits for a tap. */
export function StatusLine({ onSkip }: { onSkip: () => void }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const view = useAppSelector(({ bench }) => bench.view);
  const armed = useAppSelector(({ bench }) => bench.armed);
  const paused = useAppSelector(({ bench }) => bench.paused);
  const carried = useAppSelector(({ trace }) => trace.carried);
  const supply = useAppSelector(({ bench }) => bench.supply);
  const failure = useAppSelector(({ bench }) => bench.failure);
  const status = view?.status;
  const told = useStatus();
  const tone = failure ? 'fault' : (status?.tone ?? 'idle');
  const fill = {
    idle: t.card,
    running: t.tealSoft,
    waiting: t.amberSoft,
    caution: t.amberSoft,
    fault: t.redSoft,
  }[tone];
  const ink = { idle: t.ink, running: t.teal, waiting: t.amber, caution: t.amber, fault: t.red }[tone];
  const left = status?.until === undefined ? '' : `, ${showDuration(status.until - (view?.now ?? 0))} left`;
  const mains =
    supply === 1 ? '' : `Mains ${Math.round(Math.abs(supply - 1) * 100)} % ${supply < 1 ? 'low' : 'high'}. `;
  const inHand = armed
    ? `Tap the stud for the ${armed} probe`
    : carried
      ? carried.type === 'end'
        ? 'Tap the stud to land the conductor on'
        : 'Tap the stud for the other end of the jumper'
      : null;
  return (
    <View
      style={[styles.line, { backgroundColor: inHand ? t.copperSoft : fill, borderColor: t.line }]}
      aria-live="polite"
      role="status"
    >
      <View style={styles.text}>
        <AppText kind="strong" color={inHand ? t.copper : ink} lines={3} style={styles.main}>
          {inHand ?? failure ?? (told ? `${told.text}${left}` : 'Working out the circuit…')}
        </AppText>
        {inHand ? null : (
          <AppText kind="small" color={t.ink} lines={2}>
            {failure
              ? 'Undo the last change, or reload the page.'
              : paused
                ? `Held at ${showDuration(view?.now ?? 0)} on the timeline.`
                : `${mains}${told?.next ?? ''}`}
          </AppText>
        )}
      </View>
      {inHand ? (
        <ActionButton
          label="Cancel"
          look="plain"
          onPress={() => {
            dispatch(probeArmed(null));
            dispatch(pickedUp(null));
          }}
        />
      ) : paused ? (
        <ActionButton
          label="Go on"
          hint="Let time go on from here"
          look="plain"
          onPress={() => dispatch(resumed())}
        />
      ) : status?.until !== undefined ? (
        <ActionButton label="Skip" hint="Skip ahead to the end of the wait" look="plain" onPress={onSkip} />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    marginHorizontal: 12,
    paddingLeft: 12,
    paddingVertical: 6,
    borderRadius: 10,
    borderWidth: 1,
    minHeight: 58,
  },
  text: { flex: 1, paddingRight: 8 },
  main: { fontSize: 15.5, lineHeight: 20 },
});
