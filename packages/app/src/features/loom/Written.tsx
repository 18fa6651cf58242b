import { G, Rect, Text as SvgText } from 'react-native-svg';
import { FONTS, useTokens } from '../../theme';

/** What a tag keeps from the drawing's edge. */
const EDGE = 2;

interface WrittenProps {
  text: string;
  /** Its middle. */
  x: number;
  y: number;
  /** Half of its width, and the whole drawing's width. */
  half: number;
  whole: number;
  ink: string;
}

/** A word or a figure in a box of its own over the drawing. */
export function Written({ text, x: at, y, half, whole, ink }: WrittenProps) {
  const t = useTokens();
  const x = Math.max(half + EDGE, Math.min(at, whole - half - EDGE));
  return (
    <G>
      <Rect
        x={x - half}
        y={y - 9}
        width={2 * half}
        height={18}
        rx={5}
        fill={t.card}
        stroke={ink}
        strokeWidth={1.5}
      />
      <SvgText x={x} y={y + 4.5} fontSize={13} fontFamily={FONTS.condensed} fill={ink} textAnchor="middle">
        {text}
      </SvgText>
    </G>
  );
}
