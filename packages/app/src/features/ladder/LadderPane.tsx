import { useCallback, useRef, useState } from 'react';
import type { GestureResponderEvent, LayoutChangeEvent } from 'react-native';
import { ScrollView, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { useModel } from '../../model/useModel';
import { useAppSelector } from '../../store';
import { ActionButton, Waiting, AppText } from '../../basics';
import { LadderPicture } from './LadderPicture';
import { RungList } from './RungList';
import { sheet } from '../../theme';

const LEAST = 0.3;
const MOST = 2.5;
const clamp = (scale: number) => Math.min(MOST, Math.max(LEAST, scale));

/** Distance between two fingers, px; `null` with fewer or more. */
function spread({ nativeEvent: { touches } }: GestureResponderEvent): number | null {
  const [one, other] = touches;
  return touches.length === 2 && one && other
    ? Math.hypot(one.pageX - other.pageX, one.pageY - other.pageY)
    : null;
}

/** Two fingers change the scale. */
function usePinch(scale: number, setScale: (scale: number) => void) {
  const start = useRef<{ spread: number; scale: number } | null>(null);
  return {
    onTouchMove: (event: GestureResponderEvent) => {
      const now = spread(event);
      if (now === null) start.current = null;
      else if (start.current === null) start.current = { spread: now, scale };
      else setScale(clamp((start.current.scale * now) / start.current.spread));
    },
    onTouchEnd: () => {
      start.current = null;
    },
  };
}

/** The ladder diagram: full size to scroll and probe, fitted to the width, or as a list of rungs. */
export function LadderPane({ circuit, onStud }: { circuit: Circuit; onStud: (node: string) => void }) {
  const ladder = useModel(useCallback((model) => model.ladder(circuit), [circuit]));
  const view = useAppSelector(({ bench }) => bench.view);
  const symbols = useAppSelector(({ settings }) => settings.symbols);
  const [asList, setAsList] = useState(false);
  const [scale, setScale] = useState(1);
  const [room, setRoom] = useState(0);
  const pinch = usePinch(scale, setScale);
  const measure = useCallback(({ nativeEvent }: LayoutChangeEvent) => setRoom(nativeEvent.layout.width), []);
  if (!ladder) return <Waiting label="Drawing the ladder" />;
  const fit = clamp(room / ladder.width);
  return (
    <View style={styles.pane} onLayout={measure}>
      <View style={styles.tools} role="group" aria-label="Ladder">
        <ActionButton
          label="Fit"
          pressed={!asList && scale === fit}
          onPress={() => (setAsList(false), setScale(fit))}
        />
        <ActionButton
          label="Full"
          pressed={!asList && scale === 1}
          onPress={() => (setAsList(false), setScale(1))}
        />
        <ActionButton label="Smaller" icon="minus" iconOnly onPress={() => setScale(clamp(scale / 1.25))} />
        <ActionButton label="Larger" icon="plus" iconOnly onPress={() => setScale(clamp(scale * 1.25))} />
        <ActionButton label="List" hint="List of rungs" pressed={asList} onPress={() => setAsList(!asList)} />
      </View>
      {asList ? (
        <View style={styles.list}>
          <RungList ladder={ladder} circuit={circuit} view={view} onStud={onStud} />
        </View>
      ) : (
        <>
          {scale < 1 ? (
            <AppText kind="small" style={styles.hint}>
              Full size to tap a terminal.
            </AppText>
          ) : null}
          <View {...pinch}>
            <ScrollView horizontal aria-label="Ladder diagram">
              <LadderPicture
                ladder={ladder}
                circuit={circuit}
                view={view}
                style={symbols}
                scale={scale}
                onStud={onStud}
              />
            </ScrollView>
          </View>
        </>
      )}
    </View>
  );
}

const styles = sheet({
  wait: { marginTop: 40 },
  pane: { paddingVertical: 8, gap: 8 },
  tools: { flexDirection: 'row', gap: 8, paddingHorizontal: 12 },
  list: { paddingHorizontal: 12 },
  hint: { paddingHorizontal: 12 },
});
