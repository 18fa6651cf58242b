import { router } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { StyleSheet, View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Job } from '../jobs/api';
import { REDO, UNDO } from '../circuit/slice';
import { ActionButton, AppText } from '../../basics';

/** The head of every place of a job: back, what job it is, undo and redo. */
export function JobHeader({ job, children }: PropsWithChildren<{ job: Job }>) {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector(({ edits }) => edits.past.length > 0);
  const canRedo = useAppSelector(({ edits }) => edits.future.length > 0);
  return (
    <View style={styles.header}>
      <ActionButton
        label="Jobs"
        hint="Back to jobs"
        icon="back"
        look="plain"
        iconOnly
        onPress={() => router.dismissTo('/')}
      />
      <View style={styles.titles}>
        <AppText kind="title" heading={1} lines={1}>
          {job.site}
        </AppText>
        <AppText kind="small" lines={1}>
          {job.name}
        </AppText>
      </View>
      <ActionButton
        label="Undo"
        icon="undo"
        look="plain"
        iconOnly
        disabled={!canUndo}
        onPress={() => dispatch({ type: UNDO })}
      />
      <ActionButton
        label="Redo"
        icon="redo"
        look="plain"
        iconOnly
        disabled={!canRedo}
        onPress={() => dispatch({ type: REDO })}
      />
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  header: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: 2, minHeight: 56 },
  titles: { flex: 1 },
});
