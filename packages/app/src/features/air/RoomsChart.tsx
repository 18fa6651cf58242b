import { View } from 'react-native';
import Svg, { G, Line, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import type { RoomsShape } from '@zygostat/core/drawing';
import { ROOMS } from '@zygostat/core/drawing';
import type { RoomsTexts } from '@zygostat/core/formats';
import { ROOM_DASHES } from '@zygostat/core/formats';
import { FONTS, useTokens } from '../../theme';

interface RoomsChartProps {
  shape: RoomsShape;
  texts: RoomsTexts;
  /** What a screen reader hears instead. */
  label: string;
}

/** A day in the rooms: a line for each, told apart by dashes and by its zone's number, and a lane of calls for each thermostat. */
export function RoomsChart({ shape, texts, label }: RoomsChartProps) {
  const t = useTokens();
  const { left, right, floor, width, height } = shape;
  const type = { fontFamily: FONTS.condensed, fontSize: 15 };
  return (
    <View role="img" aria-label={label}>
      <Svg width={width} height={height} aria-hidden>
        {shape.degrees.map(({ celsius, y }) => (
          <G key={celsius}>
            <Line x1={left} x2={right} y1={y} y2={y} stroke={t.line} />
            <SvgText x={left - 6} y={y + 5} textAnchor="end" fill={t.mute} {...type}>
              {texts.degree(celsius)}
            </SvgText>
          </G>
        ))}
        <Line
          x1={left}
          x2={right}
          y1={shape.wantedY}
          y2={shape.wantedY}
          stroke={t.ink}
          strokeDasharray="2 6"
        />
        {shape.hours.map(({ hour, x }) => (
          <SvgText key={hour} x={x} y={floor + 17} textAnchor="middle" fill={t.mute} {...type}>
            {texts.hour(hour)}
          </SvgText>
        ))}
        {shape.lines.map(({ points, end }, i) => (
          <G key={i}>
            <Polyline
              points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
              fill="none"
              stroke={t.copper}
              strokeWidth={2.5}
              strokeDasharray={ROOM_DASHES[i]}
            />
            <SvgText x={end.x + 6} y={end.y + 5} fill={t.ink} {...type} fontSize={17}>
              {texts.rooms[i]}
            </SvgText>
          </G>
        ))}
        {shape.lanes.map(({ y, spans }, i) => (
          <G key={y}>
            <SvgText x={4} y={y + ROOMS.lane - 3} fill={t.mute} {...type}>
              {texts.lanes[i]}
            </SvgText>
            {spans.map((span) => (
              <Rect key={span.x} {...span} rx={2} fill={t.ink} />
            ))}
          </G>
        ))}
      </Svg>
    </View>
  );
}
