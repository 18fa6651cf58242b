import { useMemo } from 'react';
import type { Told } from '@zygostat/core/words';
import { namesIn, statusText } from '@zygostat/core/words';
import { useAppSelector } from '../../store';

/** The status line in words, of the circuit the model has answered about. */
export function useStatus(): Told | null {
  const view = useAppSelector(({ bench }) => bench.view);
  const about = useAppSelector(({ bench }) => bench.about);
  const { temperature, length, gauge } = useAppSelector(({ settings }) => settings);
  return useMemo(
    () =>
      view && about && statusText(namesIn(about), view.faces, view.status, { temperature, length, gauge }),
    [view, about, temperature, length, gauge],
  );
}
