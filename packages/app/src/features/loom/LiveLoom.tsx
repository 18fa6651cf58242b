import { memo, useCallback, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { View, useWindowDimensions } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { useAppDispatch, useAppSelector, useAppStore } from '../../store';
import { benchRunnerOf } from '../bench/useBenchRunner';
import { sheetOpened } from '../trace/slice';
import { useBypassed } from '../record/useRecord';
import { ActionButton, AppText } from '../../basics';
import { sheet, useWide } from '../../theme';
import type { TraceActions } from '../trace/useTraceActions';
import { Loom } from './Loom';
import { LoomTools } from './LoomTools';
import { loomWidth, useLaid } from './useLaid';
import { useZoom } from './useZoom';

/** The circuit as it is could not be laid out: what is drawn, if anything, is the one before. */
function Unlaid({ why, stands, onAgain }: { why: string; stands: boolean; onAgain: () => void }) {
  return (
    <View role="alert" style={styles.unlaid}>
      <AppText>
        {`${why} ${stands ? 'Wires are drawn as they were before the last change.' : 'The circuit is not drawn.'}`}
      </AppText>
      <ActionButton label="Draw it again" onPress={onAgain} />
    </View>
  );
}

/** The loom at whatever width it is given. */
export const LiveLoom = memo(function LiveLoom({
  circuit: given,
  actions,
}: {
  circuit: Circuit;
  actions: TraceActions;
}) {
  const dispatch = useAppDispatch();
  // Across a phone it is as wide as the window: drawn at once, and measured after.
  const wide = useWide();
  const { width: window } = useWindowDimensions();
  const [width, setWidth] = useState(wide ? 0 : Math.floor(window));
  const { laid, failure, again } = useLaid(given, loomWidth(width));
  const store = useAppStore();
  const askAgain = () => {
    again();
    // Its volts failed to come, too.
    void benchRunnerOf(store).run();
  };
  const circuit = laid?.circuit ?? given;
  const view = useAppSelector(({ bench }) => bench.view);
  const meter = useAppSelector(({ bench }) => bench.meter);
  const { suspects, cleared } = useAppSelector(({ find }) => find);
  const bypassed = useBypassed();
  const contested = useAppSelector((state) => state.contested);
  const inviting = useAppSelector(({ bench, trace }) => bench.armed !== null || trace.carried !== null);
  const measure = useCallback(
    ({ nativeEvent }: LayoutChangeEvent) => setWidth(Math.floor(nativeEvent.layout.width)),
    [],
  );
  const onDevice = useCallback(
    (device: string) => void dispatch(sheetOpened({ type: 'device', device })),
    [dispatch],
  );
  const onConductor = useCallback(
    (conductor: string) => void dispatch(sheetOpened({ type: 'conductor', conductor })),
    [dispatch],
  );
  const [whole, setWhole] = useState(0);
  const { frame, zoom, fit, back } = useZoom(whole);
  const [chosen, setChosen] = useState<string | null>(null);
  // A place that is no more hides nothing.
  const place = circuit.devices.some(({ station }) => station === chosen) ? chosen : null;
  const goTo = (station: string | null) => {
    setChosen(station);
    const first = circuit.devices.find((device) => device.station === station);
    const element = frame.current as unknown as HTMLElement | null;
    if (first)
      element?.querySelector?.(`[data-testid^="plate-${first.id}"]`)?.scrollIntoView?.({ block: 'center' });
  };
  return (
    <View onLayout={measure}>
      {failure ? <Unlaid why={failure} stands={laid !== null} onAgain={askAgain} /> : null}
      <View ref={frame} testID="loom">
        {laid ? (
          <View style={zoom === 1 ? null : [styles.zoomed, { height: whole * zoom }]}>
            <View
              onLayout={({ nativeEvent }) => setWhole(Math.ceil(nativeEvent.layout.height))}
              style={zoom === 1 ? null : [styles.scaled, { transform: [{ scale: zoom }] }]}
            >
              <Loom
                place={place}
                contested={contested}
                {...laid}
                view={view}
                meter={meter}
                suspects={suspects}
                cleared={cleared}
                bypassed={bypassed}
                inviting={inviting}
                onStud={actions.tapStud}
                onToggle={actions.toggle}
                onDevice={onDevice}
                onConductor={onConductor}
              />
            </View>
          </View>
        ) : null}
      </View>
      {laid || !failure ? (
        <LoomTools
          circuit={circuit}
          place={place}
          onPlace={goTo}
          isWhole={zoom === 1}
          onFit={fit}
          onBack={back}
        />
      ) : null}
    </View>
  );
});

const styles = sheet({
  unlaid: { padding: 12, gap: 8 },
  // Larger than its frame it is moved about in it.
  zoomed: { overflow: 'scroll' },
  scaled: { transformOrigin: 'top left', alignSelf: 'flex-start' },
});
