/**
 * What is kept in this browser: settings, and per job the bench and any edit the server
 * has not acknowledged. Everything read back is checked; what does not fit is left out,
 * never allowed to break the page.
 */
import type { Circuit } from '@zygostat/core/circuit';
import { parseCircuit } from '@zygostat/core/circuit';
import { METER_MODES } from '@zygostat/core/network';
import { METER_OHMS } from '@zygostat/core/standards';
import type { Survey } from '@zygostat/core/survey';
import { surveyProblems } from '@zygostat/core/survey';
import type { Plan } from '@zygostat/core/wire';
import * as yup from 'yup';
import type { Job, NewReading } from './api';
import type { Bench } from './bench';
import type { Setting, Settings } from './settings';
import { CHOICES, DEFAULTS } from './settings';

const PREFIX = 'zygostat.1';

function read(key: string): unknown {
  try {
    const text = localStorage.getItem(`${PREFIX}.${key}`);
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}

function write(key: string, value: unknown): void {
  try {
    if (value === undefined) localStorage.removeItem(`${PREFIX}.${key}`);
    else localStorage.setItem(`${PREFIX}.${key}`, JSON.stringify(value));
  } catch {
    // A full or forbidden store costs only what is kept here; the server has the rest.
  }
}

const scalar = yup
  .mixed<number | string>()
  .test('scalar', (value) => typeof value === 'number' || typeof value === 'string');
const record = <T>(of: yup.Schema<T>) =>
  yup.mixed<Record<string, T>>().test('record', (value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    return Object.values(value).every((entry) => of.isValidSync(entry, { strict: true }));
  });

const temperature = yup.number().strict().min(-60).max(70).required();
const state = record(
  yup
    .mixed()
    .nullable()
    .test('plain', (value) => value === null || ['number', 'string', 'boolean'].includes(typeof value)),
);

const benchSchema = yup.object({
  inputs: yup
    .object({
      controls: record(record(scalar)).required(),
      conditions: yup.object({ indoorC: temperature, outdoorC: temperature }).required(),
    })
    .required(),
  world: yup
    .object({ now: yup.number().strict().min(0).max(1e9).required(), states: record(state).required() })
    .required(),
  // Benches kept by earlier versions have none.
  supply: yup.number().strict().min(0.5).max(1.5),
  meter: yup
    .object({
      mode: yup.string().strict().oneOf(METER_MODES).required(),
      kind: yup.string().strict().oneOf(Object.keys(METER_OHMS)).required(),
      red: yup.string().strict().nullable().defined(),
      black: yup.string().strict().nullable().defined(),
    })
    .required(),
});

type KeptBench = Pick<Bench, 'inputs' | 'world' | 'meter'> & Partial<Pick<Bench, 'supply'>>;

/** The bench of a job as it was left, or `undefined` when there is none that fits. */
export function keptBench(jobId: string): KeptBench | undefined {
  const found = read(`bench.${jobId}`);
  return benchSchema.isValidSync(found, { strict: true }) ? (found as KeptBench) : undefined;
}

export function keepBench(jobId: string, { inputs, world, meter, supply }: KeptBench): void {
  write(`bench.${jobId}`, { inputs, world, meter, supply });
}

export interface Draft {
  base: number;
  circuit: Circuit;
  note: string;
}

/** An edit of a job that the server has not acknowledged. */
export function keptDraft(jobId: string): Draft | undefined {
  const found = read(`draft.${jobId}`);
  if (typeof found !== 'object' || found === null || !('base' in found) || !('circuit' in found))
    return undefined;
  try {
    const note = 'note' in found && typeof found.note === 'string' ? found.note : '';
    return { base: Number(found.base), circuit: parseCircuit(found.circuit), note };
  } catch {
    return undefined;
  }
}

export function keepDraft(jobId: string, draft: Draft): void {
  write(`draft.${jobId}`, draft);
}

/** Drops the draft of an edit that is settled; one that another tab has put there since stays. */
export function dropDraft(jobId: string, circuit: Circuit): void {
  const kept = keptDraft(jobId);
  if (kept && JSON.stringify(kept.circuit) === JSON.stringify(circuit)) write(`draft.${jobId}`, undefined);
}

/** The settings as they were left; one that is no choice of this version falls back to its default. */
export function keptSettings(): Settings {
  // Earlier versions kept the theme alone, under its own name.
  const found: unknown = read('settings') ?? { theme: read('theme') };
  if (typeof found !== 'object' || found === null) return DEFAULTS;
  const kept = Object.entries(found).filter(([name, value]) =>
    (CHOICES[name as Setting] as readonly unknown[] | undefined)?.includes(value),
  );
  return { ...DEFAULTS, ...Object.fromEntries(kept) };
}

/** Survey answers the server has not acknowledged. */
export function keptSurvey(jobId: string): { base: number; survey: Survey } | undefined {
  const found = read(`survey.${jobId}`);
  if (typeof found !== 'object' || found === null || !('base' in found) || !('survey' in found))
    return undefined;
  if (typeof found.base !== 'number' || surveyProblems(found.survey).length > 0) return undefined;
  return { base: found.base, survey: found.survey as Survey };
}

export function keepSurvey(jobId: string, kept: { base: number; survey: Survey } | undefined): void {
  write(`survey.${jobId}`, kept);
}

const earlierSchema = yup
  .array()
  .of(yup.object({ at: yup.string().required(), text: yup.string().required(), volts: yup.number() }));

/** A plan, and steps ticked, the server has not acknowledged; its circuits are checked, the rest of it by the server. */
export function keptPlan(jobId: string): { base: number; plan: Plan | null } | undefined {
  const found = read(`plan.${jobId}`);
  if (typeof found !== 'object' || found === null || !('base' in found) || !('plan' in found))
    return undefined;
  if (typeof found.base !== 'number') return undefined;
  if (found.plan === null) return { base: found.base, plan: null };
  const plan = found.plan as Plan;
  // A list of another version is another list; its ticks would mean nothing here.
  if (plan.version !== 1 || !record(yup.mixed()).isValidSync(plan.done, { strict: true })) return undefined;
  const { earlier, ...rest } = plan;
  const isKnown = earlier !== undefined && earlierSchema.isValidSync(earlier, { strict: true });
  try {
    return {
      base: found.base,
      plan: {
        ...rest,
        ...(isKnown && { earlier }),
        before: parseCircuit(plan.before),
        after: parseCircuit(plan.after),
      },
    };
  } catch {
    return undefined;
  }
}

export function keepPlan(jobId: string, kept: { base: number; plan: Plan | null } | undefined): void {
  write(`plan.${jobId}`, kept);
}

/** Something the server has yet to be told. */
export type Unsent =
  | { kind: 'reading'; id: string; reading: NewReading }
  | { kind: 'change'; id: string; change: Partial<Pick<Job, 'notes' | 'state'>> };

/** Readings and notes the server has not answered for; what is not of this shape is left out. */
export function keptUnsent(): Unsent[] {
  const found = read('unsent');
  if (!Array.isArray(found)) return [];
  return found.filter(
    (entry: unknown): entry is Unsent =>
      typeof entry === 'object' &&
      entry !== null &&
      'id' in entry &&
      typeof entry.id === 'string' &&
      (('reading' in entry && typeof entry.reading === 'object') ||
        ('change' in entry && typeof entry.change === 'object')),
  );
}

export function keepUnsent(unsent: readonly Unsent[]): void {
  write('unsent', unsent.length > 0 ? unsent : undefined);
}

export function keepSettings(settings: Settings): void {
  write('settings', settings);
}
