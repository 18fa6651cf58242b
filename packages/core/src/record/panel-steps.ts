/**
 * The order in which a building's fire panel is worked with: call the monitoring company, have it put on test, tell the
 * building's contact; then the work; then walk it through alarm, reset, trouble and normal, and take it off test. Common
 * practice; the panel's own sheet and local code win.
 */
export const PANEL_STEPS = [
  'monitoring',
  'on-test',
  'told',
  'alarm',
  'reset',
  'trouble',
  'normal',
  'off-test',
] as const;
export type PanelStep = (typeof PANEL_STEPS)[number];

/** Steps of the walk-through after the work, in order. */
const WALK: readonly PanelStep[] = ['alarm', 'reset', 'trouble', 'normal'];

export interface StepDone {
  at: string;
  by: string;
  /** Who was spoken to. */
  who: string;
  text: string;
}

/** How the panel stands by what was written, since it was last taken off test. */
export interface PanelStanding {
  /** By step. */
  steps: ReadonlyMap<PanelStep, StepDone>;
  /** Until when it is on test, ISO; `null` when it is not. */
  onTestUntil: string | null;
}

export const NO_PANEL: PanelStanding = { steps: new Map(), onTestUntil: null };

/** What is written of a step. */
interface Written {
  step: PanelStep;
  who: string;
  text: string;
  until: string | null;
}

/** How the panel stands after one more step. */
export function afterStep(
  { steps, onTestUntil }: PanelStanding,
  { step, who, text, until }: Written,
  { at, by }: { at: string; by: string },
): PanelStanding {
  if (step === 'off-test') return NO_PANEL;
  const next = new Map(steps).set(step, { at, by, who, text });
  // Who walks the panel once more begins the walk anew.
  for (const later of WALK.slice(WALK.indexOf(step) + 1)) if (WALK.includes(step)) next.delete(later);
  return { steps: next, onTestUntil: step === 'on-test' ? until : onTestUntil };
}

/** What must have been done before a step, that was not; the first of it. */
export function missingBefore({ steps }: PanelStanding, step: PanelStep): PanelStep | null {
  const needs: Readonly<Record<PanelStep, readonly PanelStep[]>> = {
    monitoring: [],
    'on-test': ['monitoring'],
    told: ['monitoring', 'on-test'],
    alarm: ['monitoring', 'on-test', 'told'],
    reset: ['monitoring', 'on-test', 'told', 'alarm'],
    trouble: ['monitoring', 'on-test', 'told', 'alarm', 'reset'],
    normal: ['monitoring', 'on-test', 'told', 'alarm', 'reset', 'trouble'],
    'off-test': ['monitoring', 'on-test', 'told', ...WALK],
  };
  return needs[step].find((one) => !steps.has(one)) ?? null;
}

/** The step to do next. */
export const nextStep = (panel: PanelStanding): PanelStep =>
  PANEL_STEPS.find((step) => !panel.steps.has(step)) ?? 'off-test';

/** Whether the panel is on test at a time: once that is over, an alarm calls people out again. */
export const isOnTest = ({ onTestUntil }: PanelStanding, at: Date): boolean =>
  onTestUntil !== null && at <= new Date(onTestUntil);

/** Whether hands may go to a detector, a station or the loop: the panel is on test and the building knows. */
export const mayWork = (panel: PanelStanding, at: Date): boolean =>
  isOnTest(panel, at) && missingBefore(panel, 'alarm') === null;

/** Steps that set off something: they need the panel on test when they are done. */
export const needsTest = (step: PanelStep): boolean => WALK.includes(step);
