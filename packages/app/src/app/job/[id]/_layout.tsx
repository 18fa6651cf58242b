import { Slot, useLocalSearchParams } from 'expo-router';
import { later } from '../../../features/later';

const OpenJob = later(({ OpenJob }) => OpenJob);

export default function JobLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <OpenJob id={id}>
      <Slot />
    </OpenJob>
  );
}
