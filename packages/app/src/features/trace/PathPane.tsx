import { useDeferredValue, useEffect } from 'react';
import { ScrollView, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { landedOn, splitTerminal } from '@zygostat/core/circuit';
import { useAppDispatch, useAppSelector } from '../../store';
import { activeCalls } from '../bench/calls';
import { loadFollowed } from '../bench/slice';
import { standingInk } from '../loom/inks';
import { namesIn, onwardText, percentText, showVolts, stopText } from '@zygostat/core/words';
import { sheet, useTokens, useWide } from '../../theme';
import { ActionButton, AppText, Tap } from '../../basics';

/** Suspicion below this is not written. */
const LEAST_MARKED = 0.05;

/** One load's way from hot to common: every terminal in order with its volts, and where it stops. */
export function PathPane({ circuit, onStud }: { circuit: Circuit; onStud: (node: string) => void }) {
  const t = useTokens();
  const wide = useWide();
  const dispatch = useAppDispatch();
  const view = useAppSelector(({ bench }) => bench.view);
  const followed = useAppSelector(({ bench }) => bench.followed);
  const answer = useAppSelector(({ bench }) => bench.path);
  const isAnswered = useAppSelector(({ bench }) => bench.pathOf === bench.followed);
  const path = useDeferredValue(answer);
  // What is called is what one asks about first: of what runs the control side, and where nothing does, why.
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  const calls = activeCalls(circuit, inputs);
  const called = (view?.loads ?? []).filter(({ serves }) => serves !== 'valve' && calls.has(serves));
  const running = called.filter(({ energised }) => energised).sort((one, other) => one.volts - other.volts);
  const first = running[0] ?? called[0];
  const unasked = followed === null && first !== undefined;
  useEffect(() => {
    if (unasked) dispatch(loadFollowed({ device: first.device, element: first.element }));
  }, [unasked, first, dispatch]);
  const names = namesIn(circuit);
  const stops = path.map((stop) => ({ name: stopText(names, stop), stop }));
  const suspects = useAppSelector(({ find }) => find.suspects);
  /** How far what meets at a terminal is suspected: its device, and conductors that are landed there. */
  const shareAt = (node: string) =>
    suspects.reduce((most, { type, id, share }) => {
      const here =
        type === 'device'
          ? splitTerminal(node).deviceId === id
          : landedOn(circuit, node).some(({ conductor }) => conductor.id === id);
      return here ? Math.max(most, share) : most;
    }, 0);
  return (
    <View style={styles.pane}>
      <AppText kind="small">Follow the way to a load</AppText>
      <ScrollView
        horizontal={!wide}
        contentContainerStyle={[styles.loads, wide ? styles.wrap : null]}
        role="group"
        aria-label="Loads"
      >
        {view?.loads.map(({ device, element, title, energised }) => (
          <ActionButton
            key={`${device}:${element}`}
            label={`${title}${energised ? ' · on' : ''}`}
            pressed={followed?.device === device && followed.element === element}
            onPress={() => dispatch(loadFollowed({ device, element }))}
          />
        ))}
      </ScrollView>
      {!followed ? <AppText>Choose a load to see every terminal from hot to common.</AppText> : null}
      {followed && isAnswered && answer.length === 0 ? (
        <AppText color={t.red}>
          No wiring leads from a supply through this load and back. Look for a lifted conductor.
        </AppText>
      ) : null}
      <View role="list">
        {stops.map(({ name, stop: { node, inside, volts, standing, onward } }, i) => (
          <View key={`${node}${i}`} role="listitem">
            <Tap
              role="button"
              aria-label={`${name}, ${showVolts(volts)} volts, ${standing}`}
              disabled={inside !== null}
              onPress={() => onStud(node)}
              style={[styles.stop, { backgroundColor: t.card, borderColor: t.line }]}
            >
              <AppText style={styles.name}>{name}</AppText>
              {shareAt(node) >= LEAST_MARKED ? (
                <AppText kind="small" color={t.amber}>{`suspect ${percentText(shareAt(node))}  `}</AppText>
              ) : null}
              <AppText kind="mark" color={standingInk(t, standing, false)}>
                {showVolts(volts)} V
              </AppText>
            </Tap>
            {onward ? (
              <View style={styles.onward}>
                <View
                  style={[
                    styles.thread,
                    {
                      borderColor: onward.closed ? t.ink : t.red,
                      borderStyle: onward.closed ? 'solid' : 'dashed',
                    },
                  ]}
                />
                <AppText
                  kind={onward.load ? 'strong' : 'small'}
                  color={onward.closed ? (onward.load ? t.copper : t.mute) : t.red}
                >
                  {onwardText(names, onward)}
                </AppText>
              </View>
            ) : null}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = sheet({
  pane: { padding: 12, gap: 10 },
  loads: { flexDirection: 'row', gap: 8, paddingBottom: 6 },
  wrap: { flexWrap: 'wrap' },
  stop: {
    minHeight: 44,
    paddingHorizontal: 12,
    borderRadius: 8,
    borderWidth: 1,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
  },
  name: { flex: 1 },
  onward: { flexDirection: 'row', alignItems: 'center', gap: 10, paddingLeft: 22, minHeight: 28 },
  thread: { height: 28, borderLeftWidth: 2.5 },
});
