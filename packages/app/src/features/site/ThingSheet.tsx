import { router } from 'expo-router';
import type { Building, List, Things } from '@zygostat/core/building';
import { changedThing, without } from '@zygostat/core/building';
import { ActionButton, BottomSheet, Field } from '../../basics';
import { AirForm, DetectorForm, StationForm, ThermostatForm, UnitForm } from './Forms';
import { LISTS } from './lists';

interface ThingSheetProps {
  jobs: readonly { id: string; name: string }[];
  building: Building;
  at: { list: List; id: string };
  onChange: (to: (building: Building) => Building) => void;
  onClose: () => void;
}

/** Everything of one thing of a building: what it is called, what was seen, what it hangs on; and away with it. */
export function ThingSheet({ jobs, building, at: { list, id }, onChange, onClose }: ThingSheetProps) {
  const found = building[list].find((one) => one.id === id);
  if (!found) return null;
  const set = (change: Partial<Things[List]>) => onChange((now) => changedThing(now, list, id, change));
  const form = <K extends List>() => ({ building, thing: found as unknown as Things[K], onChange: set });
  return (
    <BottomSheet title={found.label} subtitle={LISTS[list].one} onClose={onClose}>
      <Field
        label="Called"
        value={found.label}
        most={80}
        onChange={(label) => (label.trim() === '' ? undefined : set({ label }))}
      />
      {list === 'units' ? (
        <>
          <UnitForm jobs={jobs} {...form<'units'>()} />
          {jobs.some(({ id: one }) => one === (found as Things['units']).job) ? (
            <ActionButton
              label="Open its job"
              onPress={() =>
                router.push({ pathname: '/job/[id]', params: { id: (found as Things['units']).job! } })
              }
            />
          ) : null}
        </>
      ) : list === 'detectors' ? (
        <DetectorForm {...form<'detectors'>()} />
      ) : list === 'stations' ? (
        <StationForm {...form<'stations'>()} />
      ) : list === 'thermostats' ? (
        <ThermostatForm {...form<'thermostats'>()} />
      ) : (
        <AirForm {...form<'air'>()} />
      )}
      <ActionButton
        label="Not there: take it out"
        icon="delete"
        look="plain"
        onPress={() => {
          onClose();
          onChange((now) => without(now, id));
        }}
      />
    </BottomSheet>
  );
}
