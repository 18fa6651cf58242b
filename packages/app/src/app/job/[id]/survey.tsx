import { Suspense, lazy } from 'react';
import { ActivityIndicator } from 'react-native-paper';
import { useOpenedJob } from '../../../components/jobs/OpenJob';

// Read when first wanted, so that the first view stays light.
const SurveyPlace = lazy(() => import('../../../components/survey/SurveyPlace'));

export default function SurveyRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense fallback={<ActivityIndicator accessibilityLabel="Opening the survey" />}>
      <SurveyPlace {...opened} />
    </Suspense>
  );
}
