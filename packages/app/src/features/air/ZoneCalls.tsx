import { View } from 'react-native';
import type { ZoneAir } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Names } from '@zygostat/core/words';
import { zoneTitle } from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Call } from '../bench/calls';
import { pressZone, zoneCalls } from '../bench/calls';
import { controlSet } from '../bench/slice';
import { sheet } from '../../theme';

const CALLS: Readonly<Record<Call, string>> = { off: 'Off', fan: 'Fan', heat: 'Heat', cool: 'Cool' };

interface ZoneCallsProps {
  circuit: Circuit;
  zones: readonly ZoneAir[];
  names: Names;
}

/** Calls of each zone by itself. */
export function ZoneCalls({ circuit, zones, names }: ZoneCallsProps) {
  const dispatch = useAppDispatch();
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  return zones.map((zone) => {
    const active = zoneCalls(circuit, inputs, zone.thermostats);
    const title = zoneTitle(names, zone);
    return zone.thermostats.length === 0 ? (
      <AppText key={zone.zone} kind="small">
        {`Zone ${zone.zone} has no thermostat: say on a thermostat’s sheet which zone it hangs in.`}
      </AppText>
    ) : (
      <View key={zone.zone} role="group" aria-label={`Calls of ${title}`}>
        <AppText kind="small">{title}</AppText>
        {zone.damper === null ? (
          <AppText kind="small">
            {`Zone ${zone.zone} has no damper: its duct is always open. Say on a damper’s sheet which duct it sits in.`}
          </AppText>
        ) : null}
        <View style={styles.row}>
          {(Object.keys(CALLS) as Call[]).map((call) => (
            <ActionButton
              key={call}
              label={CALLS[call]}
              hint={`Zone ${zone.zone}: ${CALLS[call]}`}
              pressed={active.has(call)}
              onPress={() =>
                pressZone(circuit, inputs, zone.thermostats, call).forEach((change) =>
                  dispatch(controlSet(change)),
                )
              }
              style={styles.call}
            />
          ))}
        </View>
      </View>
    );
  });
}

const styles = sheet({
  row: { flexDirection: 'row', gap: 8 },
  call: { flex: 1 },
});
