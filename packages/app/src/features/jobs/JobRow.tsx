import { formatDistanceToNowStrict } from 'date-fns/formatDistanceToNowStrict';
import { router } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';
import type { Job } from './api';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { AppText, Tap } from '../../basics';
import { painted } from '../../basics/painted';

export const plural = (count: number, noun: string) =>
  `${count} ${count === 1 ? noun : noun.endsWith('y') ? `${noun.slice(0, -1)}ies` : `${noun}s`}`;

/** What stands out about a job, in a few words. */
function StateWords({ job }: { job: Job }) {
  const t = useTokens();
  const [icon, ink, words] =
    job.bypasses > 0
      ? (['alert', t.red, `${plural(job.bypasses, 'safety')} bypassed`] as const)
      : job.state === 'done'
        ? (['check', t.teal, 'Done'] as const)
        : job.disagreeing > 0
          ? (['alert', t.red, `${plural(job.disagreeing, 'reading')} off`] as const)
          : job.readings > 0
            ? (['check', t.teal, `${plural(job.readings, 'reading')}, all agree`] as const)
            : (['clock', t.amber, 'Not measured yet'] as const);
  return (
    <View style={styles.state}>
      {job.isAway ? <AppText kind="small">Put away · </AppText> : null}
      <Icon name={icon} size={18} color={ink} />
      <AppText kind="strong" color={ink} style={styles.stateWords}>
        {words}
      </AppText>
    </View>
  );
}

interface JobRowProps {
  job: Job;
  /** Comes a moment before it is opened. */
  onTouched: () => void;
  onOpen: (id: string) => void;
}

/** One job in a list: a way into it. */
export const JobRow = memo(function JobRow({ job, onTouched, onOpen }: JobRowProps) {
  const t = useTokens();
  const [isOpening, setOpening] = useState(false);
  const open = async () => {
    if (isOpening) return;
    onOpen(job.id);
    // That it was pressed is seen at once; a screen takes longer to make.
    setOpening(true);
    await painted();
    router.push({ pathname: '/job/[id]', params: { id: job.id } });
    setOpening(false);
  };
  return (
    <Tap
      role="link"
      aria-label={`Open ${job.name}, ${job.site}`}
      onPressIn={onTouched}
      onPress={() => void open()}
      style={[styles.row, { backgroundColor: t.card, borderColor: isOpening ? t.copper : t.line }]}
    >
      <View style={styles.grow}>
        <AppText kind="strong" lines={1} style={styles.name}>
          {job.site}
        </AppText>
        <AppText lines={1}>{job.name}</AppText>
        <AppText kind="small" lines={2}>
          {job.system} · {formatDistanceToNowStrict(new Date(job.updatedAt), { addSuffix: true })}
        </AppText>
        <StateWords job={job} />
      </View>
      <Icon name="chevron-right" color={t.mute} />
    </Tap>
  );
});

const styles = sheet({
  row: { borderWidth: 1, borderRadius: 12, padding: 14, flexDirection: 'row', alignItems: 'center', gap: 8 },
  name: { fontSize: 18, lineHeight: 24 },
  state: { flexDirection: 'row', alignItems: 'center', gap: 8, marginTop: 6 },
  stateWords: { fontSize: 14.5, lineHeight: 18 },
  grow: { flex: 1 },
});
