import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Rect, Text } from 'react-native-svg';
import type { TransformerLoad } from '@zygostat/core/plan';
import { PLANNED_TRANSFORMER_SHARE } from '@zygostat/core/standards';
import { FONTS, sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

const HEIGHT = 96;
const BAR = { top: 26, height: 30 };
const TYPE = { fontFamily: FONTS.condensed, fontSize: 14 };

const useShades = () => {
  const t = useTokens();
  return [t.teal, t.slate, t.amber, t.copper, t.mute, t.ink];
};

/** What the bar is made of, by its shade. */
export function LoadParts({ parts }: Pick<TransformerLoad, 'parts'>) {
  const shades = useShades();
  return (
    <View style={styles.parts}>
      {parts.map(({ title, va }, i) => (
        <View key={title} style={styles.part}>
          <View style={[styles.shade, { backgroundColor: shades[i % shades.length] }]} />
          <AppText kind="small">{`${title} ${va.toFixed(1)} VA`}</AppText>
        </View>
      ))}
    </View>
  );
}

/** What a transformer carries against what its nameplate says: pulled in, and in the moment of pulling in. */
export function LoadBar({ load }: { load: TransformerLoad }) {
  const t = useTokens();
  const [width, setWidth] = useState(0);
  const { nameplate, sealed, inrush, parts } = load;
  const most = Math.max(nameplate, sealed.va, inrush.va) * 1.06;
  const at = (va: number) => (va / most) * width;
  // Parts add up to a little more than the burden: each has a phase of its own.
  const sum = parts.reduce((total, { va }) => total + va, 0);
  const scale = sum > 0 ? sealed.va / sum : 0;
  const shades = useShades();
  const starts = parts.map((_, i) => parts.slice(0, i).reduce((total, { va }) => total + va * scale, 0));
  const planned = PLANNED_TRANSFORMER_SHARE * nameplate;
  return (
    <View
      role="img"
      aria-label={`${load.label}: ${sealed.va.toFixed(0)} VA of ${nameplate} VA, ${inrush.va.toFixed(0)} VA as coils pull in`}
      onLayout={({ nativeEvent }) => setWidth(Math.floor(nativeEvent.layout.width))}
      style={styles.chart}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Rect x={0} y={BAR.top} width={at(nameplate)} height={BAR.height} fill={t.idle} stroke={t.line} />
          <Rect
            x={0}
            y={BAR.top + 4}
            width={at(inrush.va)}
            height={BAR.height - 8}
            fill="none"
            stroke={inrush.va > nameplate ? t.amber : t.mute}
            strokeWidth={1.5}
            strokeDasharray="4 3"
          />
          {parts.map(({ title, va }, i) => (
            <Rect
              key={title}
              x={at(starts[i]!)}
              y={BAR.top + 8}
              width={Math.max(at(va * scale) - 1, 1)}
              height={BAR.height - 16}
              fill={shades[i % shades.length]}
            />
          ))}
          <Line
            x1={at(planned)}
            x2={at(planned)}
            y1={BAR.top - 6}
            y2={BAR.top + BAR.height + 6}
            stroke={t.amber}
            strokeWidth={2}
            strokeDasharray="3 3"
          />
          <Line
            x1={at(nameplate)}
            x2={at(nameplate)}
            y1={BAR.top - 6}
            y2={BAR.top + BAR.height + 6}
            stroke={t.ink}
            strokeWidth={2}
          />
          <Text {...TYPE} x={at(planned) - 4} y={16} fill={t.amber} textAnchor="end">
            {`80 % ${planned.toFixed(0)} VA`}
          </Text>
          <Text
            {...TYPE}
            x={Math.min(at(nameplate) + 4, width)}
            y={16}
            fill={t.ink}
            textAnchor={at(nameplate) > width * 0.8 ? 'end' : 'start'}
          >
            {`${nameplate} VA`}
          </Text>
          <Text {...TYPE} x={0} y={HEIGHT - 18} fill={t.ink}>
            {`Pulled in ${sealed.va.toFixed(0)} VA`}
          </Text>
          <Text {...TYPE} x={0} y={HEIGHT - 2} fill={t.mute}>
            {`Pulling in ${inrush.va.toFixed(0)} VA, for a moment`}
          </Text>
        </Svg>
      ) : null}
    </View>
  );
}

const styles = sheet({
  chart: { width: '100%', minHeight: HEIGHT },
  parts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: 14, rowGap: 2 },
  part: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  shade: { width: 12, height: 12, borderRadius: 2 },
});
