/** The settings as they were left; one that is no choice of this version falls back to its default. */
import { readKept, writeKept } from '../../store/storage';
import type { Setting, Settings } from './slice';
import { CHOICES, DEFAULTS } from './slice';

export function keptSettings(): Settings {
  // Earlier versions kept the theme alone, under its own name.
  const found: unknown = readKept('settings') ?? { theme: readKept('theme') };
  if (typeof found !== 'object' || found === null) return DEFAULTS;
  const kept = Object.entries(found).filter(([name, value]) =>
    (CHOICES[name as Setting] as readonly unknown[] | undefined)?.includes(value),
  );
  return { ...DEFAULTS, ...Object.fromEntries(kept) };
}

export const keepSettings = (settings: Settings): void => writeKept('settings', settings);
