import { proxy } from 'comlink';
import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import {
  EditError,
  findConductor,
  findDevice,
  land,
  marksOf,
  nodeName,
  splitTerminal,
  setConductor,
} from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { SwapRequest } from '@zygostat/core/plan';
import { COLOUR_CODES, colourName } from '@zygostat/core/standards';
import type { Plan, Step } from '@zygostat/core/wire';
import { askAside, theModel } from '../../model/model';
import { sheet, useTokens } from '../../theme';
import { useAppSelector } from '../../store';
import { tellTask } from './useTaskText';
import { ActionButton, BottomSheet, AppText } from '../../basics';
import { planOf } from '../plan/usePlan';
import { Palette } from '../survey/Palette';

/** Plans again from a record put right; a change that was no swap only takes the correction over. */
async function planAgain(
  plan: Plan,
  before: Circuit,
  correct: (circuit: Circuit) => Circuit,
): Promise<Plan | null> {
  const { swap } = plan;
  if (!swap) return { ...plan, before, after: correct(plan.after) };
  const wish = swap as unknown as SwapRequest;
  const found = await askAside((model) =>
    model.swap(
      before,
      wish,
      [],
      proxy(() => undefined),
    ),
  );
  const option = found.options.find(({ method }) => method.id === swap.way) ?? found.options[0];
  return option ? { ...plan, ...planOf(option, wish), before } : null;
}

interface Changed {
  plan: Plan;
  note: string;
  gone: readonly string[];
  come: readonly string[];
}

interface DifferSheetProps {
  plan: Plan;
  step: Step;
  steps: readonly Step[];
  onTake: (plan: Plan, note: string) => void;
  onClose: () => void;
}

/** It is not as the plan says: what was found instead, and what that makes of the plan. */
export function DifferSheet({ plan, step, steps, onTake, onClose }: DifferSheetProps) {
  const t = useTokens();
  const [asked, setAsked] = useState<'colour' | 'terminal' | null>(null);
  const [changed, setChanged] = useState<Changed | 'working' | 'none' | null>(null);
  const settings = useAppSelector((state) => state.settings);
  const { id, end, colour, cable } = step.conductor!;
  const name = `${colourName(colour)} of ${cable}`;
  const attempt = async (note: string, correct: (circuit: Circuit) => Circuit) => {
    setChanged('working');
    let before: Circuit;
    try {
      before = findConductor(plan.before, id) ? correct(plan.before) : plan.before;
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      return setChanged('none');
    }
    const next = await planAgain(plan, before, correct);
    if (!next) return setChanged('none');
    const view = await theModel().follow(next, new Date().toISOString());
    const texts = view.stops.flatMap((stop) => stop.steps.map(tellTask(next, settings)));
    const were = steps.map(tellTask(plan, settings));
    setChanged({
      plan: next,
      note,
      gone: were.filter((text) => !texts.includes(text)),
      come: texts.filter((text) => !were.includes(text)),
    });
  };
  const landed = findConductor(plan.before, id)?.[end] ?? null;
  const device = landed ? findDevice(plan.before, splitTerminal(landed).deviceId) : undefined;
  const terminals = device
    ? plan.before.devices
        .filter(({ station, kind }) => station === device.station && !kindOf(kind).inline)
        .flatMap((entry) => marksOf(entry).map((mark) => `${entry.id}.${mark}`))
        .filter((terminal) => terminal !== landed)
    : [];
  return (
    <BottomSheet title="Not as planned" subtitle={name} onClose={onClose}>
      {changed === null ? (
        <>
          <ActionButton
            label="It is broken"
            hint={`${name} is broken: plan without it`}
            onPress={() =>
              void attempt(`${name} is broken`, (circuit) => setConductor(circuit, id, { state: 'broken' }))
            }
          />
          <ActionButton
            label="It has another colour"
            pressed={asked === 'colour'}
            onPress={() => setAsked('colour')}
          />
          {asked === 'colour' ? (
            <Palette
              colours={COLOUR_CODES}
              chosen={colour}
              onPick={(picked) => {
                if (picked)
                  void attempt(`${name} is ${colourName(picked)}`, (circuit) =>
                    setConductor(circuit, id, { colour: picked }),
                  );
              }}
            />
          ) : null}
          {landed && plan.swap ? (
            <ActionButton
              label={`It was not on ${nodeName(plan.before, landed)}`}
              pressed={asked === 'terminal'}
              onPress={() => setAsked('terminal')}
            />
          ) : null}
          {asked === 'terminal' ? (
            <View style={styles.terminals}>
              {terminals.map((terminal) => (
                <ActionButton
                  key={terminal}
                  label={nodeName(plan.before, terminal)}
                  onPress={() =>
                    void attempt(`${name} was on ${nodeName(plan.before, terminal)}`, (circuit) =>
                      land(circuit, id, end, terminal),
                    )
                  }
                />
              ))}
            </View>
          ) : null}
        </>
      ) : changed === 'working' ? (
        <AppText kind="strong">Planning again…</AppText>
      ) : changed === 'none' ? (
        <AppText color={t.red}>
          With this no way known here works. Go to Plan and choose again, or survey it anew.
        </AppText>
      ) : (
        <>
          <AppText kind="strong">{`${changed.note}. This is what changes:`}</AppText>
          {changed.gone.map((text) => (
            <AppText key={text} color={t.mute}>{`− ${text}`}</AppText>
          ))}
          {changed.come.map((text) => (
            <AppText key={text} color={t.teal}>{`+ ${text}`}</AppText>
          ))}
          {changed.gone.length + changed.come.length === 0 ? <AppText>No step changes.</AppText> : null}
          <ActionButton
            label="Take the changed plan"
            look="filled"
            onPress={() => {
              onTake(changed.plan, changed.note);
              onClose();
            }}
          />
        </>
      )}
    </BottomSheet>
  );
}

const styles = sheet({ terminals: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } });
