import { useState } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import { theModel } from '../../model/model';
import { wiredThermostats } from '../bench/calls';
import { useAppDispatch } from '../../store';
import type { Job } from '../jobs/api';
import { told } from '../../store/notice';
import { ActionButton, Options, AppText } from '../../basics';
import { SafetyPane } from './SafetyPane';
import { LeakPane } from './LeakPane';
import { RunPane } from './RunPane';
import { ZonesPane } from './ZonesPane';
import { useTakePlan } from './usePlan';
import { goTo } from '../job/address';

const CALLS = { W: 'Heat (W)', Y: 'Cooling (Y)', G: 'Fan (G)' } as const;
type Call = keyof typeof CALLS;

/** A device added: a safety in series, a relay in parallel with a call, a second thermostat. */
export function AddPane({ job, circuit }: { job: Job; circuit: Circuit }) {
  const dispatch = useAppDispatch();
  const take = useTakePlan();
  const [call, setCall] = useState<Call>('W');
  const [stat] = wiredThermostats(circuit);
  if (!stat) return <AppText>There is no thermostat here: nothing says what R and Y are.</AppText>;
  const goOn = (title: string, after: Circuit) => {
    take({ title, after, swap: null, reasons: {} });
    goTo(job.id, 'wire', 'list');
  };
  const addRelay = async () => {
    const title = `Relay that runs with ${CALLS[call]}`;
    const after = await theModel().relay(circuit, stat.id, call, 'Added relay');
    if (after) goOn(title, after);
    else dispatch(told('The unit gives no such call, or no common, to put it across.'));
  };
  return (
    <>
      <AppText kind="title" heading={2}>
        Safeties, in series
      </AppText>
      <SafetyPane circuit={circuit} thermostat={stat.id} onTake={goOn} />
      <AppText kind="small">
        A condensing furnace makes water in heating too; a heat pump’s Y stops its heating. Smoke detectors
        may be reserved to licensed people, and the panel must be on test.
      </AppText>
      <AppText kind="title" heading={2}>
        A leak controller
      </AppText>
      <LeakPane circuit={circuit} thermostat={stat.id} onTake={goOn} />
      <AppText kind="title" heading={2}>
        A load, in parallel
      </AppText>
      <Options label="It runs with" options={CALLS} value={call} onChange={setCall} />
      <ActionButton label="Plan a relay across this call" onPress={() => void addRelay()} />
      <AppText kind="title" heading={2}>
        A run with broken conductors
      </AppText>
      <RunPane circuit={circuit} onTake={goOn} />
      <AppText kind="title" heading={2}>
        Zones
      </AppText>
      <ZonesPane circuit={circuit} thermostat={stat.id} onTake={goOn} />
      <AppText kind="title" heading={2}>
        A second thermostat
      </AppText>
      <AppText kind="small">
        Terminal to terminal with the first. Both must always be in the same mode: say so on a label.
      </AppText>
      <ActionButton
        label="Plan a second thermostat"
        onPress={() =>
          void theModel()
            .second(circuit, stat.id, stat.station, 10)
            .then((after) => goOn('Second thermostat in parallel', after))
        }
      />
    </>
  );
}
