import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { expectedRange } from '@zygostat/core/behaviour';
import type { Body, CommissionTest, ExpectedVolts, Outcome } from '@zygostat/core/record';
import { LIVE_DEAD_LIVE } from '@zygostat/core/record';
import { DEAD_VOLTS } from '@zygostat/core/standards';
import type { Names } from '@zygostat/core/words';
import {
  loadText,
  showAmps,
  showDuration,
  showTemperature,
  showVolts,
  testHow,
  testTitle,
  violationText,
} from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field, Options } from '../../basics';
import { Countdown } from './Countdown';
import type { When } from './until';
import { WHEN, untilOf } from './until';
import { Writer } from './Writer';
import { useWriterName } from './writer-name';

const OUTDOORS = { warm: 'At or above it', cold: 'Colder' } as const;

interface TestCardProps {
  test: CommissionTest;
  /** "Test 6 of 11". */
  at: string;
  names: Names;
  onWrite: (body: Body) => Promise<boolean>;
}

interface Line {
  what: string;
  should: string;
  /** Volts to be read there, where a figure is asked for. */
  read?: ExpectedVolts;
}

const rangeText = (value: number, unit: 'V' | 'A') => {
  const { low, high } = expectedRange(value, unit);
  return unit === 'V' ? `${showVolts(low)}–${showVolts(high)} V` : `${showAmps(low)} – ${showAmps(high)}`;
};

/** What should be seen and read, line by line. */
function linesOf(names: Names, test: CommissionTest): Line[] {
  const readings = test.readings.map(({ red, black, volts }) => ({
    what: `${names.node(red)} to ${names.node(black)}`,
    should: test.type === 'dead' ? '0 V' : rangeText(volts, 'V'),
    read: { red, black, volts },
  }));
  if (test.type === 'dead' || test.type === 'supply') return readings;
  const runs = (keys: readonly string[], should: string) =>
    keys.map((key) => ({ what: loadText(names, key), should }));
  if (test.type === 'trip')
    return [
      ...runs(test.stops, 'stops'),
      ...runs(test.runs, 'runs on'),
      ...(test.againS === null
        ? []
        : [{ what: 'Put back, all of that', should: `again after ${showDuration(test.againS)}` }]),
    ];
  const amps = test.amps.map(({ device, amps: drawn }) => ({
    what: `Out of ${names.device(device)}, hot`,
    should: rangeText(drawn, 'A'),
  }));
  return [...runs(test.runs, 'runs'), ...readings, ...amps];
}

/** Whether a figure is within what should be read; one that is not typed is. */
function fits({ volts }: ExpectedVolts, figure: string | undefined): boolean {
  if (figure === undefined || figure.trim() === '') return true;
  const { low, high } = volts === 0 ? { low: 0, high: DEAD_VOLTS } : expectedRange(volts, 'V');
  return Number(figure) >= low && Number(figure) <= high;
}

const keyOf = ({ red, black }: ExpectedVolts) => `${red} ${black}`;

