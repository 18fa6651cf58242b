import { memo, useCallback, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { View, useWindowDimensions } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheetOpened } from '../trace/slice';
import { useBypassed } from '../record/useRecord';
import { useWide } from '../../theme';
import type { TraceActions } from '../trace/useTraceActions';
import { Loom } from './Loom';

/** Wider than this a loom only spreads, px. */
const WIDEST = 1200;

/** The loom at whatever width it is given. */
export const LiveLoom = memo(function LiveLoom({
  circuit,
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
  const view = useAppSelector(({ bench }) => bench.view);
  const meter = useAppSelector(({ bench }) => bench.meter);
  const { suspects, cleared } = useAppSelector(({ find }) => find);
  const bypassed = useBypassed();
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
  return (
    <View onLayout={measure} testID="loom">
      {width > 0 ? (
        <Loom
          circuit={circuit}
          view={view}
          meter={meter}
          width={Math.min(width, WIDEST)}
          suspects={suspects}
          cleared={cleared}
          bypassed={bypassed}
          inviting={inviting}
          onStud={actions.tapStud}
          onToggle={actions.toggle}
          onDevice={onDevice}
          onConductor={onConductor}
        />
      ) : null}
    </View>
  );
});
