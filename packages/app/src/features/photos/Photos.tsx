import { useState } from 'react';
import { Image, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Photo } from './api';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Tap } from '../../basics';
import { PhotoSheet } from './PhotoSheet';
import { usePhotoUrls } from './photo-url';
import { usePhotos, useTakePhoto } from './usePhotos';

/** Photographs by station, with pins on terminals. */
export function Photos({ jobId, circuit }: { jobId: string; circuit: Circuit }) {
  const t = useTokens();
  const urls = usePhotoUrls();
  const photos = usePhotos(jobId);
  const { take, busy, trouble } = useTakePhoto(jobId);
  const [open, setOpen] = useState<string | null>(null);
  const opened = photos.find(({ id }) => id === open);
  if (circuit.stations.length === 0)
    return <AppText>Identify the system first: its places follow from it.</AppText>;
  return (
    <>
      <AppText kind="small">Before a wire moves. Where it was taken is stripped from the file.</AppText>
      {trouble ? (
        <View role="alert">
          <AppText color={t.red}>{trouble}</AppText>
        </View>
      ) : null}
      {circuit.stations.map(({ id, name }) => (
        <View key={id} style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
          <View style={styles.row}>
            <AppText kind="strong" heading={2} style={styles.grow}>
              {name}
            </AppText>
            <ActionButton
              label={busy ? 'Sending…' : 'Photograph'}
              hint={`Photograph ${name}`}
              icon="camera"
              disabled={busy}
              onPress={() => void take(id)}
            />
          </View>
          <View style={styles.thumbs}>
            {photos
              .filter(({ station }) => station === id)
              .map((photo: Photo, i) => (
                <Tap
                  key={photo.id}
                  role="button"
                  aria-label={`Open photograph ${i + 1} of ${name}, ${photo.pins.length} pins`}
                  onPress={() => setOpen(photo.id)}
                >
                  <Image source={{ uri: urls.of(jobId, photo.id) }} style={styles.thumb} alt="" />
                </Tap>
              ))}
          </View>
        </View>
      ))}
      {opened ? (
        <PhotoSheet jobId={jobId} circuit={circuit} photo={opened} onClose={() => setOpen(null)} />
      ) : null}
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  grow: { flex: 1 },
  thumbs: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  thumb: { width: 104, height: 78, borderRadius: 8 },
});
