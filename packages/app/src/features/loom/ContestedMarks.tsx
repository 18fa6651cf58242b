import { memo } from 'react';
import { G } from 'react-native-svg';
import type { Loom } from '@zygostat/core/drawing';
import { useTokens } from '../../theme';
import type { Contested } from '../circuit/contested';
import { Frame } from './Frame';
import { boxesOf } from './Suspects';
import { Written } from './Written';

const WORDS = { mine: 'yours', theirs: 'theirs', both: 'both' } as const;
const HALF = 24;

interface ContestedMarksProps {
  loom: Loom;
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
    return [
      <G key={`${at} ${whose}`}>
        <Frame box={box} ink={t.slate} {...(whose === 'theirs' && { dashes: '6 4' })} />
        <Written
          text={WORDS[whose]}
          x={box.x + box.width / 2}
          y={box.y - 6}
          half={HALF}
          whole={whole}
          ink={t.slate}
        />
      </G>,
    ];
  });
});
