import { memo } from 'react';
import type { Wire } from '@zygostat/core/drawing';
import type { Standing } from '@zygostat/core/network';
import type { ColourCode } from '@zygostat/core/standards';
import { COLOURS } from '@zygostat/core/standards';
import { Path, Rect, Text as SvgText } from 'react-native-svg';
import { FONTS, useTokens } from '../../theme';

interface WireShapeProps {
  wire: Wire;
  colour: ColourCode;
  standing: Standing;
  /** Hot at more than a control circuit may have. */
  line: boolean;
}

/** Insulation on which a dark core shows better than a light one. */
const PALE: ReadonlySet<ColourCode> = new Set(['WH', 'YE', 'PK', 'TQ', 'GY', 'OG']);

/**
 * One conductor: hot is thick with a dotted core, at line voltage with dash and dot, return thick with a
 * dashed core, dead thin, floating dots only.
 */
export const WireShape = memo(function WireShape({ wire, colour, standing, line }: WireShapeProps) {
  const t = useTokens();
  const { hex } = COLOURS[colour];
  const stroke = { d: wire.path, fill: 'none' as const };
  const core = PALE.has(colour) ? '#1B2422' : '#FFFFFF';
  if (standing === 'floating')
    return (
      <>
        <Path {...stroke} stroke={t.mute} strokeWidth={6} strokeDasharray="0.1 9" strokeLinecap="round" />
        <Path {...stroke} stroke={hex} strokeWidth={4} strokeDasharray="0.1 9" strokeLinecap="round" />
      </>
    );
  if (standing === 'dead')
    return (
      <>
        <Path {...stroke} stroke={t.mute} strokeWidth={4.4 * t.weight} />
        <Path {...stroke} stroke={hex} strokeWidth={2.6 * t.weight} />
      </>
    );
  return (
    <>
      <Path {...stroke} stroke={t.ink} strokeWidth={6 + 2 * t.weight} />
      <Path {...stroke} stroke={hex} strokeWidth={6} />
      <Path
        {...stroke}
        stroke={core}
        strokeWidth={standing === 'hot' ? 2.8 : 1.8}
        strokeDasharray={line ? '9 6 0.1 6' : standing === 'hot' ? '0.1 8' : '8 6'}
        strokeLinecap={standing === 'hot' ? 'round' : 'butt'}
      />
    </>
  );
});

/** The colour of a conductor in letters, on it. Drawn after all of them, so that none hides another's. */
export const WireTag = memo(function WireTag({ wire, colour }: Pick<WireShapeProps, 'wire' | 'colour'>) {
  const t = useTokens();
  const { x, y } = wire.tag;
  const tag = colour.length > 2 ? 38 : 24;
  return (
    <>
      <Rect
        x={x - tag / 2}
        y={y - 8}
        width={tag}
        height={16}
        rx={4}
        fill={t.card}
        stroke={t.mute}
        strokeWidth={1}
      />
      <SvgText
        x={x}
        y={y + 4.5}
        fontSize={12.5}
        fontFamily={FONTS.condensed}
        fill={t.ink}
        textAnchor="middle"
      >
        {colour}
      </SvgText>
    </>
  );
});
