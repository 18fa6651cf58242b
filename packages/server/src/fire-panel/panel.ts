/**
 * A simulated fire panel, as a building has one: its loops, what it shows and sounds, whether it is on test, and a log. What
 * it does is common practice: an alarm stays until it is reset, trouble goes by itself, and on test nobody is called out.
 */

/** What a loop gives it. A supervisory loop tells of dampers and valves, not of fire. */
export const READINGS = ['normal', 'alarm', 'trouble', 'supervisory'] as const;
type Reading = (typeof READINGS)[number];

export interface PanelLoop {
  reads: Reading;
  /** Milliamperes, where whoever drives it knows them. */
  milliamps: number | null;
  /** Alarm and supervisory stay until they are reset. */
  latched: 'alarm' | 'supervisory' | null;
}

type EventType = Reading | 'acknowledged' | 'silenced' | 'reset' | 'on-test' | 'off-test' | 'test-over';

export interface PanelEvent {
  at: string;
  type: EventType;
  loop: string | null;
  /** Whether the monitoring company acts on it: not while the panel is on test. */
  passedOn: boolean;
}

export interface FirePanel {
  name: string;
  loops: Readonly<Record<string, PanelLoop>>;
  /** The building's sounders. */
  sounding: boolean;
  /** The panel's own buzzer, until somebody acknowledges. */
  buzzing: boolean;
  onTestUntil: string | null;
  events: readonly PanelEvent[];
}

/** Events kept; the oldest go first. */
const MOST_EVENTS = 500;

export const newPanel = (name: string): FirePanel => ({
  name,
  loops: {},
  sounding: false,
  buzzing: false,
  onTestUntil: null,
  events: [],
});

/** What the panel shows: the gravest of its loops. */
export function conditionOf({ loops }: Pick<FirePanel, 'loops'>): Reading {
  const all = Object.values(loops);
  if (all.some(({ latched }) => latched === 'alarm')) return 'alarm';
  if (all.some(({ latched }) => latched === 'supervisory')) return 'supervisory';
  return all.some(({ reads }) => reads === 'trouble') ? 'trouble' : 'normal';
}

/** Signals the monitoring company acts on, where the panel is not on test. */
const SIGNALS: ReadonlySet<EventType> = new Set(['alarm', 'trouble', 'supervisory']);

function logged(panel: FirePanel, at: Date, type: EventType, loop: string | null = null): FirePanel {
  const passedOn = SIGNALS.has(type) && panel.onTestUntil === null;
  const event: PanelEvent = { at: at.toISOString(), type, loop, passedOn };
  return { ...panel, events: [...panel.events, event].slice(-MOST_EVENTS) };
}

/** Ends a test whose time is over: an alarm that stands then is an alarm. */
export function atTime(panel: FirePanel, now: Date): FirePanel {
  if (panel.onTestUntil === null || now < new Date(panel.onTestUntil)) return panel;
  const back = logged({ ...panel, onTestUntil: null }, now, 'test-over');
  return Object.entries(back.loops).reduce(
    (made, [loop, { latched, reads }]) =>
      latched !== null || reads === 'trouble' ? logged(made, now, latched ?? 'trouble', loop) : made,
    back,
  );
}

/** A loop gives the panel a reading. */
export function driven(
  before: FirePanel,
  loop: string,
  { reads, milliamps }: Pick<PanelLoop, 'reads' | 'milliamps'>,
  now: Date,
): FirePanel {
  const panel = atTime(before, now);
  const was = panel.loops[loop] ?? { reads: 'normal', milliamps: null, latched: null };
  const latches = reads === 'alarm' || reads === 'supervisory';
  const latched = was.latched === 'alarm' ? 'alarm' : latches ? reads : was.latched;
  const next = { ...panel, loops: { ...panel.loops, [loop]: { reads, milliamps, latched } } };
  const fresh = latches ? latched !== was.latched : reads !== was.reads;
  if (!fresh) return next;
  const signal = SIGNALS.has(reads);
  return {
    ...logged(next, now, reads, loop),
    sounding: panel.sounding || reads === 'alarm',
    buzzing: panel.buzzing || signal,
  };
}

export const onTest = (panel: FirePanel, minutes: number, now: Date): FirePanel =>
  logged({ ...panel, onTestUntil: new Date(now.getTime() + minutes * 60_000).toISOString() }, now, 'on-test');

/** Off test: whatever stands then is passed on. */
export function offTest(panel: FirePanel, now: Date): FirePanel {
  if (panel.onTestUntil === null) return panel;
  return logged({ ...panel, onTestUntil: null }, now, 'off-test');
}

export const acknowledged = (panel: FirePanel, now: Date): FirePanel =>
  logged({ ...panel, buzzing: false }, now, 'acknowledged');

export const silenced = (panel: FirePanel, now: Date): FirePanel =>
  logged({ ...panel, sounding: false }, now, 'silenced');

/** Lets go what is latched; a loop that still alarms does so again at once. */
export function reset(before: FirePanel, now: Date): FirePanel {
  const panel = logged({ ...before, sounding: false, buzzing: false }, now, 'reset');
  const free = Object.fromEntries(
    Object.entries(panel.loops).map(([loop, one]) => [loop, { ...one, latched: null }]),
  );
  return Object.entries(panel.loops).reduce<FirePanel>((made, [loop, one]) => driven(made, loop, one, now), {
    ...panel,
    loops: free,
  });
}
