import { View } from 'react-native';
import { expectedRange } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { nodeName } from '@zygostat/core/circuit';
import type { MeterMode } from '@zygostat/core/network';
import { METER_MODES } from '@zygostat/core/network';
import { misuseText, showQuantity } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Probe } from '../bench/slice';
import { meterSet, probeArmed } from '../bench/slice';
import { useHand } from '../settings/useHand';
import { sheetOpened } from '../trace/slice';
import { FONTS, sheet, SIZE, useTokens } from '../../theme';
import { AppText, Tap } from '../../basics';

const MODE_NAMES: Record<MeterMode, string> = { 'ac-volts': 'V~', 'dc-volts': 'V⎓', ohms: 'Ω', amps: 'A~' };
const MODE_WORDS: Record<MeterMode, string> = {
  'ac-volts': 'volts a.c.',
  'dc-volts': 'volts d.c.',
  ohms: 'ohms',
  amps: 'amperes, meter in series',
};

const nextMode = (mode: MeterMode) => METER_MODES[(METER_MODES.indexOf(mode) + 1) % METER_MODES.length]!;

/** @param alone - nothing is probed yet: its name is enough */
function ProbePlace({ probe, circuit, alone = false }: { probe: Probe; circuit: Circuit; alone?: boolean }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const node = useAppSelector(({ bench }) => bench.meter[probe]);
  const armed = useAppSelector(({ bench }) => bench.armed === probe);
  const place = node === null ? null : nodeName(circuit, node);
  return (
    <Tap
      role="button"
      aria-label={`${probe === 'red' ? 'Red' : 'Black'} probe ${place ? `on ${place}` : 'not placed'}. Pick it up`}
      aria-pressed={armed}
      testID={`probe-${probe}`}
      onPress={() => dispatch(probeArmed(armed ? null : probe))}
      style={[styles.place, armed ? { backgroundColor: t.copper } : null]}
    >
      <View
        style={[
          styles.tip,
          { backgroundColor: probe === 'red' ? '#D6453C' : '#000000', borderColor: t.meterInk },
        ]}
      />
      <AppText color={t.meterInk} lines={1} style={styles.placeText}>
        {armed ? 'tap a stud' : (place ?? (alone ? probe : `${probe}: place it`))}
      </AppText>
    </Tap>
  );
}

/** The meter: two probe places, the reading, what a healthy circuit gives, and a button to log. Never scrolls away. */
export function MeterBar({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const hand = useHand();
  const dispatch = useAppDispatch();
  const { mode, kind, red, black } = useAppSelector(({ bench }) => bench.meter);
  const reading = useAppSelector(({ bench }) => bench.reading);
  const armed = useAppSelector(({ bench }) => bench.armed);
  const placed = red !== null && black !== null;
  const shown = reading?.ok ? showQuantity(reading.value, reading.unit) : null;
  const range = reading?.ok ? expectedRange(reading.value, reading.unit) : null;
  const aside = !placed
    ? 'place both probes'
    : reading && !reading.ok
      ? misuseText(reading.misuse)
      : range && reading?.ok
        ? reading.value === Infinity
          ? 'expected open loop'
          : `expected ${showQuantity(range.low, reading.unit).figure}–${showQuantity(range.high, reading.unit).figure}`
        : '';
  const modeButton = (
    <Tap
      role="button"
      aria-label={`Meter on ${MODE_WORDS[mode]}. Change`}
      testID="meter-mode"
      onPress={() => dispatch(meterSet({ mode: nextMode(mode) }))}
      style={[styles.mode, { borderColor: t.meterMute }]}
    >
      <AppText kind="figure" color={t.meterInk}>
        {shown && mode !== 'ac-volts' && mode !== 'dc-volts' ? shown.unit : MODE_NAMES[mode]}
      </AppText>
    </Tap>
  );
  if (red === null && black === null && armed === null)
    return (
      <View
        style={[styles.line, styles.rest, hand, { backgroundColor: t.meter }]}
        role="region"
        aria-label="Meter"
      >
        <ProbePlace probe="red" circuit={circuit} alone />
        <ProbePlace probe="black" circuit={circuit} alone />
        <AppText kind="small" color={t.meterMute} style={styles.invite}>
          place a probe
        </AppText>
        {modeButton}
      </View>
    );
  return (
    <View style={[styles.bar, hand, { backgroundColor: t.meter }]} role="region" aria-label="Meter">
      <View style={styles.places}>
        <ProbePlace probe="red" circuit={circuit} />
        <ProbePlace probe="black" circuit={circuit} />
      </View>
      <View style={styles.middle}>
        <View style={styles.line}>
          <AppText color={t.meterInk} style={styles.reading}>
            {placed ? (shown?.figure ?? '––') : '––'}
          </AppText>
          {modeButton}
        </View>
        <View aria-live="polite">
          <AppText
            kind="small"
            color={t.meterMute}
            lines={reading && !reading.ok ? 3 : 1}
            style={styles.aside}
          >
            {aside}
          </AppText>
        </View>
      </View>
      <View style={styles.buttons}>
        <Tap
          role="button"
          aria-label="Log what your meter reads"
          disabled={!placed || !reading?.ok}
          onPress={() => red && black && dispatch(sheetOpened({ type: 'log', red, black }))}
          style={[styles.log, { backgroundColor: t.copper }, !placed || !reading?.ok ? styles.faded : null]}
        >
          <AppText kind="strong" color={t.onCopper}>
            Log
          </AppText>
        </Tap>
        <Tap
          role="button"
          aria-label={
            kind === 'high-z'
              ? 'Hi-Z: high-impedance meter. Change to low'
              : 'Lo-Z: low-impedance meter. Change to high'
          }
          aria-pressed={kind === 'low-z'}
          testID="meter-kind"
          onPress={() => dispatch(meterSet({ kind: kind === 'high-z' ? 'low-z' : 'high-z' }))}
          style={styles.kind}
        >
          <AppText kind="small" color={t.meterInk}>
            {kind === 'high-z' ? 'Hi-Z' : 'Lo-Z'}
          </AppText>
        </Tap>
      </View>
    </View>
  );
}

const styles = sheet({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    paddingHorizontal: 8,
    paddingVertical: 4,
    gap: 8,
    minHeight: 96,
  },
  rest: { paddingHorizontal: 8, minHeight: 46 },
  invite: { flex: 1, textAlign: 'right' },
  places: { width: 142 },
  place: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    borderRadius: 8,
    minWidth: 72,
    paddingHorizontal: 6,
  },
  tip: { width: 14, height: 14, borderRadius: 7, borderWidth: 1.5 },
  placeText: { flexShrink: 1, fontSize: 14.5, lineHeight: 18 },
  middle: { flex: 1, alignItems: 'center' },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  reading: {
    fontFamily: FONTS.condensed,
    fontSize: SIZE.reading,
    lineHeight: 40,
    fontVariant: ['tabular-nums'],
  },
  mode: {
    minWidth: 44,
    minHeight: 44,
    borderWidth: 1,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  aside: { textAlign: 'center' },
  buttons: { width: 60, gap: 8 },
  log: { height: 44, borderRadius: 10, alignItems: 'center', justifyContent: 'center' },
  faded: { opacity: 0.45 },
  kind: { height: 44, alignItems: 'center', justifyContent: 'center' },
});
