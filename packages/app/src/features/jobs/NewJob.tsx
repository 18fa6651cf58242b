import { yupResolver } from '@hookform/resolvers/yup';
import { router } from 'expo-router';
import { useRef, useState } from 'react';
import type { Control } from 'react-hook-form';
import { Controller, useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import type { Circuit, Problem } from '@zygostat/core/circuit';
import { circuitFileProblem } from '@zygostat/core/formats';
import { TEMPLATES } from '@zygostat/core/systems';
import * as yup from 'yup';
import { pickFile } from '../../basics/pickFile';
import { theModel } from '../../model/model';
import { whyOf } from '../../model/whyOf';
import { useAppDispatch, useAppStore } from '../../store';
import { startJobs } from '../job/start';
import { useListSitesQuery } from './api';
import { jobsOutbox, newJob } from './begun';
import { ReadBundle } from './ReadBundle';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Column, AppText, PageHead, Tap } from '../../basics';

const text = (what: string) =>
  yup.string().trim().required(`Give the ${what} a name.`).max(80, 'At most 80 characters.');
const schema = yup.object({ name: text('job'), site: text('site') });
type Answers = yup.InferType<typeof schema>;

interface NameFieldProps {
  control: Control<Answers>;
  name: keyof Answers;
  label: string;
}

function NameField({ control, name, label }: NameFieldProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <View>
          <TextInput
            mode="outlined"
            label={label}
            aria-label={label}
            value={field.value}
            onChangeText={field.onChange}
            onBlur={field.onBlur}
            error={fieldState.error !== undefined}
            testID={`new-${name}`}
          />
          {fieldState.error ? <HelperText type="error">{fieldState.error.message ?? ''}</HelperText> : null}
        </View>
      )}
    />
  );
}

type Source = { survey: true } | { template: string } | { circuit: Circuit };

interface ChoiceProps {
  title: string;
  summary: string;
  chosen: boolean;
  onPress: () => void;
}

/** One way to begin. */
function Choice({ title, summary, chosen, onPress }: ChoiceProps) {
  const t = useTokens();
  return (
    <Tap
      role="radio"
      aria-checked={chosen}
      aria-label={title}
      onPress={onPress}
      style={[styles.template, { backgroundColor: t.card, borderColor: chosen ? t.copper : t.line }]}
    >
      <View style={[styles.dot, { borderColor: chosen ? t.copper : t.mute }]}>
        {chosen ? <View style={[styles.dotFill, { backgroundColor: t.copper }]} /> : null}
      </View>
      <View style={styles.grow}>
        <AppText kind="strong">{title}</AppText>
        <AppText kind="small">{summary}</AppText>
      </View>
    </Tap>
  );
}

/** What is in a circuit file. Off the interface's thread: a large one takes a while. */
async function circuitIn(file: File): Promise<{ circuit: Circuit } | { problems: readonly Problem[] }> {
  const problem = circuitFileProblem(file.size);
  if (problem) return { problems: [{ path: 'document', message: problem }] };
  try {
    return await theModel().readCircuit(await file.text());
  } catch (error) {
    return { problems: [{ path: 'document', message: `was not read. ${whyOf(error)}` }] };
  }
}

