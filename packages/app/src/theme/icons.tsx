import Svg, { Path } from 'react-native-svg';
import PATHS from './iconPaths';

export type IconName = keyof typeof PATHS;

interface IconProps {
  name: IconName;
  size?: number;
  color: string;
}

/** One of the shipped icons, as a path; it says nothing to a screen reader. */
export function Icon({ name, size = 24, color }: IconProps) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={PATHS[name]} fill={color} />
    </Svg>
  );
}

/** Lets Paper's own components draw the shipped icons by name. */
export function paperIcon({ name, size, color }: { name: unknown; size: number; color?: string }) {
  return typeof name === 'string' && name in PATHS ? (
    <Icon name={name as IconName} size={size} color={color ?? '#000000'} />
  ) : null;
}
