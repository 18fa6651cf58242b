import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor } from '@zygostat/core/circuit';
import { pickFile } from '../../basics/pickFile';
import { useAppDispatch, useAppSelector } from '../../store';
import type { ProblemDetails } from '../../store/api';
import { problemOf } from '../../store/api';
import { usePreviewScheduleMutation } from './api';
import { edited } from '../circuit/slice';
import { useTokens } from '../../theme';
import { ActionButton, Options, AppText } from '../../basics';

/** What can be printed or kept, by the server's name for it. */
const PAPERS = [
  { path: 'papers/cards.pdf', label: 'Landing cards, one a place (PDF)' },
  { path: 'papers/tags.pdf', label: 'Wire tags to cut out (PDF)' },
  { path: 'papers/landings.csv', label: 'Landings and tags (CSV)' },
  { path: 'papers/diagram.pdf', label: 'Wiring diagram for the unit (PDF)' },
  { path: 'papers/diagram.svg', label: 'Wiring diagram for the unit (SVG)' },
  { path: 'schedule.csv', label: 'Wire schedule (CSV)' },
] as const;

const MODES = { merge: 'Merge: change what is listed', replace: 'Replace: only what is listed' } as const;
type Mode = keyof typeof MODES;

const conductorsOf = ({ cables }: Circuit) => cables.flatMap(({ conductors }) => conductors);

/** What a schedule would change, in counts. */
function changes(before: Circuit, after: Circuit): { added: number; changed: number; removed: number } {
  const [were, are] = [conductorsOf(before), conductorsOf(after)];
  return {
    added: are.filter(({ id }) => !findConductor(before, id)).length,
    changed: are.filter((conductor) => {
      const was = findConductor(before, conductor.id);
      return was && JSON.stringify(was) !== JSON.stringify(conductor);
    }).length,
    removed: were.filter(({ id }) => !findConductor(after, id)).length,
  };
}

/** A wire schedule read in: what it would change is shown before anything is. */
function ScheduleImport({ circuit, jobId }: { circuit: Circuit; jobId: string }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const [preview, { isLoading }] = usePreviewScheduleMutation();
  const [mode, setMode] = useState<Mode>('merge');
  const [found, setFound] = useState<Circuit | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const read = async () => {
    const file = await pickFile('.csv,text/csv');
    if (!file) return;
    setFound(null);
    setProblem(null);
    const { data, error } = await preview({ id: jobId, mode, text: await file.text() });
    if (data) setFound(data.circuit);
    else setProblem(problemOf(error));
  };
  const counts = found && changes(circuit, found);
  return (
    <>
      <Options label="Reading a schedule in" options={MODES} value={mode} onChange={setMode} />
      <ActionButton
        label="Read a wire schedule (CSV)"
        icon="import"
        disabled={isLoading}
        onPress={() => void read()}
      />
      {problem ? (
        <View role="alert" style={[styles.card, { borderColor: t.red, backgroundColor: t.card }]}>
          <AppText kind="strong" color={t.red}>
            Nothing was changed
          </AppText>
          {problem.problems ? (
            problem.problems.map(({ path, message }) => (
              <AppText key={`${path} ${message}`}>{`${path}: ${message}`}</AppText>
            ))
          ) : (
            <AppText>{problem.detail}</AppText>
          )}
        </View>
      ) : null}
      {found && counts ? (
        <View style={[styles.card, { borderColor: t.copper, backgroundColor: t.card }]}>
          <AppText kind="strong">
            {`${counts.added} conductors come, ${counts.changed} change, ${counts.removed} go.`}
          </AppText>
          <View style={styles.row}>
            <ActionButton
              label="Take it"
              look="filled"
              onPress={() => {
                dispatch(edited({ circuit: found, note: 'Wire schedule read in' }));
                setFound(null);
              }}
            />
            <ActionButton label="Leave it" onPress={() => setFound(null)} />
          </View>
        </View>
      ) : null}
    </>
  );
}

/** What is printed, left at the unit, and exchanged with other programs. */
export function Papers({ circuit, jobId }: { circuit: Circuit; jobId: string }) {
  const symbols = useAppSelector(({ settings }) => settings.symbols);
  const waiting = useAppSelector(({ saving }) => saving.state !== 'saved');
  const planned = useAppSelector(({ plan }) => plan.value !== null);
  const open = (path: string) =>
    window.open(`/api/jobs/${encodeURIComponent(jobId)}/${path}?symbols=${symbols}`, '_blank', 'noopener');
  return (
    <>
      <AppText>
        {planned ? 'As planned. The schedule is as it stands.' : 'As it stands.'}
        {waiting ? ' The last change is not saved yet and not on them.' : ''}
      </AppText>
      {PAPERS.map(({ path, label }) => (
        <ActionButton key={path} label={label} icon="print" onPress={() => open(path)} />
      ))}
      <AppText kind="small">The diagram carries a code that opens this job.</AppText>
      <ScheduleImport circuit={circuit} jobId={jobId} />
    </>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 6 },
  row: { flexDirection: 'row', gap: 8 },
});
