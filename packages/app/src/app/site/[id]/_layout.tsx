import { Slot, useLocalSearchParams } from 'expo-router';
import { later } from '../../../features/later';

const SitePlace = later(({ SitePlace }) => SitePlace);

/** Views of one site are entries to go back to; what shows them stands through every step. */
export default function SiteLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <>
      <SitePlace id={id} />
      <Slot />
    </>
  );
}
