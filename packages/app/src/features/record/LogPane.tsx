import { useState } from 'react';
import { Image, View } from 'react-native';
import type { Entry } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { earlierIn, entryText, writtenByText } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field } from '../../basics';
import { usePhotoUrls } from '../photos/photo-url';
import { TakePhoto } from './TakePhoto';
import { useWrite } from './useRecord';
import { whenInYearText } from '../../basics/when';

/** Lines shown before more are asked for. */
const FIRST = 50;

interface LogPaneProps {
  jobId: string;
  names: Names;
  entries: readonly Entry[];
}

/** Everything that was written of a job, the newest first; and one more line. */
export function LogPane({ jobId, names, entries }: LogPaneProps) {
  const t = useTokens();
  const urls = usePhotoUrls();
  const write = useWrite(jobId);
  const [text, setText] = useState('');
  const [all, setAll] = useState(false);
  const earlier = earlierIn(entries);
  const note = async () => {
    if (await write({ type: 'note', text: text.trim() })) setText((now) => (now === text ? '' : now));
  };
  const newest = [...entries].reverse();
  const shown = all ? newest : newest.slice(0, FIRST);
  return (
    <>
      <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
        <Field label="A line for the log" value={text} most={2000} multiline onChange={setText} />
        <TakePhoto jobId={jobId} names={names} text={text} onTaken={() => setText('')} onWrite={write} />
        <ActionButton
          label="Log it"
          look="filled"
          disabled={text.trim() === ''}
          onPress={() => void note()}
        />
      </View>
      {entries.length === 0 ? <AppText>Nothing was written yet.</AppText> : null}
      <View role="list" aria-label="Log" style={styles.list}>
        {shown.map(({ id, at, by, body, broughtBy = null }) => (
          <View key={id} role="listitem" style={[styles.line, { borderColor: t.line }]}>
            <AppText kind="small">{`${whenInYearText(at)} · ${writtenByText({ by, broughtBy })}`}</AppText>
            <AppText>{entryText(names, body, earlier)}</AppText>
            {body.type === 'photographed' ? (
              <Image
                aria-label={body.text || 'Photograph'}
                source={{ uri: urls.of(jobId, body.photo) }}
                style={styles.photo}
              />
            ) : null}
          </View>
        ))}
      </View>
      {!all && newest.length > FIRST ? (
        <ActionButton label={`All ${newest.length}`} look="plain" onPress={() => setAll(true)} />
      ) : null}
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  list: { gap: 0 },
  photo: { width: 160, height: 120, borderRadius: 8, marginTop: 4 },
  line: { borderBottomWidth: 1, paddingVertical: 8, gap: 2 },
});
