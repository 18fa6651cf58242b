import { memo, useEffect, useRef, useState } from 'react';
import type { ViewStyle } from 'react-native';
import { Platform, StyleSheet, View } from 'react-native';
import Svg from 'react-native-svg';
import type { BenchView } from '@zygostat/core/behaviour';
import type { Loom } from '@zygostat/core/drawing';
import { sheet, useTokens } from '../../theme';
import { Frame } from './Frame';
import { changedBetween } from './changed';
import { boxesOf } from './Suspects';

/** How long it glows, ms. */
const GLOW_MS = 1800;

/** Fades in place, by the browser alone: nothing moves, and nothing is computed for it. */
const FADING = (
  Platform.OS === 'web'
    ? {
        animationKeyframes: [{ '0%': { opacity: 1 }, '40%': { opacity: 1 }, '100%': { opacity: 0 } }],
        animationDuration: `${GLOW_MS}ms`,
        animationFillMode: 'forwards',
      }
    : {}
) as ViewStyle;

interface GlowProps {
  loom: Loom;
  width: number;
  view: BenchView | null;
}

/** A frame about whatever stands otherwise since the last answer of the model: it glows once. Comes after the answer is painted. */
export const Glow = memo(function Glow({ loom, width, view }: GlowProps) {
  const t = useTokens();
  const before = useRef(view);
  const [glowing, setGlowing] = useState({ count: 0, changed: new Set<string>() as ReadonlySet<string> });
  useEffect(() => {
    const was = before.current;
    before.current = view;
    if (!was || !view || was === view) return;
    const changed = changedBetween(was, view);
    if (changed.size > 0) setGlowing(({ count }) => ({ count: count + 1, changed }));
  }, [view]);
  const { count, changed } = glowing;
  useEffect(() => {
    if (changed.size === 0) return;
    const timer = setTimeout(() => setGlowing({ count, changed: new Set() }), GLOW_MS);
    return () => clearTimeout(timer);
  }, [count, changed]);
  if (changed.size === 0) return null;
  const boxes = [
    ...loom.blocks.filter(({ terminal }) => changed.has(terminal)),
    ...boxesOf(loom).filter(({ device }) => changed.has(device)),
  ];
  return (
    <View key={count} testID="glow" aria-hidden style={[StyleSheet.absoluteFill, styles.glow, FADING]}>
      <Svg width={width} height={loom.height}>
        {boxes.map((box) => (
          <Frame key={`${box.x} ${box.y}`} box={box} ink={t.amber} />
        ))}
      </Svg>
    </View>
  );
});

const styles = sheet({ glow: { pointerEvents: 'none' } });
