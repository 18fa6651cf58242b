import { useAppStore } from '../../store';
import { useEffect } from 'react';
import { View } from 'react-native';
import { BEGUN, useKept } from '../../documents/slice';
import { DoorNews } from '../crew/DoorNews';
import { startJobs } from '../job/start';
import { jobOf } from '../jobs/begun';
import { JobRow } from '../jobs/JobRow';
import { LeftBehind } from '../record/LeftBehind';
import { Clock } from './Clock';
import { Outstanding } from './Outstanding';
import { sheet } from '../../theme';

const nothing = () => undefined;

/** On the first page: what is not sent yet, and jobs that were begun here and that its list does not have. */
export function FirstPage({ listed }: { listed: ReadonlySet<string> }) {
  const store = useAppStore();
  const kept = useKept();
  useEffect(() => void startJobs(store), [store]);
  const begun = kept.flatMap((waiting) => {
    const job = waiting.name === BEGUN && !waiting.isSent ? jobOf(waiting) : null;
    return job && !listed.has(job.id) ? [job] : [];
  });
  return (
    <>
      <DoorNews />
      <LeftBehind />
      <Clock />
      <Outstanding />
      {begun.length > 0 ? (
        <View role="list" aria-label="Begun here" style={styles.items}>
          {begun.map((job) => (
            <View key={job.id} role="listitem">
              <JobRow job={job} onTouched={nothing} onOpen={nothing} />
            </View>
          ))}
        </View>
      ) : null}
    </>
  );
}

const styles = sheet({ items: { gap: 10, marginBottom: 10 } });
