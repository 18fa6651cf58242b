import { memo } from 'react';
import { G } from 'react-native-svg';
import type { Loom } from '@zygostat/core/drawing';
import { useTokens } from '../../theme';
import { Frame } from './Frame';
import { boxesOf } from './Suspects';
import { Written } from './Written';

const HALF = 34;

interface BypassMarksProps {
  loom: Loom;
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
      .map((box) => (
        <G key={id}>
          <Frame box={box} ink={t.red} />
          <Written
            text="bypassed"
            x={box.x + HALF}
            y={box.y + box.height + 4}
            half={HALF}
            whole={whole}
            ink={t.red}
          />
        </G>
      )),
  );
});
