import { View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { layStatics } from '@zygostat/core/drawing';
import { FONTS, useTokens } from '../../theme';

interface StaticsChartProps {
  states: readonly { id: string; builtPa: number; barePa: number }[];
  mostPa: number;
  /** What the limit is, and what the bars are, for whoever does not see them. */
  limit: string;
  label: string;
  width: number;
}

/** Pressure between supply and return by who calls: as it is built, and without a bypass beside it. */
export function StaticsChart({ states, mostPa, limit, label, width }: StaticsChartProps) {
  const t = useTokens();
  const shape = layStatics(states, mostPa, width);
  const type = { fontFamily: FONTS.condensed, fontSize: 15 };
  return (
    <View role="img" aria-label={label}>
      <Svg width={width} height={shape.height} aria-hidden>
        {shape.bars.map(({ id, x, built, bare }) => (
          <G key={id}>
            <Rect x={built.x} y={built.y} width={built.width} height={built.height} fill={t.copper} />
            <Rect
              x={bare.x + 2}
              y={bare.y}
              width={bare.width - 2}
              height={bare.height}
              fill="none"
              stroke={t.ink}
              strokeWidth={1.5}
              strokeDasharray="4 3"
            />
            <SvgText x={x} y={shape.floor + 18} textAnchor="middle" fill={t.ink} {...type}>
              {id}
            </SvgText>
          </G>
        ))}
        <Line x1={0} x2={width} y1={shape.floor} y2={shape.floor} stroke={t.ink} />
        <Line
          x1={0}
          x2={width}
          y1={shape.limitY}
          y2={shape.limitY}
          stroke={t.red}
          strokeWidth={2}
          strokeDasharray="8 5"
        />
        <SvgText x={width - 4} y={shape.limitY - 6} textAnchor="end" fill={t.red} {...type}>
          {limit}
        </SvgText>
      </Svg>
    </View>
  );
}
