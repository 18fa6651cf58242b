import { memo } from 'react';
import { G, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Suspect } from '@zygostat/core/diagnose';
import type { layLoom } from '@zygostat/core/drawing';
import { percentText } from '@zygostat/core/words';
import { FONTS, useTokens } from '../../theme';

type Laid = ReturnType<typeof layLoom>;

/** Shares from this on are written beside what is suspected. */
const WRITTEN = 0.1;
/** Dashes close up as suspicion grows. */
const dashesOf = (share: number) => (share >= 0.5 ? '12 3' : share >= 0.2 ? '8 6' : '4 8');

const boxesOf = ({ cards, chips }: Laid) => [...cards.flatMap(({ plates }) => plates), ...chips];

interface SuspectsProps {
  loom: Laid;
  suspects: readonly Suspect[];
  cleared: readonly string[];
}

/** Under the conductors: a hatched band along each that is suspected. */
export const SuspectBands = memo(function SuspectBands({ loom, suspects }: Omit<SuspectsProps, 'cleared'>) {
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
export const SuspectMarks = memo(function SuspectMarks({ loom, suspects, cleared }: SuspectsProps) {
  const t = useTokens();
  const label = (key: string, x: number, y: number, text: string, ink: string) => (
    <G key={key}>
      <Rect x={x - 22} y={y - 9} width={44} height={18} rx={5} fill={t.card} stroke={ink} strokeWidth={1.5} />
      <SvgText x={x} y={y + 4.5} fontSize={13} fontFamily={FONTS.condensed} fill={ink} textAnchor="middle">
        {text}
      </SvgText>
    </G>
  );
  return (
    <>
      {suspects.flatMap(({ type, id, share }) => {
        if (type === 'conductor') {
          const wire = loom.wires.find(({ conductor }) => conductor === id);
          return wire && share >= WRITTEN
            ? [label(id, wire.tag.x + 36, wire.tag.y, percentText(share), t.amber)]
            : [];
        }
        return boxesOf(loom)
          .filter(({ device }) => device === id)
          .slice(0, 1)
          .map(({ x, y, width, height }) => (
            <G key={id}>
              <Rect
                x={x - 2}
                y={y - 2}
                width={width + 4}
                height={height + 4}
                rx={8}
                fill="none"
                stroke={t.amber}
                strokeWidth={3}
                strokeDasharray={dashesOf(share)}
              />
              {share >= WRITTEN ? label(`${id} share`, x + width - 20, y, percentText(share), t.amber) : null}
            </G>
          ));
      })}
      {cleared.flatMap((id) =>
        boxesOf(loom)
          .filter(({ device }) => device === id)
          .slice(0, 1)
          .map(({ x, y, width }) => label(`${id} good`, x + width - 20, y, '✓ good', t.teal)),
      )}
    </>
  );
});
