import type { Remote } from 'comlink';
import { useCallback } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { Standing } from '@zygostat/core/record';
import { mayWork } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { useWrite } from '../record/useRecord';
import { Jackets } from './Jackets';
import { LocateCard } from './LocateCard';
import { LoopCard } from './LoopCard';
import { MoveCard } from './MoveCard';
import { PanelState } from './PanelState';
import { PanelSteps } from './PanelSteps';
import { useFirePanel } from './useFirePanel';
import { useNow } from './useNow';

interface PanelPaneProps {
  job: Job;
  circuit: Circuit;
  names: Names;
  standing: Standing;
}

/** The fire panel: what is done with it in which order, what it shows, its loop, and the jackets at the detectors. */
export function PanelPane({ job, circuit, names, standing }: PanelPaneProps) {
  const write = useWrite(job.id);
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  const { panel, lost } = useFirePanel({ id: job.siteId, name: job.site });
  const ask = useCallback((model: Remote<Model>) => model.loops(circuit, inputs), [circuit, inputs]);
  const loops = useModel(ask) ?? [];
  const now = useNow(standing.panel.onTestUntil !== null);
  const ready = mayWork(standing.panel, new Date(now));
  return (
    <>
      <PanelSteps siteId={job.siteId} standing={standing} panel={panel} now={new Date(now)} onWrite={write} />
      <PanelState siteId={job.siteId} panel={panel} lost={lost} ready={ready} />
      <Jackets circuit={circuit} names={names} standing={standing} ready={ready} onWrite={write} />
      {loops.map((loop) => (
        <LoopCard key={loop.panel} loop={loop} names={names} />
      ))}
      <MoveCard jobId={job.id} circuit={circuit} names={names} />
      {loops.map((loop) => (
        <LocateCard key={loop.panel} circuit={circuit} inputs={inputs} loop={loop} names={names} />
      ))}
    </>
  );
}
