import { useLocalSearchParams } from 'expo-router';
import { OpenJob } from '../../components/jobs/OpenJob';

export default function JobRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <OpenJob id={id} />;
}
