import { useContext, useEffect } from 'react';
import { PlanPlace } from '../plan/PlanPlace';
import { RecordPlace } from '../record/RecordPlace';
import { SurveyPlace } from '../survey/SurveyPlace';
import { Trace } from '../trace/Trace';
import { WirePlace } from '../wire/WirePlace';
import { forgetOpen, keepOpen } from '../../store/resume';
import { AddressContext, addressOf, placeAt } from './address';
import { Addressed } from './Addressed';
import { OpenJob, useOpenedJob } from './OpenJob';

const PLACES = { plan: PlanPlace, record: RecordPlace, survey: SurveyPlace, trace: Trace, wire: WirePlace };

function Place() {
  const { path, view } = useContext(AddressContext);
  useEffect(() => keepOpen(addressOf(path, view)), [path, view]);
  useEffect(() => forgetOpen, []);
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
