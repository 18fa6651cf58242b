import type { Circuit } from '@zygostat/core/circuit';
import { useAppDispatch, useAppSelector } from '../../store';
import { RevisionsSheet } from '../circuit/RevisionsSheet';
import type { Job } from '../jobs/api';
import { ConditionsSheet } from './ConditionsSheet';
import { ConductorSheet } from './ConductorSheet';
import { DeviceSheet } from './DeviceSheet';
import { KeysSheet } from './KeysSheet';
import { LogSheet } from '../readings/LogSheet';
import { MenuSheet } from './MenuSheet';
import { sheetOpened } from './slice';
import { StudSheet } from './StudSheet';
import type { TraceActions } from './useTraceActions';

interface TraceSheetProps {
  circuit: Circuit;
  job: Job;
  actions: TraceActions;
}

/** Whichever sheet is open, if one is. */
export function TraceSheet({ circuit, job, actions }: TraceSheetProps) {
  const dispatch = useAppDispatch();
  const sheet = useAppSelector(({ trace }) => trace.sheet);
  if (!sheet) return null;
  const common = { circuit, actions };
  switch (sheet.type) {
    case 'stud':
      return <StudSheet {...common} node={sheet.node} />;
    case 'device':
      return <DeviceSheet {...common} jobId={job.id} device={sheet.device} />;
    case 'conductor':
      return <ConductorSheet {...common} conductor={sheet.conductor} />;
    case 'log':
      return <LogSheet circuit={circuit} jobId={job.id} red={sheet.red} black={sheet.black} />;
    case 'conditions':
      return <ConditionsSheet {...common} />;
    case 'menu':
      return <MenuSheet circuit={circuit} job={job} />;
    case 'revisions':
      return <RevisionsSheet jobId={job.id} onClose={() => dispatch(sheetOpened(null))} />;
    case 'keys':
      return <KeysSheet />;
  }
}
