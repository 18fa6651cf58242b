import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { PlanView, Plan, Step } from '@zygostat/core/wire';
import { counted } from '@zygostat/core/words';
import { useAppDispatch } from '../../store';
import { planDocument } from '../plan/document';
import { edited } from '../circuit/slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Waiting, AppText } from '../../basics';
import { Progress } from '../../basics/Progress';
import { DifferSheet } from './DifferSheet';
import { NextStep } from './NextStep';
import { Shut } from './Shut';
import { StepRow } from './StepRow';
import { useFollow } from './useFollow';
import { useTaskText } from './useTaskText';
import { goTo } from '../job/address';

const nameOf = ({ stations }: Pick<PlanView, 'stations'>, station: string) =>
  stations.find(({ id }) => id === station)?.name ?? station;

/** The circuit was changed otherwise since the plan was made: what now. */
function Strayed({ onRebase, onList }: { onRebase: () => void; onList: () => void }) {
  const t = useTokens();
  return (
    <View role="alert" style={[styles.card, { borderColor: t.amber, backgroundColor: t.amberSoft }]}>
      <AppText kind="strong" color={t.amber}>
        The circuit was changed since, and not by this list
      </AppText>
      <AppText>Nothing of that is overwritten. Go on from how it stands now, or as the list has it.</AppText>
      <View style={styles.row}>
        <ActionButton label="Go on from here" look="filled" onPress={onRebase} style={styles.grow} />
        <ActionButton label="As the list has it" onPress={onList} style={styles.grow} />
      </View>
    </View>
  );
}

/** The landing list in walking order: one step at a time on top, all of them below. */
export function LandingList({ plan, circuit, jobId }: { plan: Plan; circuit: Circuit; jobId: string }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const { view, viewed, steps, strayed, tick, change, endVisit } = useFollow(plan, circuit);
  const tell = useTaskText(viewed);
  const [dropping, setDropping] = useState(false);
  const [differing, setDiffering] = useState<Step | null>(null);
  const drop = () => dispatch(planDocument.changed(null));
  /** Goes on from the circuit as it stands; what was done of the list stays on it. */
  const rebase = () => {
    const earlier = [
      ...(plan.earlier ?? []),
      ...steps.flatMap((step) => {
        const done = view?.done[step.id];
        if (!done) return [];
        const { id, at, volts } = done;
        return [{ id, at, text: tell(step), ...(volts !== undefined && { volts }) }];
      }),
    ];
    change({ ...plan, before: circuit, swap: null, earlier }, 'Gone on from a changed circuit');
  };
  if (!view) return <Waiting label="Working out the steps" />;
  const done = new Set(Object.keys(view.done));
  const turn = new Set(view.ready);
  const ready = ({ id }: Step) => turn.has(id);
  const next = steps.find((step) => !done.has(step.id) && ready(step));
  const isOff = steps.some((step) => step.kind === 'off' && done.has(step.id));
  const earlier = plan.earlier?.length ?? 0;
  const goPlan = () => goTo(jobId, 'plan', 'proof');
  return (
    <>
      <AppText kind="title" heading={2}>
        {plan.title}
      </AppText>
      <View role="status" aria-live="polite" style={styles.progress}>
        <AppText kind="strong">
          {`${done.size} of ${counted(steps.length, 'step')} done, ${counted(view.stops.length, 'stop')}${earlier > 0 ? `; ${earlier} done before the circuit was changed` : ''}`}
        </AppText>
        <Progress
          label="Steps done"
          share={steps.length === 0 ? 1 : done.size / steps.length}
          color={t.teal}
        />
      </View>
      {view.shut ? <Shut shut={view.shut} /> : null}
      {strayed ? (
        <Strayed
          onList={() => dispatch(edited({ circuit: view.circuit, note: 'As the landing list has it' }))}
          onRebase={rebase}
        />
      ) : next ? (
        <NextStep
          key={next.id}
          step={next}
          text={tell(next)}
          place={nameOf(view, next.station)}
          plan={plan}
          onDone={(volts) => tick(next, volts)}
          onDiffers={() => setDiffering(next)}
        />
      ) : (
        <View style={[styles.card, { borderColor: t.teal, backgroundColor: t.tealSoft }]}>
          <AppText kind="title" heading={2} color={t.teal}>
            Everything is landed
          </AppText>
          <AppText>
            Prove it as it stands now, then test it with the power on. Leave the diagram at the unit.
          </AppText>
          <View style={styles.row}>
            <ActionButton label="See the proof" look="filled" onPress={goPlan} style={styles.grow} />
            <ActionButton
              label={dropping ? 'Yes, put it away' : 'Put the list away'}
              onPress={() => (dropping ? drop() : setDropping(true))}
              style={styles.grow}
            />
          </View>
        </View>
      )}
      {view.stops.map((stop, i) => (
        <View
          key={`${i} ${stop.station}`}
          style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
        >
          <AppText kind="title" heading={3}>
            {`${i + 1}. ${nameOf(view, stop.station)}`}
          </AppText>
          {stop.steps.map((step) => (
            <StepRow
              key={step.id}
              step={step}
              text={tell(step)}
              plan={plan}
              done={view.done[step.id]}
              ready={!strayed && ready(step)}
              onTick={() => tick(step)}
            />
          ))}
        </View>
      ))}
      {plan.earlier?.length ? (
        <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
          <AppText kind="title" heading={3}>
            Done before the circuit was changed
          </AppText>
          {plan.earlier.map(({ id, text, volts }) => (
            <AppText key={id} kind="small">{`${text}${volts === undefined ? '' : `: ${volts} V`}`}</AppText>
          ))}
        </View>
      ) : null}
      {next && isOff ? (
        <ActionButton
          label="Leave the site"
          hint="Leave the site: power off and the dead readings are asked again"
          onPress={() => endVisit('left')}
        />
      ) : null}
      {next ? (
        <ActionButton
          label={dropping ? 'Yes, take the plan and its ticks back' : 'Take the plan back'}
          onPress={() => (dropping ? drop() : setDropping(true))}
        />
      ) : null}
      {differing ? (
        <DifferSheet
          plan={viewed}
          step={differing}
          steps={steps}
          onTake={change}
          onClose={() => setDiffering(null)}
        />
      ) : null}
    </>
  );
}

const styles = sheet({
  progress: { gap: 8 },
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 4 },
  row: { flexDirection: 'row', gap: 8, flexWrap: 'wrap' },
  grow: { flexGrow: 1 },
});
