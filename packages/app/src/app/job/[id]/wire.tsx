import { Waiting } from '../../../components/basics';
import { Suspense, lazy } from 'react';
import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { PlaceFrame } from '../../../components/places/PlaceFrame';

// Read when first wanted, like Survey: it takes nothing of the core at run time that the first view has not.
const WirePlace = lazy(async () => ({
  default: (await import('../../../components/wire/WirePlace')).WirePlace,
}));

export default function WireRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense
      fallback={
        <PlaceFrame job={opened.job} here="wire">
          <Waiting label="Opening the landing list" />
        </PlaceFrame>
      }
    >
      <WirePlace {...opened} />
    </Suspense>
  );
}
