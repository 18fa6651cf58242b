import { Waiting } from '../../../components/basics';
import { Suspense, lazy } from 'react';
import { useOpenedJob } from '../../../components/jobs/OpenJob';
import { PlaceFrame } from '../../../components/places/PlaceFrame';

// Read when first wanted, so that the first view stays light. Only what the worker does not use may be:
// Metro would put what both use into a piece that workers do not read.
const SurveyPlace = lazy(async () => ({
  default: (await import('../../../components/survey/SurveyPlace')).SurveyPlace,
}));

export default function SurveyRoute() {
  const opened = useOpenedJob();
  return (
    <Suspense
      fallback={
        <PlaceFrame job={opened.job} here="survey">
          <Waiting label="Opening the survey" />
        </PlaceFrame>
      }
    >
      <SurveyPlace {...opened} />
    </Suspense>
  );
}
