import { useContext } from 'react';
import { PlanPlace } from '../plan/PlanPlace';
import { RecordPlace } from '../record/RecordPlace';
import { SurveyPlace } from '../survey/SurveyPlace';
import { Trace } from '../trace/Trace';
import { WirePlace } from '../wire/WirePlace';
import { AddressContext, placeAt } from './address';
import { Addressed } from './Addressed';
import { OpenJob, useOpenedJob } from './OpenJob';

const PLACES = { plan: PlanPlace, record: RecordPlace, survey: SurveyPlace, trace: Trace, wire: WirePlace };

function Place() {
  const { path } = useContext(AddressContext);
  const Shown = PLACES[placeAt(path)];
  return <Shown {...useOpenedJob()} />;
}

/** A job, in the place its address names. */
export function JobPlaces({ id }: { id: string }) {
  return (
    <Addressed base={`/job/${id}`}>
      <OpenJob id={id}>
        <Place />
      </OpenJob>
    </Addressed>
  );
}
