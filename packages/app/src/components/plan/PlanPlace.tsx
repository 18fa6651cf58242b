import type { Circuit } from '@zygostat/core/circuit';
import type { Job } from '../../store/api';
import { Words } from '../basics';
import { PlaceFrame } from '../places/PlaceFrame';
import { ProofPane } from './ProofPane';

/** What goes where, and the proof that it will behave. */
export function PlanPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  return (
    <PlaceFrame job={job} here="plan">
      {circuit.devices.length === 0 ? (
        <Words>Survey it first: there is nothing to prove yet.</Words>
      ) : (
        <ProofPane circuit={circuit} jobId={job.id} />
      )}
    </PlaceFrame>
  );
}
