import { useLocalSearchParams } from 'expo-router';
import { later } from '../../features/later';

const SitePlace = later(({ SitePlace }) => SitePlace);

export default function SiteRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SitePlace id={id} />;
}
