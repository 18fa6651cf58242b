import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import { jacketsOff } from '@zygostat/core/record';
import { useAppSelector } from '../../store';
import { useTokens } from '../../theme';
import { useBenchRunner } from '../bench/useBenchRunner';
import { HeadBanner } from '../job/HeadBanner';
import { goTo } from '../job/address';
import type { Job } from '../jobs/api';
import { useRecord } from '../record/useRecord';
import { useDrive } from './useDrive';
import { useNow } from './useNow';

/** Less than this is left: have it extended, ms. */
const SOON_MS = 15 * 60_000;

export const hasLoop = (circuit: Circuit | null): boolean =>
  circuit?.devices.some(({ kind }) => kindOf(kind).supervises) ?? false;

/** "3:59:12", "9:05" */
function leftText(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`;
}

/** Drives the panel with the job's loop; the bench is kept answered for it, wherever in the job one is. */
function Drive({ job }: { job: Job }) {
  useBenchRunner();
  useDrive(job);
  return null;
}

/** The panel on test with the time left, and jackets that are off: seen from every place of the job. */
export function OnTest({ job }: { job: Job }) {
  const t = useTokens();
  const { standing } = useRecord(job.id);
  const circuit = useAppSelector(({ edits }) => edits.present.circuit);
  const { onTestUntil } = standing.panel;
  const now = useNow(onTestUntil !== null);
  const off = jacketsOff(standing);
  const driving = hasLoop(circuit) ? <Drive job={job} /> : null;
  if (onTestUntil === null && off.length === 0) return driving;
  const left = onTestUntil === null ? null : new Date(onTestUntil).getTime() - now;
  const late = left !== null && left <= SOON_MS;
  const words = [
    left === null
      ? hasLoop(circuit)
        ? 'Panel not on test'
        : ''
      : left > 0
        ? `Panel on test, ${leftText(left)} left`
        : 'Test time is over: an alarm calls people out',
    off.length > 0 ? `jacket ${off.map(({ mark }) => mark).join(', ')} off` : '',
  ]
    .filter((one) => one !== '')
    .join(' · ');
  const [ink, fill] = late || left === null ? [t.red, t.redSoft] : [t.amber, t.amberSoft];
  return (
    <>
      {driving}
      <HeadBanner
        onPress={() => goTo(job.id, 'record', 'panel')}
        icon="clock"
        words={words}
        ink={ink}
        fill={fill}
      />
    </>
  );
}
