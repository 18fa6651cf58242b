import { useState } from 'react';
import { View } from 'react-native';
import { showDuration } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { useStatus } from '../bench/useStatus';
import { probeArmed, resumed } from '../bench/slice';
import { sheet, useTokens } from '../../theme';
import { useHand } from '../settings/useHand';
import { ActionButton, AppText } from '../../basics';
import { pickedUp } from './slice';

/** What waits for a tap on a stud, in words. */
function useInHand(): string | null {
  const armed = useAppSelector(({ bench }) => bench.armed);
  const carried = useAppSelector(({ trace }) => trace.carried);
  if (armed) return `Tap the stud for the ${armed} probe`;
  if (!carried) return null;
  return carried.type === 'end'
    ? 'Tap the stud to land the conductor on'
    : 'Tap the stud for the other end of the jumper';
}

/** What to do next, under what the circuit is doing. */
function useNext(): string {
  const paused = useAppSelector(({ bench }) => bench.paused);
  const supply = useAppSelector(({ bench }) => bench.supply);
  const failure = useAppSelector(({ bench }) => bench.failure);
  const told = useStatus();
  if (failure) return 'Undo the last change, or reload the page.';
  if (paused) return told?.text ?? '';
  const percent = Math.round(Math.abs(supply - 1) * 100);
  const mains = percent === 0 ? '' : `Mains ${percent} % ${supply < 1 ? 'low' : 'high'}. `;
  return `${mains}${told?.next ?? ''}`;
}

/** The one thing that can be done about what the line says. */
function StatusAction({ inHand, onSkip }: { inHand: boolean; onSkip: () => void }) {
  const dispatch = useAppDispatch();
  const paused = useAppSelector(({ bench }) => bench.paused);
  const waits = useAppSelector(({ bench }) => bench.view?.status.until !== undefined);
  if (inHand) {
    const cancel = () => {
      dispatch(probeArmed(null));
      dispatch(pickedUp(null));
    };
    return <ActionButton label="Cancel" look="plain" onPress={cancel} />;
  }
  if (paused)
    return (
      <ActionButton
        label="Go on"
        hint="Let time go on from here"
        look="plain"
        onPress={() => dispatch(resumed())}
      />
    );
  return waits ? (
    <ActionButton label="Skip" hint="Skip ahead to the end of the wait" look="plain" onPress={onSkip} />
  ) : null;
}

/**
 * What the circuit is doing, in one line that opens to the whole of it and what to do next; or what waits for a tap.
 * A fault and a caution stand open by themselves.
 */
export function StatusLine({ onSkip }: { onSkip: () => void }) {
  const t = useTokens();
  const hand = useHand();
  const view = useAppSelector(({ bench }) => bench.view);
  const failure = useAppSelector(({ bench }) => bench.failure);
  const told = useStatus();
  const inHand = useInHand();
  const next = useNext();
  const status = view?.status;
  const tone = failure ? 'fault' : (status?.tone ?? 'idle');
  const paused = useAppSelector(({ bench }) => bench.paused);
  const held = paused ? `Held at ${showDuration(view?.now ?? 0)} on the timeline` : null;
  const text = inHand ?? failure ?? held ?? told?.text ?? 'Working out the circuit…';
  // What was opened or closed by hand is so for what it said.
  const [chosen, setChosen] = useState<{ text: string; open: boolean } | null>(null);
  // On the timeline the pane says it, and a line that grew would move the buttons under the thumb.
  // Mains that are not nominal are part of every figure on the loom: never folded away.
  const supply = useAppSelector(({ bench }) => bench.supply);
  const grave = !paused && (tone === 'fault' || tone === 'caution' || supply !== 1);
  const open = chosen?.text === text ? chosen.open : grave;
  const fill = {
    idle: t.card,
    running: t.tealSoft,
    waiting: t.amberSoft,
    caution: t.amberSoft,
    fault: t.redSoft,
  }[tone];
  const ink = { idle: t.ink, running: t.teal, waiting: t.amber, caution: t.amber, fault: t.red }[tone];
  const left = status?.until === undefined ? null : showDuration(status.until - (view?.now ?? 0));
  return (
    <View style={[styles.line, hand, { backgroundColor: inHand ? t.copperSoft : fill, borderColor: t.line }]}>
      <View style={styles.text} aria-live="polite" role="status">
        <AppText
          kind="strong"
          color={inHand ? t.copper : ink}
          {...(!open && { lines: 1 })}
          style={styles.main}
        >
          {text}
        </AppText>
        {open && !inHand ? (
          <AppText kind="small" color={t.ink}>
            {next}
          </AppText>
        ) : null}
      </View>
      {left && !inHand && !failure ? (
        <AppText kind="figure" color={ink} style={styles.left}>
          {left}
        </AppText>
      ) : null}
      <StatusAction inHand={inHand !== null} onSkip={onSkip} />
      {inHand ? null : (
        <ActionButton
          label={open ? 'Less' : 'More'}
          hint={open ? 'Less: fold the status in' : 'More: the whole status, and what to do next'}
          icon={open ? 'chevron-up' : 'chevron-down'}
          look="plain"
          iconOnly
          onPress={() => setChosen({ text, open: !open })}
        />
      )}
    </View>
  );
}

const styles = sheet({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    marginHorizontal: 12,
    marginTop: 8,
    paddingLeft: 12,
    borderRadius: 10,
    borderWidth: 1,
    minHeight: 44,
  },
  text: { flex: 1, paddingRight: 4, paddingVertical: 3 },
  main: { fontSize: 15.5, lineHeight: 20 },
  left: { fontVariant: ['tabular-nums'] },
});
