import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { useTokens } from '../../theme';
import { ActionButton, AppText, Options } from '../../basics';
import { useTakePhoto } from '../photos/usePhotos';

interface TakePhotoProps {
  jobId: string;
  names: Names;
  /** What is written with it. */
  text: string;
  onTaken: () => void;
  onWrite: (body: Body) => Promise<boolean>;
}

/** A photograph for the log: of which place, and then the camera. */
export function TakePhoto({ jobId, names, text, onTaken, onWrite }: TakePhotoProps) {
  const t = useTokens();
  const { take: photograph, busy, trouble } = useTakePhoto(jobId);
  const [asking, setAsking] = useState(false);
  const { stations } = names.circuit;
  if (stations.length === 0) return null;
  const take = async (station: string) => {
    setAsking(false);
    const photo = await photograph(station);
    if (photo !== null && (await onWrite({ type: 'photographed', photo, station, text: text.trim() })))
      onTaken();
  };
  return (
    <>
      {asking ? (
        <Options<string>
          label="Of which place"
          options={Object.fromEntries(stations.map(({ id, name }) => [id, name]))}
          value=""
          onChange={(station) => void take(station)}
        />
      ) : (
        <ActionButton
          label={busy ? 'Sending…' : 'Photograph it'}
          icon="camera"
          disabled={busy}
          onPress={() => setAsking(true)}
        />
      )}
      {trouble ? (
        <View role="alert">
          <AppText color={t.red}>{trouble}</AppText>
        </View>
      ) : null}
    </>
  );
}
