/** The bench of a job as it was left in this browser. What does not fit is left out, never allowed to break the page. */
import { METER_MODES } from '@zygostat/core/network';
import { METER_OHMS } from '@zygostat/core/standards';
import * as yup from 'yup';
import { readKept, writeKept } from '../../store/storage';
import type { Bench } from './slice';

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
  const found = readKept(`bench.${jobId}`);
  return benchSchema.isValidSync(found, { strict: true }) ? (found as KeptBench) : undefined;
}

export function keepBench(jobId: string, { inputs, world, meter, supply }: KeptBench): void {
  writeKept(`bench.${jobId}`, { inputs, world, meter, supply });
}
