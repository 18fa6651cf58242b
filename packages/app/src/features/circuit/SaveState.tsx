import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../store';
import { jobsApi } from '../jobs/api';
import { Clashes } from './Clashes';
import { decidedCircuit } from './saving';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

/** Says when an edit was refused, and settles what to do when somebody else changed the same. */
export function SaveState({ jobId }: { jobId: string }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { state, detail, base } = useAppSelector(({ saving }) => saving);
  const mine = useAppSelector(({ edits }) => edits.present.circuit);
  if (state !== 'conflict' && state !== 'refused') return null;

  /** Puts this tab's circuit, or nothing of it, on top of the newest revision. */
  const decide = async (isMine: boolean) => {
    const { data } = await dispatch(
      jobsApi.endpoints.openJob.initiate(jobId, { forceRefetch: true, subscribe: false }),
    );
    if (!data || !mine) return;
    const on = { number: data.revision, value: data.circuit };
    dispatch(decidedCircuit(jobId, on, isMine ? mine : data.circuit));
  };

  const words = {
    conflict: 'Somebody else changed the same: nothing is lost, say which holds. All else of both stays.',
    refused: `The server refused the edit: ${detail}`,
  }[state];
  return (
    <View role="alert" style={[styles.banner, { backgroundColor: t.amberSoft, borderColor: t.amber }]}>
      <AppText>{words}</AppText>
      {state === 'conflict' && mine ? <Clashes jobId={jobId} base={base} mine={mine} /> : null}
      {state === 'conflict' ? (
        <View style={styles.row}>
          <ActionButton
            label="All as here"
            hint="All as here: what was changed elsewhere is put aside"
            onPress={() => void decide(true)}
            style={styles.grow}
          />
          <ActionButton
            label="All as there"
            hint="All as there: what was changed here is put aside"
            onPress={() => void decide(false)}
            style={styles.grow}
          />
        </View>
      ) : null}
    </View>
  );
}

const styles = sheet({
  banner: { marginHorizontal: 12, marginBottom: 6, borderWidth: 1, borderRadius: 10, padding: 10, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  grow: { flex: 1 },
});
