/** How harm is shown: by a sign as well as by its colour. */
import type { MistakeFound } from '../../model/answers';

export type Harm = NonNullable<MistakeFound['harm']> | 'none' | 'same';

export const HARMS = {
  danger: { sign: '✕', word: 'dangerous' },
  fault: { sign: '!!', word: 'works wrong' },
  caution: { sign: '!', word: 'to be careful of' },
  none: { sign: '?', word: 'shows in nothing' },
  same: { sign: '=', word: 'the same wiring' },
} as const satisfies Record<Harm, { sign: string; word: string }>;

export const harmOf = (mistake: MistakeFound | null): Harm =>
  mistake === null ? 'same' : (mistake.harm ?? 'none');
