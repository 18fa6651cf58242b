import { useState } from 'react';
import { View } from 'react-native';
import { problemOf } from '../../store/api';
import { useAppDispatch, useAppSelector } from '../../store';
import { told } from '../../store/notice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, BottomSheet, Waiting } from '../../basics';
import type { Revision } from './api';
import { useLazyRevisionQuery, useRevisionsQuery } from './api';
import { edited } from './slice';
import { whenInYearText } from '../../basics/when';

/** Shown before the rest is asked for. */
const FIRST = 20;

const whoText = ({ by, createdAt }: Revision) =>
  `${by === '' ? 'on this machine' : by} · ${whenInYearText(createdAt)}`;

/** Every revision of a circuit: who saved it, when, and what was done; any of them can be taken up again. */
export function RevisionsSheet({ jobId, onClose }: { jobId: string; onClose: () => void }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { state, base } = useAppSelector(({ saving }) => saving);
  const { data, error, isLoading, refetch } = useRevisionsQuery(jobId, { refetchOnMountOrArgChange: true });
  const [read, { isFetching }] = useLazyRevisionQuery();
  const [all, setAll] = useState(false);
  const takeUp = async (number: number) => {
    const found = await read({ id: jobId, number });
    if (!found.data) {
      dispatch(told(problemOf(found.error).detail));
      return;
    }
    dispatch(edited({ circuit: found.data.circuit, note: `Back to revision ${number}` }));
    onClose();
  };
  const shown = all ? data : data?.slice(0, FIRST);
  return (
    <BottomSheet
      title="Revisions of the circuit"
      subtitle="Going back to one changes what is recorded, not the wires in the wall: make them so, or undo it."
      onClose={onClose}
    >
      {isLoading ? <Waiting label="Loading revisions" /> : null}
      {error && !data ? (
        <>
          <AppText>{problemOf(error).detail}</AppText>
          <ActionButton label="Try again" onPress={() => void refetch()} />
        </>
      ) : null}
      {data && state !== 'saved' ? (
        <AppText kind="small">What is not sent yet is not among them.</AppText>
      ) : null}
      <View role="list" aria-label="Revisions">
        {shown?.map((revision) => (
          <View key={revision.number} role="listitem" style={[styles.revision, { borderColor: t.line }]}>
            <View style={styles.grow}>
              <AppText kind="strong">{`${revision.number} · ${revision.note === '' ? 'as it was begun' : revision.note}`}</AppText>
              <AppText kind="small">{whoText(revision)}</AppText>
            </View>
            {revision.number === base ? (
              <AppText kind="small">this one</AppText>
            ) : (
              <ActionButton
                label="Back to it"
                hint={`Back to it: revision ${revision.number}`}
                disabled={isFetching}
                onPress={() => void takeUp(revision.number)}
              />
            )}
          </View>
        ))}
      </View>
      {data && !all && data.length > FIRST ? (
        <ActionButton label={`All ${data.length}`} look="plain" onPress={() => setAll(true)} />
      ) : null}
    </BottomSheet>
  );
}

const styles = sheet({
  revision: { flexDirection: 'row', alignItems: 'center', gap: 8, borderBottomWidth: 1, paddingVertical: 8 },
  grow: { flex: 1 },
});
