import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Polyline, Text } from 'react-native-svg';
import { FONTS, sheet, useTokens } from '../../theme';

interface Point {
  x: number;
  y: number;
  /** Written beside the point. */
  label?: string;
}

interface LineChartProps {
  /** What a screen reader hears instead. */
  label: string;
  points: readonly Point[];
  /** A level that must be kept above. */
  threshold: { y: number; label: string };
  x: (value: number) => string;
  y: (value: number) => string;
}

const HEIGHT = 190;
const PAD = { left: 12, right: 12, top: 24, bottom: 26 };
const TYPE = { fontFamily: FONTS.condensed, fontSize: 14 };
/** Room above and below the line, as a share of its spread. */
const SLACK = 0.18;

/** A quantity along a run, against the level it must keep. */
export function LineChart({ label, points, threshold, x, y }: LineChartProps) {
  const t = useTokens();
  const [width, setWidth] = useState(0);
  const last = points[points.length - 1];
  if (!last) return null;
  const highest = Math.max(threshold.y, ...points.map((point) => point.y));
  const lowest = Math.min(threshold.y, ...points.map((point) => point.y));
  const spread = Math.max(highest - lowest, 0.1 * highest, 1e-6);
  const [top, bottom] = [highest + SLACK * spread, lowest - SLACK * spread];
  const far = Math.max(...points.map((point) => point.x), 1e-6);
  const at = (point: { x: number; y: number }) => ({
    x: PAD.left + (point.x / far) * (width - PAD.left - PAD.right),
    y: PAD.top + ((top - point.y) / (top - bottom)) * (HEIGHT - PAD.top - PAD.bottom),
  });
  const level = at({ x: 0, y: threshold.y }).y;
  const below = last.y < threshold.y;
  return (
    <View
      role="img"
      aria-label={label}
      onLayout={({ nativeEvent }) => setWidth(Math.floor(nativeEvent.layout.width))}
      style={styles.chart}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Line
            x1={PAD.left}
            x2={width - PAD.right}
            y1={HEIGHT - PAD.bottom}
            y2={HEIGHT - PAD.bottom}
            stroke={t.line}
          />
          <Line
            x1={PAD.left}
            x2={width - PAD.right}
            y1={level}
            y2={level}
            stroke={t.red}
            strokeWidth={1.5}
            strokeDasharray="6 4"
          />
          <Text {...TYPE} x={PAD.left} y={level + 16} fill={t.red}>
            {threshold.label}
          </Text>
          <Polyline
            points={points
              .map(at)
              .map((point) => `${point.x},${point.y}`)
              .join(' ')}
            fill="none"
            stroke={below ? t.red : t.teal}
            strokeWidth={2.5 * t.weight}
          />
          {points.map((point) => {
            if (point.label === undefined) return null;
            const { x: cx, y: cy } = at(point);
            const right = cx > width / 2;
            // The last under the line: above it the one before may stand.
            const ty = point === last ? cy + 21 : cy - 9;
            return (
              <G key={`${point.x} ${point.label}`}>
                <Circle cx={cx} cy={cy} r={4} fill={t.card} stroke={below ? t.red : t.teal} strokeWidth={2} />
                {/* A halo first, so that no line runs through the words. */}
                {[t.card, t.ink].map((ink) => (
                  <Text
                    key={ink}
                    {...TYPE}
                    x={cx}
                    y={ty}
                    fill={ink}
                    stroke={ink === t.card ? ink : 'none'}
                    strokeWidth={5}
                    textAnchor={right ? 'end' : 'start'}
                  >
                    {`${point.label ?? ''} ${y(point.y)}`}
                  </Text>
                ))}
              </G>
            );
          })}
          <Text {...TYPE} x={PAD.left} y={HEIGHT - 8} fill={t.mute}>
            {x(0)}
          </Text>
          <Text {...TYPE} x={width - PAD.right} y={HEIGHT - 8} fill={t.mute} textAnchor="end">
            {x(far)}
          </Text>
        </Svg>
      ) : null}
    </View>
  );
}

const styles = sheet({ chart: { width: '100%', minHeight: HEIGHT } });
