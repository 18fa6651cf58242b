import { StyleSheet, View } from 'react-native';
import { useAppSelector } from '../../store';
import { useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Seal } from './Seal';

/** What leaves the job: the report as it is printed, read and computed with; its dates; the whole of it in one file. */
export function PapersCard({ jobId, unsent }: { jobId: string; unsent: number }) {
  const t = useTokens();
  const { temperature, length, gauge } = useAppSelector(({ settings }) => settings);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const asked = new URLSearchParams({ zone, temperature, length, gauge }).toString();
  const waiting = useAppSelector(({ saving }) => saving.state !== 'saved') || unsent > 0;
  const open = (path: string) =>
    window.open(`/api/jobs/${encodeURIComponent(jobId)}/${path}`, '_blank', 'noopener');
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
        photographs.
      </AppText>
      <Seal jobId={jobId} />
      {waiting ? (
        <AppText color={t.amber}>What was changed or written last is not saved yet, and not in it.</AppText>
      ) : null}
      <View style={styles.row}>
        <ActionButton
          label="PDF"
          hint="Report as PDF"
          look="filled"
          onPress={() => open(`report.pdf?${asked}`)}
          style={styles.part}
        />
        <ActionButton
          label="Markdown"
          hint="Report as Markdown"
          onPress={() => open(`report.md?${asked}`)}
          style={styles.part}
        />
        <ActionButton
          label="JSON"
          hint="Report as JSON"
          onPress={() => open('report.json')}
          style={styles.part}
        />
      </View>
      <ActionButton label="Follow-up dates for the calendar" onPress={() => open('follow-up.ics')} />
      <ActionButton label="The whole job as one file (ZIP)" onPress={() => open('bundle.zip')} />
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', gap: 6 },
  part: { flexGrow: 1 },
});
