import { memo } from 'react';
import { G, Rect } from 'react-native-svg';
import type { layLoom } from '@zygostat/core/drawing';
import { useTokens } from '../../theme';
import type { Contested } from '../circuit/contested';
import { boxesOf } from './Suspects';
import { Written } from './Written';

const WORDS = { mine: 'yours', theirs: 'theirs', both: 'both' } as const;
const HALF = 24;

interface ContestedMarksProps {
  loom: ReturnType<typeof layLoom>;
  width: number;
  contested: readonly Contested[];
}

/** A frame about every terminal and device that two people changed each otherwise, and whose it is. */
export const ContestedMarks = memo(function ContestedMarks({
  loom,
  width: whole,
  contested,
}: ContestedMarksProps) {
  const t = useTokens();
  return contested.flatMap(({ at, isDevice, whose }) => {
    const box = isDevice
      ? boxesOf(loom).find(({ device }) => device === at)
      : (loom.blocks.find(({ terminal }) => terminal === at) ??
        loom.chips.find(({ device }) => at.startsWith(`${device}.`)));
    if (!box) return [];
    const { x, y, width, height } = box;
    return [
      <G key={`${at} ${whose}`}>
        <Rect
          x={x - 3}
          y={y - 3}
          width={width + 6}
          height={height + 6}
          rx={9}
          fill="none"
          stroke={t.slate}
          strokeWidth={3}
          strokeDasharray={whose === 'theirs' ? '6 4' : 'none'}
        />
        <Written text={WORDS[whose]} x={x + width / 2} y={y - 6} half={HALF} whole={whole} ink={t.slate} />
      </G>,
    ];
  });
});
