import { Rect } from 'react-native-svg';

/** How far a frame stands off what it is about, px. */
const OFF = 3;

interface FrameProps {
  box: { x: number; y: number; width: number; height: number };
  ink: string;
  /** As SVG has it; left out, the frame is whole. */
  dashes?: string;
}

/** A frame about something of the loom, to draw the eye there. */
export function Frame({ box: { x, y, width, height }, ink, dashes }: FrameProps) {
  return (
    <Rect
      x={x - OFF}
      y={y - OFF}
      width={width + 2 * OFF}
      height={height + 2 * OFF}
      rx={9}
      fill="none"
      stroke={ink}
      strokeWidth={3}
      {...(dashes !== undefined && { strokeDasharray: dashes })}
    />
  );
}
