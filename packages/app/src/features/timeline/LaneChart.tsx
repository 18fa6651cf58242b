import { memo, useMemo } from 'react';
import type { GestureResponderEvent, ViewStyle } from 'react-native';
import { StyleSheet, View } from 'react-native';
import type { Lane, Timeline } from '@zygostat/core/behaviour';
import { layTimeline, timeAt } from '@zygostat/core/drawing';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { FONTS, sheet, useTokens } from '../../theme';

const KINDS = { load: 'load', contact: 'contact', message: 'shows' } as const;

interface LanesProps {
  timeline: Timeline;
  lanes: readonly Lane[];
  width: number;
}

const Lanes = memo(function Lanes({ timeline, lanes, width }: LanesProps) {
  const t = useTokens();
  const shape = useMemo(() => layTimeline(timeline, lanes, width), [timeline, lanes, width]);
  const fill = { load: t.copper, contact: t.ink, message: t.slate };
  return (
    <Svg width={width} height={shape.height} aria-hidden>
      {shape.ticks.map(({ x, at, isWritten }) => (
        <G key={at}>
          <Line x1={x} x2={x} y1={20} y2={shape.height} stroke={t.line} />
          {isWritten ? (
            <SvgText x={x + 3} y={14} fontSize={13} fontFamily={FONTS.condensed} fill={t.mute}>
              {at < 60 ? `${at} s` : `${Math.round(at / 6) / 10} min`}
            </SvgText>
          ) : null}
        </G>
      ))}
      {shape.lanes.map(({ lane, kind, x, y, bars }) => (
        <G key={lane}>
          <Line x1={x} x2={width - x} y1={y + 18} y2={y + 18} stroke={t.line} />
          {bars.map((bar) => (
            <Rect
              key={bar.x}
              x={bar.x}
              y={bar.y}
              width={bar.width}
              height={bar.height}
              rx={kind === 'contact' ? 0 : 5}
              fill={kind === 'message' ? t.slateSoft : fill[kind]}
              stroke={fill[kind]}
              strokeWidth={1.5}
            />
          ))}
        </G>
      ))}
    </Svg>
  );
});

/** What each lane is, over the cursor: it never crosses a word out. */
const Titles = memo(function Titles({ timeline, lanes, width }: LanesProps) {
  const t = useTokens();
  const shape = useMemo(() => layTimeline(timeline, lanes, width), [timeline, lanes, width]);
  const type = { fontSize: 15, fontFamily: FONTS.condensed };
  return (
    <View style={StyleSheet.absoluteFill} pointerEvents="none">
      <Svg width={width} height={shape.height} aria-hidden>
        {shape.lanes.map(({ lane, kind, title, x, y }) => {
          const words = `${title} · ${KINDS[kind]}`;
          return (
            <G key={lane}>
              <SvgText x={x} y={y} {...type} fill={t.paper} stroke={t.paper} strokeWidth={6}>
                {words}
              </SvgText>
              <SvgText x={x} y={y} {...type} fill={t.ink}>
                {words}
              </SvgText>
            </G>
          );
        })}
      </Svg>
    </View>
  );
});

interface LaneChartProps extends LanesProps {
  at: number;
  onScrub: (at: number) => void;
}

/** Lanes over time with a cursor that follows a finger. */
export function LaneChart({ timeline, lanes, width, at, onScrub }: LaneChartProps) {
  const t = useTokens();
  const x = 14 + (at * (width - 28)) / timeline.until;
  const scrub = ({ nativeEvent }: GestureResponderEvent) =>
    onScrub(timeAt(timeline, width, nativeEvent.locationX));
  return (
    <View>
      <Lanes timeline={timeline} lanes={lanes} width={width} />
      <View style={[styles.cursor, { left: x - 1, backgroundColor: t.red }]} pointerEvents="none" />
      <Titles timeline={timeline} lanes={lanes} width={width} />
      <View
        style={[StyleSheet.absoluteFill, styles.slide]}
        testID="scrub"
        aria-hidden
        onStartShouldSetResponder={() => true}
        onResponderGrant={scrub}
        onResponderMove={scrub}
      />
    </View>
  );
}

const styles = sheet({
  // Sideways is ours; up and down still scrolls the page.
  slide: { touchAction: 'pan-y' } as ViewStyle,
  cursor: { position: 'absolute', top: 20, bottom: 0, width: 2.5 },
});
