import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor } from '@zygostat/core/circuit';
import { writeSchedule } from '@zygostat/core/formats';
import { PAPER_CAUTION, landingsCsv } from '@zygostat/core/words';
import { toString } from 'qrcode';
import { download } from '../../basics/download';
import { fetchPaper } from '../../basics/fetchPaper';
import { pickFile } from '../../basics/pickFile';
import { useAppDispatch, useAppSelector } from '../../store';
import type { ProblemDetails } from '../../store/api';
import { problemOf } from '../../store/api';
import { usePreviewScheduleMutation } from './api';
import { theModel } from '../../model/model';
import { told } from '../../store/notice';
import { edited } from '../circuit/slice';
import type { Job } from '../jobs/api';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Options, AppText } from '../../basics';

/** What is printed is made by the server, by its name there. */
const PRINTED = [
  { path: 'papers/cards.pdf', label: 'Landing cards, one a place (PDF)' },
  { path: 'papers/tags.pdf', label: 'Wire tags to cut out (PDF)' },
  { path: 'papers/diagram.pdf', label: 'Wiring diagram for the unit (PDF)' },
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
            {`Conductors that come: ${counts.added}, change: ${counts.changed}, go: ${counts.removed}.`}
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
export function Papers({ circuit, job }: { circuit: Circuit; job: Pick<Job, 'id' | 'name' | 'site'> }) {
  const { symbols, length } = useAppSelector(({ settings }) => settings);
  const dispatch = useAppDispatch();
  const { state, base } = useAppSelector(({ saving }) => saving);
  const plan = useAppSelector((store) => store.plan.value);
  const shown = plan?.after ?? circuit;
  const fetched = async (path: string) => {
    const url = `/api/jobs/${encodeURIComponent(job.id)}/${path}?symbols=${symbols}&length=${length}&locale=${encodeURIComponent(navigator.language)}`;
    const trouble = await fetchPaper(url, path.replace('papers/', ''));
    if (trouble !== null) dispatch(told(trouble));
  };
  const diagram = async () => {
    const url = `${window.location.origin}/job/${job.id}`;
    const code = await toString(url, { type: 'svg', margin: 0 });
    const head = {
      site: job.site,
      job: job.name,
      state: plan ? `As planned: ${plan.title}` : `As it stands, revision ${base}`,
      caution: PAPER_CAUTION,
      url,
    };
    download('diagram.svg', await theModel().diagram(shown, head, code, symbols), 'image/svg+xml');
  };
  return (
    <>
      <AppText>
        {plan ? 'As planned. The schedule is as it stands.' : 'As it stands.'}
        {state === 'saved' ? '' : ' The last change is not with the server yet and not on what is printed.'}
      </AppText>
      {PRINTED.map(({ path, label }) => (
        <ActionButton key={path} label={label} icon="print" onPress={() => void fetched(path)} />
      ))}
      <ActionButton label="Wiring diagram for the unit (SVG)" icon="export" onPress={() => void diagram()} />
      <ActionButton
        label="Landings and tags (CSV)"
        icon="export"
        onPress={() => download('landings.csv', landingsCsv(shown), 'text/csv')}
      />
      <ActionButton
        label="Wire schedule (CSV)"
        icon="export"
        onPress={() => download('wire-schedule.csv', writeSchedule(circuit), 'text/csv')}
      />
      <AppText kind="small">The diagram carries a code that opens this job.</AppText>
      <ScheduleImport circuit={circuit} jobId={job.id} />
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
});
