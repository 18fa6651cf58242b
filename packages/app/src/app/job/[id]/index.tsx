import { lazy } from 'react';
import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { Later } from '../../../components/places/Later';

// Read when first wanted, so that the first view stays light.
const Trace = lazy(() => import('../../../components/trace/Trace'));

export default function TraceRoute() {
  const opened = useOpenedJob();
  return (
    <Later>
      <Trace {...opened} />
    </Later>
  );
}
