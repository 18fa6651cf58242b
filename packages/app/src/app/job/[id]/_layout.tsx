import { Slot, useLocalSearchParams } from 'expo-router';
import { later } from '../../../features/later';

const JobPlaces = later(({ JobPlaces }) => JobPlaces);

/** The places of a job are entries to go back to; what shows them stands through every step. */
export default function JobLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <>
      <JobPlaces id={id} />
      <Slot />
    </>
  );
}
