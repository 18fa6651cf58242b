import { Fragment } from 'react';
import { ScrollView, View } from 'react-native';
import { backOr } from '../../basics/back';
import { download, fileName } from '../../basics/download';
import type { Waiting } from '@zygostat/core/sync';
import { UNREADABLE, keyOf } from '@zygostat/core/sync';
import { happened } from '../../documents/happened';
import { BEGUN } from '../../documents/slice';
import { useAppDispatch, useAppStore } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Column, PageHead } from '../../basics';
import { sendAgain } from '../job/start';
import { jobOf } from '../jobs/begun';
import { useListJobsQuery } from '../jobs/api';
import { useWaiting } from './useWaiting';
import { sinceText, whatText } from './words';

const CANNOT_READ = 'This version of the app cannot read it. Save it as a file before letting it go.';

/** One thing that waits; what was refused is sent again, saved as a file, or let go. */
function Item({ waiting }: { waiting: Waiting }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { name, value, refused, isKept } = waiting;
  const since = sinceText(waiting);
  const what = whatText(waiting);
  const key = keyOf(waiting);
  const isReadable = !name.endsWith('-aside');
  return (
    <View
      role="listitem"
      style={[styles.item, { backgroundColor: t.card, borderColor: refused ? t.red : t.line }]}
    >
      <AppText kind="strong">{what}</AppText>
      <AppText kind="small">
        {refused
          ? `Not taken: ${refused === UNREADABLE ? CANNOT_READ : refused}`
          : `${since ? `Since ${since}, waiting` : 'Waiting'} for an answer${isKept ? '' : '; in this page alone'}`}
      </AppText>
      {refused ? (
        <View style={styles.row}>
          {isReadable ? (
            <ActionButton label="Send again" onPress={() => dispatch(happened({ type: 'again', key }))} />
          ) : null}
          <ActionButton
            label="Save as a file"
            onPress={() =>
              download(`${fileName(what)}.json`, JSON.stringify(value, null, 2), 'application/json')
            }
          />
          <ActionButton label="Let it go" onPress={() => dispatch(happened({ type: 'let-go', key }))} />
        </View>
      ) : null}
    </View>
  );
}

/** All that this browser keeps and the server has not had: by job, in the order it came about. */
export function OutboxPlace() {
  const store = useAppStore();
  const waiting = useWaiting();
  const { data: jobs } = useListJobsQuery({});
  const nameOf = (jobId: string) => {
    const begun = waiting.find(({ name, id }) => name === BEGUN && id === jobId);
    const job = (begun && jobOf(begun)) ?? jobs?.find(({ id, siteId }) => id === jobId || siteId === jobId);
    return job ? `${job.site}, ${job.name}` : 'A job that is not in the list';
  };
  const owners = [...new Set(waiting.map(({ owner }) => owner))];
  return (
    <Column>
      <PageHead title="Not sent yet" onBack={backOr('/')} />
      <ScrollView contentContainerStyle={styles.list}>
        <AppText>
          {waiting.length === 0
            ? 'Nothing waits: all that was done here is with the server.'
            : 'It is kept in this browser until the server has taken it, and sent by itself when there is an answer, each job in its order.'}
        </AppText>
        {owners.map((owner) => (
          <Fragment key={owner}>
            <AppText kind="strong" heading={2}>
              {nameOf(owner)}
            </AppText>
            <View role="list" style={styles.items}>
              {waiting
                .filter((one) => one.owner === owner)
                .map((one) => (
                  <Item key={`${one.name} ${one.id}`} waiting={one} />
                ))}
            </View>
          </Fragment>
        ))}
        {waiting.length > 0 ? (
          <ActionButton label="Try now" look="filled" onPress={() => void sendAgain(store)} />
        ) : null}
      </ScrollView>
    </Column>
  );
}

const styles = sheet({
  list: { padding: 16, gap: 12 },
  items: { gap: 8 },
  item: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
