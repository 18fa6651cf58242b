import { memo } from 'react';
import type { Spot } from '@zygostat/core/drawing';
import type { Standing } from '@zygostat/core/network';
import { Circle, Path } from 'react-native-svg';
import { useTokens } from '../../theme';
import { standingInk } from './inks';

interface ScrewShapeProps extends Spot {
  standing: Standing;
  /** Hot at more than a control circuit may have. */
  line: boolean;
}

/**
 * A screw that holds something: filled when hot, a bolt at line voltage, a minus on the return, empty when
 * dead, dotted when floating.
 */
export const ScrewShape = memo(function ScrewShape({ x, y, standing, line }: ScrewShapeProps) {
  const t = useTokens();
  const ring = standingInk(t, standing, line);
  return (
    <>
      <Circle
        cx={x}
        cy={y}
        r={6.3}
        fill={t.card}
        stroke={ring}
        strokeWidth={2}
        {...(standing === 'floating' && { strokeDasharray: '2 2.5' })}
      />
      {standing === 'hot' && !line ? <Circle cx={x} cy={y} r={3} fill={ring} /> : null}
      {line ? <Path d={`M${x + 1.6} ${y - 5.2}l-4 6h2.4l-1.4 4.4 4.2 -6h-2.4z`} fill={ring} /> : null}
      {standing === 'return' ? <Path d={`M${x - 3.6} ${y}h7.2`} stroke={ring} strokeWidth={2.2} /> : null}
    </>
  );
});

/** A probe lying on a block: red at its lower left, black at its lower right. */
export function ProbeShape({ x, y, probe }: Spot & { probe: 'red' | 'black' }) {
  const t = useTokens();
  const lean = probe === 'red' ? -1 : 1;
  const fill = probe === 'red' ? '#B3261E' : '#1B2422';
  return (
    <>
      <Path
        d={`M${x} ${y}l${lean * 9} 18l${lean * 9} -4l${lean * -9} -18z`}
        fill={fill}
        stroke={t.card}
        strokeWidth={1.5}
      />
      <Circle cx={x} cy={y} r={2.6} fill={fill} stroke={t.card} strokeWidth={1} />
    </>
  );
}
