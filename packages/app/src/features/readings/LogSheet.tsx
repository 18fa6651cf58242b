import { nanoid } from '@reduxjs/toolkit';
import { yupResolver } from '@hookform/resolvers/yup';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { useState } from 'react';
import { View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import { expectedRange, judge } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { nodeName } from '@zygostat/core/circuit';
import * as yup from 'yup';
import { misuseText, showQuantity } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import type { NewReading } from './api';
import { activeCalls } from '../bench/calls';
import { useStatus } from '../bench/useStatus';
import { readingsOutbox } from './outbox';
import { sheetOpened } from '../trace/slice';
import { told } from '../../store/notice';
import { useTokens } from '../../theme';
import { ActionButton, BottomSheet, AppText } from '../../basics';

/** What the person's own meter showed; `OL` is an open loop. */
const schema = yup.object({
  actual: yup
    .string()
    .trim()
    .required('Type what your meter shows.')
    .test('number', 'A number such as 24.6, or OL for an open loop.', (value) => {
      if (/^ol$/i.test(value)) return true;
      const number = Number(value.replace(',', '.'));
      return Number.isFinite(number) && number >= 0;
    }),
});

const valueOf = (text: string) =>
  /^ol$/i.test(text.trim()) ? Infinity : Number(text.trim().replace(',', '.'));

export const VERDICT_WORDS = {
  agrees: 'Agrees with the model',
  low: 'Lower than it should be',
  high: 'Higher than it should be',
} as const;

interface LogSheetProps {
  circuit: Circuit;
  jobId: string;
  red: string;
  black: string;
}

/** Logs a reading beside the expected one, with the verdict as it is typed. */
export function LogSheet({ circuit, jobId, red, black }: LogSheetProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const reading = useAppSelector(({ bench }) => bench.reading);
  const meter = useAppSelector(({ bench }) => bench.meter);
  const situation = useStatus()?.text ?? '';
  const inputs = useAppSelector(({ bench }) => bench.inputs);
  const calls = activeCalls(circuit, inputs);
  const revision = useAppSelector(({ saving }) => saving.base);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { control, handleSubmit, setValue } = useForm({
    resolver: yupResolver(schema),
    defaultValues: { actual: '' },
  });
  const close = () => dispatch(sheetOpened(null));
  const typed = useWatch({ control, name: 'actual' });
  const expected = reading?.ok ? reading : null;
  const range = expected ? expectedRange(expected.value, expected.unit) : null;
  const actual = valueOf(typed);
  const verdict =
    expected && typed.trim() !== '' && !Number.isNaN(actual)
      ? judge(actual, expected.value, expected.unit)
      : null;
  const save = handleSubmit(async ({ actual: text }) => {
    if (!expected) return;
    const travel = (value: number) => (value === Infinity ? null : value);
    const entry: NewReading = {
      id: nanoid(),
      revision,
      mode: meter.mode,
      meter: meter.kind,
      red,
      black,
      expected: travel(expected.value),
      actual: travel(valueOf(text)),
      situation: situation.slice(0, 200),
      state: calls.size === 1 ? [...calls][0]! : '',
    };
    setBusy(true);
    const done = await dispatch(readingsOutbox.deliver(entry.id, { jobId, reading: entry }));
    setBusy(false);
    if (done.type === 'refused') return setTrouble(done.detail);
    if (done.type === 'taken') dispatch(told('Reading logged'));
    close();
  });
  return (
    <BottomSheet
      title="Log a reading"
      subtitle={`${nodeName(circuit, red)} to ${nodeName(circuit, black)}`}
      onClose={close}
    >
      {expected && range ? (
        <AppText>
          Expected {showQuantity(expected.value, expected.unit).figure}{' '}
          {showQuantity(expected.value, expected.unit).unit}
          {expected.value === Infinity
            ? ''
            : ` (${showQuantity(range.low, expected.unit).figure} to ${showQuantity(range.high, expected.unit).figure} with healthy mains)`}
        </AppText>
      ) : (
        <AppText color={t.red}>
          {reading && !reading.ok ? misuseText(reading.misuse) : 'Working out what to expect…'}
        </AppText>
      )}
      <Controller
        control={control}
        name="actual"
        render={({ field, fieldState }) => (
          <View>
            <TextInput
              mode="outlined"
              label={`Your meter shows, ${expected?.unit ?? ''}`}
              aria-label="What your meter shows"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              onSubmitEditing={() => void save()}
              inputMode="decimal"
              autoFocus
              error={fieldState.error !== undefined}
              testID="actual"
            />
            <HelperText type="error" visible={fieldState.error !== undefined}>
              {fieldState.error?.message ?? ''}
            </HelperText>
          </View>
        )}
      />
      {expected?.unit === 'Ω' || expected?.value === Infinity ? (
        <ActionButton label="OL: open loop" onPress={() => setValue('actual', 'OL')} />
      ) : null}
      {verdict ? (
        <AppText kind="strong" color={verdict === 'agrees' ? t.teal : t.red}>
          {VERDICT_WORDS[verdict]}
        </AppText>
      ) : null}
      {trouble ? (
        <View role="alert">
          <AppText color={t.red}>{trouble}</AppText>
        </View>
      ) : null}
      <ActionButton
        label={busy ? 'Saving…' : 'Save reading'}
        look="filled"
        disabled={busy || !expected}
        onPress={() => void save()}
      />
    </BottomSheet>
  );
}
