import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { pickFile } from '../../basics/pickFile';
import { problemOf } from '../../store/api';
import { useTokens } from '../../theme';
import { ActionButton, AppText, Options } from '../../basics';
import { useAddPhotoMutation } from '../survey/api';

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
  const [addPhoto, { isLoading }] = useAddPhotoMutation();
  const [asking, setAsking] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { stations } = names.circuit;
  if (stations.length === 0) return null;
  const take = async (station: string) => {
    setTrouble(null);
    setAsking(false);
    const file = await pickFile('image/*', true);
    if (!file) return;
    const { data, error } = await addPhoto({ id: jobId, station, file });
    if (!data) return setTrouble(problemOf(error).detail);
    if (await onWrite({ type: 'photographed', photo: data.id, station, text: text.trim() })) onTaken();
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
          label={isLoading ? 'Sending…' : 'Photograph it'}
          icon="camera"
          disabled={isLoading}
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
