import type { Part } from '@zygostat/core/plan';
import { partText } from '@zygostat/core/words';
import { AppText } from '../../basics';
import { useAppSelector } from '../../store';

/** What must be brought, the same thing twice counted and not said twice; empty where nothing must. */
export function useBrought(parts: readonly Part[]): string {
  const settings = useAppSelector((state) => state.settings);
  const texts = parts.map((part) => partText(part, settings));
  const brought = [...new Set(texts)]
    .map((text) => {
      const count = texts.filter((one) => one === text).length;
      return count > 1 ? `${count} × ${text}` : text;
    })
    .join(', ');
  return brought && `Bring: ${brought}.`;
}

/** What a plan takes: minutes, and what must be brought. */
export function Costs({ minutes, parts }: { minutes: number; parts: readonly Part[] }) {
  const brought = useBrought(parts);
  return <AppText>{`About ${minutes} min. ${brought || 'No parts.'}`}</AppText>;
}
