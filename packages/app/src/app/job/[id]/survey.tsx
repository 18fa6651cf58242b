import { lazy } from 'react';
import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { Later } from '../../../components/places/Later';

// Read when first wanted, so that the first view stays light.
const SurveyPlace = lazy(() => import('../../../components/survey/SurveyPlace'));

export default function SurveyRoute() {
  const opened = useOpenedJob();
  return (
    <Later>
      <SurveyPlace {...opened} />
    </Later>
  );
}
