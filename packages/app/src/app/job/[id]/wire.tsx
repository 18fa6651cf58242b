import { Suspense, lazy } from 'react';
import { ActivityIndicator } from 'react-native-paper';
import { useOpenedJob } from '../../../components/jobs/OpenJob';

// Read when first wanted, like Survey: it takes nothing of the core at run time that the first view has not.
const WirePlace = lazy(async () => ({
  default: (await import('../../../components/wire/WirePlace')).WirePlace,
}));

export default function WireRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense fallback={<ActivityIndicator accessibilityLabel="Opening the landing list" />}>
      <WirePlace {...opened} />
    </Suspense>
  );
}
