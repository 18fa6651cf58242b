import { memo } from 'react';
import { G, Rect } from 'react-native-svg';
import type { layLoom } from '@zygostat/core/drawing';
import { useTokens } from '../../theme';
import { boxesOf } from './Suspects';
import { Written } from './Written';

const HALF = 34;

interface BypassMarksProps {
  loom: ReturnType<typeof layLoom>;
  width: number;
  /** Safeties that are bypassed, by device. */
  bypassed: readonly string[];
}

/** A frame about every safety that is bypassed, and the word: nobody reads the drawing without it. */
export const BypassMarks = memo(function BypassMarks({ loom, width: whole, bypassed }: BypassMarksProps) {
  const t = useTokens();
  return bypassed.flatMap((id) =>
    boxesOf(loom)
      .filter(({ device }) => device === id)
      .slice(0, 1)
      .map(({ x, y, width, height }) => (
        <G key={id}>
          <Rect
            x={x - 3}
            y={y - 3}
            width={width + 6}
            height={height + 6}
            rx={9}
            fill="none"
            stroke={t.red}
            strokeWidth={3}
          />
          <Written text="bypassed" x={x + HALF} y={y + height + 4} half={HALF} whole={whole} ink={t.red} />
        </G>
      )),
  );
});
