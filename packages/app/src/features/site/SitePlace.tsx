import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { List } from '@zygostat/core/building';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { ActionButton, AppText, Column, PageHead, Waiting, Tap } from '../../basics';
import { problemOf } from '../../store/api';
import { useSiteQuery } from '../jobs/api';
import { Addressed } from '../job/Addressed';
import { useView } from '../job/address';
import { Steps } from '../job/Steps';
import { HoldSite } from '../hold/HoldSite';
import { Asked } from '../job/Asked';
import { useLive } from '../live/useLive';
import { buildingDocument } from './document';
import { Address } from './Address';
import { LeftBehind } from '../record/LeftBehind';
import { AirPane } from './AirPane';
import { MapPane } from './MapPane';
import { ThingSheet } from './ThingSheet';
import { useBuilding } from './useBuilding';
import { WalkPane } from './WalkPane';

const TITLES = { walk: 'Walk', map: 'Map', air: 'Air', jobs: 'Jobs' } as const;

/** The jobs of a site, each a way into it. */
function Jobs({ id }: { id: string }) {
  const t = useTokens();
  const { data } = useSiteQuery(id);
  return (
    <View role="list" aria-label="Jobs here" style={styles.column}>
      {data?.jobs.map((job) => (
        <View key={job.id} role="listitem">
          <Tap
            role="link"
            aria-label={`Open ${job.name}`}
            onPress={() => router.push({ pathname: '/job/[id]', params: { id: job.id } })}
            style={[styles.job, { backgroundColor: t.card, borderColor: t.line }]}
          >
            <View style={styles.grow}>
              <AppText kind="strong">{job.name}</AppText>
              <AppText kind="small">{job.system}</AppText>
            </View>
            <Icon name="chevron-right" color={t.mute} />
          </Tap>
        </View>
      ))}
    </View>
  );
}

/** What there is of a site: walked before anything is reset, what hangs on what, its air, its jobs. */
function Site({ id }: { id: string }) {
  const { data: site, error, refetch } = useSiteQuery(id);
  const { building, ready, change } = useBuilding(id);
  useLive(id, 'sites');
  const [step = 'walk', setStep] = useView<keyof typeof TITLES>(TITLES);
  const [at, setAt] = useState<{ list: List; id: string } | null>(null);
  if (!site || !ready)
    return (
      <Column>
        {error ? (
          <View style={styles.column}>
            <AppText>{problemOf(error).detail}</AppText>
            <ActionButton label="Try again" onPress={() => void refetch()} />
            <ActionButton label="All jobs" look="filled" onPress={() => router.dismissTo('/')} />
          </View>
        ) : (
          <Waiting label="Opening the site" />
        )}
      </Column>
    );
  return (
    <Column>
      <PageHead title={site.name} hint="Back to jobs" onBack={() => router.dismissTo('/')} />
      <Steps label="Site" titles={TITLES} here={step} onGo={setStep} />
      <ScrollView style={styles.grow} contentContainerStyle={styles.column}>
        <Asked document={buildingDocument} ownerId={id} />
        {step === 'walk' ? (
          <WalkPane building={building} change={change} onOpen={setAt} />
        ) : step === 'map' ? (
          <MapPane building={building} onOpen={setAt} />
        ) : step === 'air' ? (
          <AirPane building={building} onOpen={setAt} />
        ) : (
          <>
            <Address siteId={id} address={site.address} />
            <HoldSite siteId={id} jobIds={site.jobs.map((job) => job.id)} />
            <Jobs id={id} />
          </>
        )}
      </ScrollView>
      {at ? (
        <ThingSheet
          jobs={site.jobs}
          building={building}
          at={at}
          onChange={change}
          onClose={() => setAt(null)}
        />
      ) : null}
    </Column>
  );
}

/** A site, in the view its address names. */
export function SitePlace({ id }: { id: string }) {
  return (
    <Addressed base={`/site/${id}`}>
      <LeftBehind />
      <Site id={id} />
    </Addressed>
  );
}

const styles = sheet({
  column: { padding: 12, gap: 12 },
  job: { flexDirection: 'row', alignItems: 'center', gap: 8, borderWidth: 1, borderRadius: 12, padding: 14 },
  grow: { flex: 1 },
});
