import type { Part } from '@zygostat/core/plan';
import { partText } from '@zygostat/core/words';
import { AppText } from '../../basics';
import { useAppSelector } from '../../store';

/** What a plan takes: minutes, and what must be brought. */
export function Costs({ minutes, parts }: { minutes: number; parts: readonly Part[] }) {
  const settings = useAppSelector((state) => state.settings);
  const brought = parts.map((part) => partText(part, settings)).join(', ');
  return <AppText>{`About ${minutes} min. ${brought ? `Bring: ${brought}.` : 'No parts.'}`}</AppText>;
}
