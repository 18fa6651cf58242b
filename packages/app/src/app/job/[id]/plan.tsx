import { Suspense, lazy } from 'react';
import { ActivityIndicator } from 'react-native-paper';
import { useOpenedJob } from '../../../components/jobs/OpenJob';

// Read when first wanted, like Survey: what it needs of the core it asks the worker.
const PlanPlace = lazy(async () => ({
  default: (await import('../../../components/plan/PlanPlace')).PlanPlace,
}));

export default function PlanRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense fallback={<ActivityIndicator accessibilityLabel="Opening the plan" />}>
      <PlanPlace {...opened} />
    </Suspense>
  );
}
