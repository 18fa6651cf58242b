import { View } from 'react-native';
import type { Balance, Building, List } from '@zygostat/core/building';
import { airOf } from '@zygostat/core/building';
import { AIR_KIND, airTexts, showFlow } from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

const RUNS = { on: 'all the time', auto: 'on auto', off: 'not running' } as const;

/** Out against in, as two bars on one scale. */
function Bars({ label, balance, most }: { label: string; balance: Balance; most: number }) {
  const t = useTokens();
  const length = useAppSelector(({ settings }) => settings.length);
  const bar = (name: string, flow: number, fill: string) => (
    <View style={styles.bar}>
      <AppText kind="small" style={styles.name}>
        {name}
      </AppText>
      <View style={[styles.track, { backgroundColor: t.idle }]}>
        <View
          style={{ width: `${most > 0 ? (flow / most) * 100 : 0}%`, height: 14, backgroundColor: fill }}
        />
      </View>
      <AppText kind="figure">{showFlow(flow, length)}</AppText>
    </View>
  );
  return (
    <View role="group" aria-label={label}>
      <AppText kind="small">{label}</AppText>
      {bar('Out', balance.exhaust, t.copper)}
      {bar('In', balance.supply, t.teal)}
    </View>
  );
}

interface AirPaneProps {
  building: Building;
  onOpen: (at: { list: List; id: string }) => void;
}

/** Air out of the building against air in: under pressure or not, what that explains, what is idle. */
export function AirPane({ building, onOpen }: AirPaneProps) {
  const t = useTokens();
  const length = useAppSelector(({ settings }) => settings.length);
  if (building.air.length === 0)
    return (
      <AppText>
        No fan or damper was written down yet. Add exhaust fans, make-up air and outdoor-air dampers on the
        walk, with what each moves.
      </AppText>
    );
  const air = airOf(building);
  const most = Math.max(...[air.between, air.running].flatMap(({ exhaust, supply }) => [exhaust, supply]), 0);
  const [first, ...more] = airTexts(building, air);
  return (
    <View style={styles.list}>
      <AppText kind="title" heading={2} color={air.between.state === 'under' ? t.red : t.ink}>
        {first}
      </AppText>
      {more.map((text) => (
        <AppText key={text}>{text}</AppText>
      ))}
      <Bars label="Between calls" balance={air.between} most={most} />
      <Bars label="With fans on auto running" balance={air.running} most={most} />
      {building.air.map(({ id, label, kind, flow, runs }) => (
        <View key={id} style={[styles.line, { borderColor: t.line }]}>
          <View style={styles.grow}>
            <AppText kind="strong">{label}</AppText>
            <AppText kind="small">
              {`${AIR_KIND[kind]} · ${showFlow(flow, length)} · ${runs ? RUNS[runs] : 'not looked at'}`}
            </AppText>
          </View>
          <ActionButton label="Change" hint={`Change ${label}`} onPress={() => onOpen({ list: 'air', id })} />
        </View>
      ))}
    </View>
  );
}

const styles = sheet({
  list: { gap: 10 },
  bar: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 26 },
  name: { width: 32 },
  track: { flex: 1, height: 14, borderRadius: 3, overflow: 'hidden' },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, borderBottomWidth: 1, paddingVertical: 6 },
  grow: { flex: 1 },
});
