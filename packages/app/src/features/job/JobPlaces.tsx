import { useContext, useEffect } from 'react';
import { PlanPlace } from '../plan/PlanPlace';
import { LeftBehind, WatchLeaving } from '../record/LeftBehind';
import { RecordPlace } from '../record/RecordPlace';
import { SurveyPlace } from '../survey/SurveyPlace';
import { Trace } from '../trace/Trace';
import { WirePlace } from '../wire/WirePlace';
import { useAppStore } from '../../store';
import { forgetOpen, keepOpen } from '../../store/resume';
import { AddressContext, addressOf, placeAt } from './address';
import { Addressed, useAddress } from './Addressed';
import { OpenJob, useOpenedJob } from './OpenJob';

const PLACES = { plan: PlanPlace, record: RecordPlace, survey: SurveyPlace, trace: Trace, wire: WirePlace };

/** Keeps where one is, at once and not when it has been drawn: a phone may let the app go in between. */
function KeptOpen({ base }: { base: string }) {
  const { path, view } = useAddress(base);
  useEffect(() => keepOpen(addressOf(path, view)), [path, view]);
  const store = useAppStore();
  useEffect(() => () => forgetOpen(store), [store]);
  return null;
}

function Place() {
  const Shown = PLACES[placeAt(useContext(AddressContext).path)];
  return <Shown {...useOpenedJob()} />;
}

/** A job, in the place its address names. */
export function JobPlaces({ id }: { id: string }) {
  const base = `/job/${id}`;
  return (
    <Addressed base={base}>
      <OpenJob id={id}>
        <KeptOpen base={base} />
        <WatchLeaving jobId={id} />
        <LeftBehind />
        <Place />
      </OpenJob>
    </Addressed>
  );
}