/** A new job: what it is called, where it is, and which system stands there. */
export function NewJob() {
  const t = useTokens();
  const [source, setSource] = useState<Source>({ survey: true });
  const [problems, setProblems] = useState<readonly string[]>([]);
  const { data: sites } = useListSitesQuery(undefined);
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const [busy, setBusy] = useState(false);
  const [reading, setReading] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { control, handleSubmit, setValue, formState } = useForm<Answers>({
    resolver: yupResolver(schema),
    defaultValues: { name: '', site: '' },
  });

  const choose = (chosenNow: Source) => {
    setSource(chosenNow);
    setProblems([]);
  };
  const readCircuit = async () => {
    const file = await pickFile('.json,application/json');
    if (!file) return;
    setReading(true);
    const found = await circuitIn(file);
    setReading(false);
    if ('circuit' in found) return choose(found);
    // A file that is refused leaves nothing of the one before it.
    setSource((before) => ('circuit' in before ? { survey: true } : before));
    setProblems(found.problems.slice(0, 3).map(({ path, message }) => `${path} ${message}`));
  };
  const page = useRef<ScrollView>(null);
  const missing = (['site', 'name'] as const).flatMap((field) => formState.errors[field]?.message ?? []);
  const submit = async (answers: Answers) => {
    const begun = newJob(answers, source);
    const { id } = begun.job;
    setBusy(true);
    await startJobs(store);
    const done = await dispatch(jobsOutbox.deliver(id, begun));
    setBusy(false);
    if (done.type === 'refused') return setTrouble(done.detail);
    router.replace({ pathname: 'survey' in source ? '/job/[id]/survey' : '/job/[id]', params: { id } });
  };
  const create = () => handleSubmit(submit, () => page.current?.scrollTo({ y: 0, animated: false }))();
  const chosen = 'template' in source ? source.template : null;
  return (
    <Column>
      <PageHead title="New job" onBack={() => router.dismissTo('/')} />
      <ScrollView ref={page} style={styles.grow} contentContainerStyle={styles.form}>
        <NameField control={control} name="site" label="Site" />
        {sites && sites.length > 0 ? (
          <View style={styles.sites} role="group" aria-label="Known sites">
            {sites.slice(0, 6).map(({ id, name }) => (
              <ActionButton
                key={id}
                label={name}
                onPress={() => setValue('site', name, { shouldValidate: true })}
              />
            ))}
          </View>
        ) : null}
        <NameField control={control} name="name" label="Job, room or unit" />
        <AppText kind="strong" heading={2}>
          What stands there
        </AppText>
        <View role="radiogroup" aria-label="System" style={styles.templates}>
          <Choice
            title="Survey it"
            summary="Look, answer a few questions, record the landings: the circuit is built from that."
            chosen={'survey' in source}
            onPress={() => choose({ survey: true })}
          />
          {TEMPLATES.map(({ id, title, summary }) => (
            <Choice
              key={id}
              title={title}
              summary={summary}
              chosen={chosen === id}
              onPress={() => choose({ template: id })}
            />
          ))}
        </View>
        <ActionButton
          label={reading ? 'Reading the file…' : 'From a circuit file'}
          icon="import"
          disabled={reading}
          pressed={'circuit' in source}
          onPress={() => void readCircuit()}
        />
        <ReadBundle />
        {'circuit' in source ? (
          <AppText kind="small">
            Read: {source.circuit.name}, {source.circuit.devices.length} devices.
          </AppText>
        ) : null}
        {trouble ? (
          <View role="alert">
            <AppText color={t.red}>{trouble}</AppText>
          </View>
        ) : null}
      </ScrollView>
      <View style={styles.foot}>
        {problems.length > 0 ? (
          <View role="alert">
            <AppText color={t.red}>
              This file cannot be used. Choose another file, or what stands there.
            </AppText>
            {problems.map((problem) => (
              <AppText key={problem} color={t.red}>
                · {problem}
              </AppText>
            ))}
          </View>
        ) : null}
        {missing.length > 0 ? (
          <View role="alert">
            <AppText color={t.red}>{missing.join(' ')}</AppText>
          </View>
        ) : null}
        <ActionButton
          label={busy ? 'Creating…' : 'Create job'}
          look="filled"
          // A file that was refused makes no empty survey: what the job begins with is chosen anew.
          disabled={busy || problems.length > 0}
          onPress={() => void create()}
          style={styles.create}
        />
      </View>
    </Column>
  );
}

const styles = sheet({
  form: { padding: 16, gap: 14 },
  sites: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  templates: { gap: 10 },
  template: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    borderWidth: 1.5,
    borderRadius: 12,
    padding: 14,
    minHeight: 64,
  },
  dot: {
    width: 22,
    height: 22,
    borderRadius: 11,
    borderWidth: 2,
    alignItems: 'center',
    justifyContent: 'center',
  },
  dotFill: { width: 12, height: 12, borderRadius: 6 },
  grow: { flex: 1 },
  foot: { paddingHorizontal: 16, paddingVertical: 12, gap: 8 },
  create: { minHeight: 52 },
});
