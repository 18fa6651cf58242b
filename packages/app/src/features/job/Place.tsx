import { PlanPlace } from '../plan/PlanPlace';
import { RecordPlace } from '../record/RecordPlace';
import { SurveyPlace } from '../survey/SurveyPlace';
import { Trace } from '../trace/Trace';
import { WirePlace } from '../wire/WirePlace';
import type { PlaceName } from './PlacesBar';
import { useOpenedJob } from './OpenJob';

const PLACES = { plan: PlanPlace, record: RecordPlace, survey: SurveyPlace, trace: Trace, wire: WirePlace };

/** One place of the job that is open. */
export function Place({ name }: { name: PlaceName }) {
  const Shown = PLACES[name];
  return <Shown {...useOpenedJob()} />;
}