/** One test: what to do, what should happen and when, and how it went. */
export function TestCard({ test, at, names, onWrite }: TestCardProps) {
  const t = useTokens();
  const temperature = useAppSelector(({ settings }) => settings.temperature);
  const [text, setText] = useState('');
  const [isPutOff, setPutOff] = useState(false);
  const [again, setAgain] = useState<When>('open');
  const [figures, setFigures] = useState<Readonly<Record<string, string>>>({});
  const [isMeterTried, setMeterTried] = useState(false);
  const [outdoors, setOutdoors] = useState<keyof typeof OUTDOORS | null>(null);
  const limit = 'outdoorC' in test ? test.outdoorC : null;
  const tooCold = limit !== null && outdoors !== 'warm';
  const afterS = 'afterS' in test ? test.afterS : test.type === 'trip' ? (test.againS ?? 0) : 0;
  // What the circuit does wrong by itself is not to be signed as it should.
  const proves = test.wrong.length === 0 && !(test.type === 'trip' && test.stops.length === 0);
  const outside = test.readings.some((one) => !fits(one, figures[keyOf(one)]));
  const readings = test.readings.flatMap((one) => {
    const figure = figures[keyOf(one)]?.trim();
    return figure && Number(figure) >= 0 ? [{ red: one.red, black: one.black, volts: Number(figure) }] : [];
  });
  const name = useWriterName();
  const [asksName] = useState(name === '');
  // Dead is a reading at each place, by somebody named, with a meter that was tried on something live.
  const isDead = test.type === 'dead';
  const isShownDead = !isDead || (readings.length === test.readings.length && isMeterTried && name !== '');
  const give = async (outcome: Outcome) => {
    const title = testTitle(names, test);
    await onWrite({
      type: 'tested',
      test: test.id,
      title,
      outcome,
      text: text.trim(),
      until: outcome === 'not-today' ? untilOf(again) : null,
      ...(readings.length > 0 && { readings }),
      ...(isDead && isMeterTried && { meter: LIVE_DEAD_LIVE }),
    });
  };
  return (
    <View
      role="region"
      aria-label="Test"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}
    >
      <AppText kind="small">{at}</AppText>
      <AppText kind="title" heading={2}>
        {testTitle(names, test)}
      </AppText>
      <AppText>{testHow(names, test)}</AppText>
      {limit !== null ? (
        <Options
          label={`Outdoors, against ${showTemperature(limit, temperature)}: colder, a compressor that cools can be harmed`}
          options={OUTDOORS}
          value={outdoors ?? ('' as keyof typeof OUTDOORS)}
          onChange={setOutdoors}
        />
      ) : null}
      {tooCold && outdoors === 'cold' ? (
        <AppText color={t.amber}>
          Pull the outdoor disconnect first and hear the contactor alone, and say so below; or leave it for
          another day.
        </AppText>
      ) : null}
      {proves ? null : (
        <AppText kind="strong" color={t.red}>
          {`As it is recorded this circuit does not do right here: ${
            test.wrong[0] ? violationText(names, test.wrong[0]) : 'this safety stops nothing.'
          } Mend that first; Plan, Proof says how.`}
        </AppText>
      )}
      {afterS >= 5 ? (
        <Countdown seconds={afterS} done={test.type === 'trip' ? 'It is put back' : 'The call is made'} />
      ) : null}
      <View role="list" aria-label="What should happen">
        {linesOf(names, test).map(({ what, should, read }) => (
          <View key={`${what} ${should}`} role="listitem" style={[styles.line, { borderColor: t.line }]}>
            <AppText style={styles.what}>{what}</AppText>
            <AppText kind="small">{should}</AppText>
            {read ? (
              <TextInput
                mode="outlined"
                dense
                aria-label={`Read, V: ${what}`}
                placeholder="V"
                value={figures[keyOf(read)] ?? ''}
                inputMode="decimal"
                maxLength={6}
                error={!fits(read, figures[keyOf(read)])}
                onChangeText={(figure) => setFigures({ ...figures, [keyOf(read)]: figure.replace(',', '.') })}
                style={styles.figure}
              />
            ) : null}
          </View>
        ))}
      </View>
      {outside ? (
        <AppText kind="strong" color={t.red}>
          A figure is outside its limits: that is not as it should be.
        </AppText>
      ) : null}
      {isDead ? (
        <>
          <ActionButton
            label="Meter tested on a live point before and after"
            pressed={isMeterTried}
            onPress={() => setMeterTried(!isMeterTried)}
          />
          {asksName ? <Writer /> : null}
          {isShownDead ? null : (
            <AppText kind="small">
              {`Enter a reading of ${DEAD_VOLTS} V or less at each place, test your meter on a known live point before and after, and give your name.`}
            </AppText>
          )}
        </>
      ) : null}
      <Field label="What was read or seen" value={text} most={2000} onChange={setText} />
      <View style={styles.row}>
        <ActionButton
          label="As it should"
          look="filled"
          disabled={
            !proves ||
            outside ||
            !isShownDead ||
            (limit !== null && (outdoors === null || (tooCold && text.trim() === '')))
          }
          onPress={() => void give('as-it-should')}
          style={styles.grow}
        />
        <ActionButton label="Not so" onPress={() => void give('not-so')} style={styles.grow} />
        <ActionButton
          label="Not today"
          pressed={isPutOff}
          onPress={() => setPutOff(!isPutOff)}
          style={styles.grow}
        />
      </View>
      {isPutOff ? (
        <>
          <Options label="Test it by" options={WHEN} value={again} onChange={setAgain} />
          <ActionButton label="Put the test off" onPress={() => void give('not-today')} />
        </>
      ) : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    borderBottomWidth: 1,
    paddingVertical: 8,
    minHeight: 40,
  },
  what: { flex: 1 },
  figure: { width: 84 },
  row: { flexDirection: 'row', gap: 8, flexWrap: 'wrap' },
  grow: { flexGrow: 1 },
});
