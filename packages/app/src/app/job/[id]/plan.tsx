import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { PlanPlace } from '../../../components/plan/PlanPlace';

export default function PlanRoute() {
  return <PlanPlace {...useOpenedJob()} />;
}
