import { Slot, useLocalSearchParams } from 'expo-router';
import { OpenJob } from '../../../components/jobs/OpenJob';

export default function JobLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <OpenJob id={id}>
      <Slot />
    </OpenJob>
  );
}
