import { Suspense, lazy } from 'react';
import { ActivityIndicator } from 'react-native-paper';
import { useOpenedJob } from '../../../components/jobs/OpenJob';

// Read when first wanted, so that the first view stays light. Only what the worker does not use may be:
// Metro would put what both use into a piece that workers do not read.
const SurveyPlace = lazy(async () => ({
  default: (await import('../../../components/survey/SurveyPlace')).SurveyPlace,
}));

export default function SurveyRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense fallback={<ActivityIndicator accessibilityLabel="Opening the survey" />}>
      <SurveyPlace {...opened} />
    </Suspense>
  );
}
