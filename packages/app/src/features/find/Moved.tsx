import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Polyline } from 'react-native-svg';
import type { FindView } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { failureText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { AppText } from '../../basics';

const HEIGHT = 72;
const PAD = 8;
/** Lines are told apart by their dashes too. */
const DASHES = ['', '6 4', '2 4', '10 3 2 3'];

/** How each observation moved what is left: a line for each, share upwards. */
export function Moved({ view: { moved, left }, names }: { view: FindView; names: Names }) {
  const t = useTokens();
  const [width, setWidth] = useState(0);
  const last = (moved[0]?.length ?? 0) - 1;
  if (last < 1) return null;
  const at = (share: number, i: number) => ({
    x: PAD + (i / last) * (width - 2 * PAD),
    y: HEIGHT - PAD - share * (HEIGHT - 2 * PAD),
  });
  const told = left
    .map(
      ({ failures }, i) =>
        `${failureText(names, failures[0]!)} from ${shareText(moved[i]![0]!)} to ${shareText(moved[i]![last]!)}`,
    )
    .join('; ');
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="small">How it moved</AppText>
      <View
        role="img"
        aria-label={told}
        onLayout={({ nativeEvent }) => setWidth(Math.floor(nativeEvent.layout.width))}
        style={styles.chart}
      >
        {width > 0 ? (
          <Svg width={width} height={HEIGHT} aria-hidden>
            {moved.map((shares, line) => {
              const points = shares.map(at);
              const end = points[points.length - 1]!;
              const ink = line === 0 ? t.red : t.copper;
              return [
                <Polyline
                  key={`line${line}`}
                  points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
                  fill="none"
                  stroke={ink}
                  strokeWidth={line === 0 ? 3 : 2}
                  strokeDasharray={DASHES[line % DASHES.length]}
                />,
                <Circle key={`end${line}`} cx={end.x} cy={end.y} r={3.5} fill={ink} />,
              ];
            })}
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

const shareText = (share: number) => `${Math.round(share * 100)} %`;

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 4 },
  chart: { height: HEIGHT },
});
