/** What must hold in every state, the gravest first; why each must is said in `words/`. */
import type { PropertyId } from './violation';

export type Severity = 'danger' | 'fault' | 'caution';

/** The graver the less. */
export const GRAVITY: Record<Severity, number> = { danger: 0, fault: 1, caution: 2 };

export const SEVERITY: Readonly<Record<PropertyId, Severity>> = {
  short: 'danger',
  'line-on-control': 'danger',
  'over-voltage': 'danger',
  protected: 'danger',
  rating: 'danger',
  bypassed: 'danger',
  tied: 'danger',
  together: 'fault',
  disagree: 'caution',
  uncalled: 'fault',
  'uncalled-fan': 'fault',
  unanswered: 'fault',
  untempered: 'fault',
  'no-air': 'danger',
  'no-way': 'danger',
  'no-purge': 'danger',
  'stays-live': 'danger',
  'zone-shut': 'fault',
  'zone-open': 'fault',
  safety: 'danger',
  unfanned: 'danger',
  blank: 'fault',
  overload: 'fault',
  'weak-coil': 'fault',
  'coil-margin': 'caution',
  never: 'fault',
  'foreign-common': 'fault',
  'crossed-hots': 'fault',
  reversed: 'fault',
  'live-end': 'danger',
  'line-on-signal': 'danger',
  'live-case': 'danger',
  unearthed: 'danger',
  'earth-current': 'danger',
  'power-on-data': 'danger',
  'fed-twice': 'danger',
  'fed-elsewhere': 'fault',
  'run-spliced': 'caution',
  'run-shared': 'caution',
  restless: 'fault',
};

export const PROPERTIES = Object.keys(SEVERITY) as PropertyId[];
