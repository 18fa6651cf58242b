import { Waiting } from '../../../components/basics';
import { Suspense, lazy } from 'react';
import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { PlaceFrame } from '../../../components/places/PlaceFrame';

// Read when first wanted, like Survey: what it needs of the core it asks the worker.
const PlanPlace = lazy(async () => ({
  default: (await import('../../../components/plan/PlanPlace')).PlanPlace,
}));

export default function PlanRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense
      fallback={
        <PlaceFrame job={opened.job} here="plan">
          <Waiting label="Opening the plan" />
        </PlaceFrame>
      }
    >
      <PlanPlace {...opened} />
    </Suspense>
  );
}
