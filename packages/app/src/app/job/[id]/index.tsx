import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { Trace } from '../../../components/trace/Trace';

export default function TraceRoute() {
  return <Trace {...useOpenedJob()} />;
}
