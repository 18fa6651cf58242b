import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import { useAppSelector } from '../../store';
import { useBenchRunner } from '../bench/useBenchRunner';
import type { Job } from '../jobs/api';
import { useAir } from './useAir';

function Carry({ job, circuit }: { job: Job; circuit: Circuit }) {
  useBenchRunner();
  useAir(job, circuit);
  return null;
}

/** Carries what the modules of a job’s link say, wherever in the job one is; the bench is kept answered for it. */
export function CarryAir({ job }: { job: Job }) {
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  return circuit?.devices.some(({ kind }) => kindOf(kind).radio) ? (
    <Carry job={job} circuit={circuit} />
  ) : null;
}
