import { memo } from 'react';
import { Circle, G, Path } from 'react-native-svg';
import type { Suspect } from '@zygostat/core/diagnose';
import type { Loom } from '@zygostat/core/drawing';
import { percentText } from '@zygostat/core/words';
import { useTokens } from '../../theme';
import { Frame } from './Frame';
import { Written } from './Written';

/** Shares from this on are written beside what is suspected. */
const WRITTEN = 0.1;
/** Dashes close up as suspicion grows. */
const dashesOf = (share: number) => (share >= 0.5 ? '12 3' : share >= 0.2 ? '8 6' : '4 8');

export const boxesOf = ({ cards, chips }: Loom) => [...cards.flatMap(({ plates }) => plates), ...chips];

/** Half of a written share's width. */
const HALF = 22;

interface SuspectsProps {
  loom: Loom;
  width: number;
  suspects: readonly Suspect[];
  cleared: readonly string[];
}

/** Under the conductors: a hatched band along each that is suspected. */
export const SuspectBands = memo(function SuspectBands({
  loom,
  suspects,
}: Omit<SuspectsProps, 'cleared' | 'width'>) {
  const t = useTokens();
  return suspects.flatMap(({ type, id, share }) => {
    const wire = type === 'conductor' && loom.wires.find(({ conductor }) => conductor === id);
    return wire
      ? [
          <Path
            key={id}
            d={wire.path}
            fill="none"
            stroke={t.amber}
            strokeWidth={18}
            strokeDasharray={dashesOf(share)}
          />,
        ]
      : [];
  });
});

/** Over the drawing: frames about suspected devices, shares, and a tick at what is proven good. */
export const SuspectMarks = memo(function SuspectMarks({
  loom,
  width: whole,
  suspects,
  cleared,
}: SuspectsProps) {
  const t = useTokens();
  const written = (key: string, x: number, y: number, share: number) => (
    <Written key={key} text={percentText(share)} x={x} y={y} half={HALF} ink={t.amber} whole={whole} />
  );
  return (
    <>
      {suspects.flatMap(({ type, id, share }) => {
        if (type === 'conductor') {
          const wire = loom.wires.find(({ conductor }) => conductor === id);
          return wire && share >= WRITTEN ? [written(id, wire.tag.x, wire.tag.y - 17, share)] : [];
        }
        return boxesOf(loom)
          .filter(({ device }) => device === id)
          .slice(0, 1)
          .map((box) => (
            <G key={id}>
              <Frame box={box} ink={t.amber} dashes={dashesOf(share)} />
              {share >= WRITTEN ? written(`${id} share`, box.x + HALF, box.y + box.height, share) : null}
            </G>
          ));
      })}
      {cleared.flatMap((id) =>
        boxesOf(loom)
          .filter(({ device }) => device === id)
          .slice(0, 1)
          .map(({ x, y, width }) => (
            <G key={`${id} good`}>
              <Circle cx={x + width - 12} cy={y} r={9} fill={t.card} stroke={t.teal} strokeWidth={1.5} />
              <Path
                d={`M${x + width - 16.5} ${y} l3.5 4 l6 -8`}
                fill="none"
                stroke={t.teal}
                strokeWidth={2.5}
                strokeLinecap="round"
              />
            </G>
          )),
      )}
    </>
  );
});
