import { View } from 'react-native';
import { download } from '../../basics/download';
import { fetchPaper } from '../../basics/fetchPaper';
import { useAppDispatch, useAppSelector } from '../../store';
import { told } from '../../store/notice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Seal } from './Seal';
import { useReport, useReportText } from './useReport';

/** What leaves the job: the report as it is printed, read and computed with; its dates; the whole of it in one file. */
export function PapersCard({ jobId, unsent }: { jobId: string; unsent: number }) {
  const t = useTokens();
  const { temperature, length, gauge } = useAppSelector(({ settings }) => settings);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const asked = new URLSearchParams({
    zone,
    locale: navigator.language,
    temperature,
    length,
    gauge,
  }).toString();
  const waiting = useAppSelector(({ saving }) => saving.state !== 'saved') || unsent > 0;
  const dispatch = useAppDispatch();
  const gather = useReport();
  const tell = useReportText();
  /** One that the server makes. */
  const fetched = async (path: string, name: string) => {
    const trouble = await fetchPaper(`/api/jobs/${encodeURIComponent(jobId)}/${path}`, name);
    if (trouble !== null) dispatch(told(trouble));
  };
  const markdown = async () => download('report.md', await tell(), 'text/markdown');
  const json = async () => download('report.json', JSON.stringify(await gather()), 'application/json');
  return (
    <View
      style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
      role="region"
      aria-label="Report"
    >
      <AppText kind="title" heading={2}>
        Report
      </AppText>
      <AppText kind="small">
        The customer’s page first; then landings, settings, tests, readings, what is open, the log,
        photographs. The address is on the site’s page, your company in Settings.
      </AppText>
      <Seal jobId={jobId} unsent={unsent} />
      {waiting ? (
        <AppText color={t.amber}>
          What was changed or written last is not with the server yet: Markdown and JSON are made here and
          have it, the others do not.
        </AppText>
      ) : null}
      <View style={styles.row}>
        <ActionButton
          label="PDF"
          hint="Report as PDF"
          look="filled"
          onPress={() => void fetched(`report.pdf?${asked}`, 'report.pdf')}
          style={styles.part}
        />
        <ActionButton
          label="Markdown"
          hint="Report as Markdown"
          onPress={() => void markdown()}
          style={styles.part}
        />
        <ActionButton label="JSON" hint="Report as JSON" onPress={() => void json()} style={styles.part} />
      </View>
      <ActionButton
        label="Follow-up dates for the calendar"
        onPress={() => void fetched('follow-up.ics', 'follow-up.ics')}
      />
      <ActionButton
        label="The whole job as one file (ZIP)"
        onPress={() => void fetched('bundle.zip', 'job.zip')}
      />
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  part: { flexGrow: 1 },
});
