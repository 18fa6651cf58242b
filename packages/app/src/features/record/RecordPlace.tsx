import type { Circuit } from '@zygostat/core/circuit';
import type { Standing } from '@zygostat/core/record';
import { bypassesStillIn, failedTests, jacketsOff } from '@zygostat/core/record';
import { namesIn } from '@zygostat/core/words';
import { Waiting } from '../../basics';
import type { Job } from '../jobs/api';
import { useView } from '../job/address';
import { PlaceFrame } from '../job/PlaceFrame';
import { hasLoop } from '../panel/OnTest';
import { PanelPane } from '../panel/PanelPane';
import { Steps } from '../job/Steps';
import { Brought } from './Brought';
import { LogPane } from './LogPane';
import { PapersCard } from './PapersCard';
import { OpenPane } from './OpenPane';
import { TestsPane } from './TestsPane';
import { Writer } from './Writer';
import { useRecord } from './useRecord';

type Step = 'tests' | 'open' | 'panel' | 'log' | 'report';

/** Whether the panel is on test or a jacket off: who comes then is shown that. */
const isUnderWay = (standing: Standing) =>
  standing.panel.onTestUntil !== null || jacketsOff(standing).length > 0;

/** Is it proven, what is still open, what was done. */
export function RecordPlace({ job, circuit }: { job: Job; circuit: Circuit }) {
  const { entries, standing, unsent, isLoading } = useRecord(job.id);
  const open =
    bypassesStillIn(standing).length +
    failedTests(standing).length +
    standing.items.filter(({ done }) => !done).length;
  // Who comes because a safety is bypassed is shown that first.
  const first: Step =
    bypassesStillIn(standing).length > 0 ? 'open' : isUnderWay(standing) ? 'panel' : 'tests';
  const names = namesIn(circuit);
  const opened = open > 0 ? `Open ${open}` : 'Open';
  const titles = {
    tests: 'Tests',
    open: opened,
    ...(hasLoop(circuit) && { panel: 'Panel' }),
    log: 'Log',
    report: 'Report',
  } as Readonly<Record<Step, string>>;
  const [step = first, setStep] = useView<Step>(titles);
  return (
    <PlaceFrame
      job={job}
      here="record"
      tabs={<Steps label="Record" titles={titles} here={step} onGo={setStep} />}
    >
      {job.broughtBy == null ? null : <Brought by={job.broughtBy} at={job.broughtAt} />}
      {isLoading ? <Waiting label="Opening the record" /> : null}
      {step === 'tests' ? (
        <TestsPane jobId={job.id} circuit={circuit} names={names} standing={standing} />
      ) : step === 'open' ? (
        <OpenPane jobId={job.id} circuit={circuit} names={names} standing={standing} />
      ) : step === 'panel' ? (
        <PanelPane job={job} circuit={circuit} names={names} standing={standing} />
      ) : step === 'report' ? (
        <PapersCard jobId={job.id} unsent={unsent} />
      ) : (
        <LogPane jobId={job.id} names={names} entries={entries} />
      )}
      {step === 'report' ? null : <Writer />}
    </PlaceFrame>
  );
}
