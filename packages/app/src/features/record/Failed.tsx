import { addDays } from 'date-fns/addDays';
import { useState } from 'react';
import { View } from 'react-native';
import type { Body, CommissionTest, Standing, Tested } from '@zygostat/core/record';
import { failedTests } from '@zygostat/core/record';
import { useAppDispatch } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field } from '../../basics';
import { callMeant } from '../find/slice';
import { goTo } from '../job/address';
import { Writer } from './Writer';
import { useWriterName } from './writer-name';
import { dayText } from '../../basics/when';

/** A failed test that is handed off is looked at again within so many days. */
const HANDED_DAYS = 7;

/** The call a search for what went wrong begins with. */
function callOf(test: CommissionTest | undefined): 'fan' | 'heat' | 'cool' | 'off' {
  if (!test || !('case' in test)) return 'off';
  const { situation } = test.case.asked;
  if ('call' in situation) return situation.call;
  return situation.type === 'fan' ? 'fan' : situation.type === 'emergency' ? 'heat' : 'off';
}

interface OneProps {
  jobId: string;
  failed: Tested & { id: string };
  /** The test as the circuit has it now; one that was changed since may have none. */
  test: CommissionTest | undefined;
  onRun: (id: string) => void;
  onWrite: (body: Body) => Promise<boolean>;
}

/** One test that failed: find the fault, run it again, or hand it off by name. */
function One({ jobId, failed, test, onRun, onWrite }: OneProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const [isHanding, setHanding] = useState(false);
  const [to, setTo] = useState('');
  const by = useWriterName();
  const [asksName] = useState(by === '');
  const { id, title, text, handed } = failed;
  const find = () => {
    // What failed is looked for in the state it showed in.
    dispatch(callMeant(callOf(test)));
    goTo(jobId, 'trace', 'find');
  };
  const hand = async () => {
    const until = addDays(new Date(), HANDED_DAYS).toISOString();
    if (await onWrite({ type: 'test-handed-over', test: id, to: to.trim(), until })) setHanding(false);
  };
  return (
    <View
      role="listitem"
      style={[
        styles.card,
        { borderColor: handed ? t.amber : t.red, backgroundColor: handed ? t.amberSoft : t.redSoft },
      ]}
    >
      <AppText kind="strong" color={handed ? t.amber : t.red}>{`Failed: ${title}`}</AppText>
      {text.trim() === '' ? null : <AppText>{text}</AppText>}
      <AppText kind="small">
        {handed
          ? `${handed.to} took it over. Due ${dayText(handed.until)}.`
          : 'Repair the fault and run the test again, or hand the test off.'}
      </AppText>
      <View style={styles.row}>
        <ActionButton label="Find the fault" hint={`Find the fault: ${title}`} onPress={find} />
        {test ? (
          <ActionButton label="Run again" hint={`Run again: ${title}`} onPress={() => onRun(id)} />
        ) : null}
        {handed ? null : (
          <ActionButton
            label="Hand it off"
            hint={`Hand off: ${title}`}
            pressed={isHanding}
            onPress={() => setHanding(!isHanding)}
          />
        )}
      </View>
      {isHanding ? (
        <>
          <Field label="Who takes it over" value={to} most={80} onChange={setTo} />
          {asksName ? <Writer /> : null}
          <ActionButton
            label={`Hand off for ${HANDED_DAYS} days`}
            disabled={by === '' || to.trim() === ''}
            onPress={() => void hand()}
          />
        </>
      ) : null}
    </View>
  );
}

interface FailedProps {
  jobId: string;
  tests: readonly CommissionTest[];
  standing: Standing;
  onRun: (id: string) => void;
  onWrite: (body: Body) => Promise<boolean>;
}

/** Tests that failed the last time they were run: open until they pass, or somebody named takes them over. */
export function Failed({ jobId, tests, standing, onRun, onWrite }: FailedProps) {
  const failed = failedTests(standing);
  if (failed.length === 0) return null;
  return (
    <View role="list" aria-label="Failed tests" style={styles.list}>
      {failed.map((one) => (
        <One
          key={one.id}
          jobId={jobId}
          failed={one}
          test={tests.find(({ id }) => id === one.id)}
          onRun={onRun}
          onWrite={onWrite}
        />
      ))}
    </View>
  );
}

const styles = sheet({
  list: { gap: 8 },
  card: { borderWidth: 1.5, borderRadius: 12, padding: 12, gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
