import { useAppStore } from '../../store';
import { router, useLocalSearchParams } from 'expo-router';
import { useCallback, useDeferredValue, useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { problemOf } from '../../store/api';
import { useListBypassesQuery, useListJobsQuery, useListPanelsQuery } from './api';
import { openSoon, readBeyond, useReadEarly } from '../later';
import { SearchField } from './SearchField';
import { JobRow, plural } from './JobRow';
import { sheet, useTokens } from '../../theme';
import { timeText, whenInYearText } from '../../basics/when';
import { ActionButton, Column, Waiting, AppText, Tap } from '../../basics';

/** Safeties that are bypassed anywhere, the first to be gone first: nobody opens the app without seeing them. */
function Bypassed() {
  const t = useTokens();
  const { data = [] } = useListBypassesQuery(undefined);
  if (data.length === 0) return null;
  return (
    <View
      role="region"
      aria-label="Bypassed"
      style={[styles.bypassed, { backgroundColor: t.redSoft, borderColor: t.red }]}
    >
      <AppText kind="strong" color={t.red}>
        {`${plural(data.length, 'safety')} bypassed`}
      </AppText>
      {data.map(({ bypass, job, name, site, label, by, to, until }) => (
        <Tap
          key={`${job} ${bypass}`}
          role="link"
          aria-label={`Bypass of ${label}, ${site}`}
          onPress={() => router.push({ pathname: '/job/[id]/record', params: { id: job } })}
          style={styles.bypass}
        >
          <AppText kind="strong">{`${label} · ${site}, ${name}`}</AppText>
          <AppText kind="small">{`${to ?? by}. Remove the bypass by ${whenInYearText(until)}`}</AppText>
        </Tap>
      ))}
    </View>
  );
}

/** Fire panels that are on test: until they are off it nobody comes for a fire. */
function OnTestPanels() {
  const t = useTokens();
  const { data = [] } = useListPanelsQuery(undefined);
  const on = data.filter(({ onTestUntil }) => onTestUntil !== null);
  if (on.length === 0) return null;
  return (
    <View
      role="region"
      aria-label="On test"
      style={[styles.bypassed, { backgroundColor: t.amberSoft, borderColor: t.amber }]}
    >
      {on.map(({ id, name, onTestUntil }) => (
        <Tap
          key={id}
          role="link"
          aria-label={`Fire panel of ${name}, on test`}
          onPress={() => router.push({ pathname: '/site/[id]', params: { id } })}
          style={styles.bypass}
        >
          <AppText kind="strong" color={t.amber}>{`Fire panel on test: ${name}`}</AppText>
          <AppText kind="small">
            {`On test until ${timeText(onTestUntil!)}. Until then no one responds to a fire alarm.`}
          </AppText>
        </Tap>
      ))}
    </View>
  );
}

/** Every job, newest first, with search and a way to a new one. */
export function JobList() {
  const store = useAppStore();
  const open = useCallback((id: string) => openSoon(store, id), [store]);
  const readEarly = useCallback(() => void readBeyond(store), [store]);
  const { search: given } = useLocalSearchParams<{ search?: string }>();
  const [search, setSearch] = useState(given ?? '');
  const asked = useDeferredValue(search.trim().slice(0, 100));
  const [isAway, setAway] = useState(false);
  const { data, isLoading, error, refetch } = useListJobsQuery({
    ...(asked && { search: asked }),
    ...(isAway && { away: true }),
  });
  // In the address as well: it is there again after a job was looked at, and after a reload.
  useEffect(() => {
    if (asked !== (given ?? '')) router.setParams({ search: asked || undefined });
  }, [asked, given]);
  const beyond = useReadEarly(data !== undefined || error !== undefined);
  return (
    <Column>
      <View style={styles.head}>
        <View style={styles.grow}>
          <AppText kind="title" heading={1} style={styles.brand}>
            Zygostat
          </AppText>
          <AppText kind="small">24 V control circuits, live</AppText>
        </View>
        <ActionButton
          label="Settings"
          icon="settings"
          look="plain"
          iconOnly
          onPress={() => router.push('/settings')}
        />
      </View>
      <SearchField label="Search jobs and sites" value={search} onChange={setSearch} />
      <ScrollView style={styles.grow} contentContainerStyle={styles.list}>
        {isLoading ? <Waiting label="Loading jobs" /> : null}
        {error && !data ? (
          <View style={styles.empty}>
            <AppText>{problemOf(error).detail}</AppText>
            <ActionButton label="Try again" onPress={() => void refetch()} />
          </View>
        ) : null}
        {data?.length === 0 ? (
          <View style={styles.empty}>
            <AppText>
              {asked
                ? `No job or site matches “${asked}”.`
                : isAway
                  ? 'No job is put away.'
                  : 'No jobs yet. Begin one from the system in front of you.'}
            </AppText>
          </View>
        ) : null}
        {beyond && !isAway ? <beyond.FirstPage listed={new Set(data?.map(({ id }) => id))} /> : null}
        <Bypassed />
        <OnTestPanels />
        <View role="list" style={styles.items}>
          {data?.map((job) => (
            <View key={job.id} role="listitem">
              <JobRow job={job} onTouched={readEarly} onOpen={open} />
            </View>
          ))}
        </View>
        <ActionButton
          label={isAway ? 'Back to the jobs in hand' : 'Jobs put away'}
          icon={isAway ? 'back' : 'archive'}
          look="plain"
          onPress={() => setAway(!isAway)}
        />
      </ScrollView>
      <View style={styles.foot}>
        <ActionButton
          label="New job"
          icon="plus"
          look="filled"
          onPress={() => router.push('/new')}
          style={styles.new}
        />
      </View>
    </Column>
  );
}

const styles = sheet({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingHorizontal: 16,
    paddingTop: 14,
    paddingBottom: 8,
  },
  brand: { fontSize: 26, lineHeight: 32 },
  list: { padding: 12, gap: 8 },
  items: { gap: 10 },
  bypassed: { borderWidth: 1.5, borderRadius: 12, padding: 12, gap: 8, marginBottom: 10 },
  bypass: { minHeight: 44, justifyContent: 'center' },
  empty: { padding: 20, gap: 12, alignItems: 'center' },
  foot: { padding: 12 },
  new: { minHeight: 52 },
  grow: { flex: 1 },
});
