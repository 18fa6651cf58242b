import type { Part } from '@zygostat/core/plan';
import { partText } from '@zygostat/core/words';
import { AppText } from '../../basics';
import { useAppSelector } from '../../store';

/** What a plan takes: minutes, and what must be brought. */
export function Costs({ minutes, parts }: { minutes: number; parts: readonly Part[] }) {
  const settings = useAppSelector((state) => state.settings);
  const texts = parts.map((part) => partText(part, settings));
  // The same thing twice is counted, not said twice.
  const brought = [...new Set(texts)]
    .map((text) => {
      const count = texts.filter((one) => one === text).length;
      return count > 1 ? `${count} × ${text}` : text;
    })
    .join(', ');
  return <AppText>{`About ${minutes} min. ${brought ? `Bring: ${brought}.` : 'No parts.'}`}</AppText>;
}
