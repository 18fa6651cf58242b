import { useCallback, useMemo, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { View } from 'react-native';
import type { Caller, Timeline } from '@zygostat/core/behaviour';
import { instantAt } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Call } from '@zygostat/core/devices';
import { eventfulLanes, plainLanes } from '@zygostat/core/drawing';
import { endText, namesIn, reasonText, sequenceText, showDuration } from '@zygostat/core/words';
import { useModel } from '../../model/useModel';
import { useAppDispatch, useAppSelector } from '../../store';
import { thermostatsOf } from '../bench/calls';
import { momentShown } from '../bench/slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, Waiting, AppText, Tap } from '../../basics';
import { LaneChart } from './LaneChart';

const CALLS: Record<Call, string> = { cool: 'Cool', heat: 'Heat', fan: 'Fan' };
/** The call lasts as long as most waits take twice over; the rest is for what runs on. Seconds. */
const RUN = { call: 900, until: 1200 };

/** Changes shown before the rest is asked for; loads come first. */
const FIRST = 4;

/** What changed at the instant under the cursor, and why. */
function Reasons({ timeline, at }: { timeline: Timeline; at: number }) {
  const t = useTokens();
  const instant = instantAt(timeline, at);
  const [all, setAll] = useState(false);
  const changes = eventfulLanes(timeline).flatMap(({ id, title, spans }) =>
    spans
      .filter(({ from, why }) => from === instant.at && why.type !== 'start')
      .map(({ text, why }) => ({ id, line: `${title} ${text}: ${reasonText(why)}` })),
  );
  const shown = all ? changes : changes.slice(0, FIRST);
  return (
    <View style={[styles.reasons, { backgroundColor: t.card, borderColor: t.line }]} aria-live="polite">
      <AppText kind="strong">{`At ${showDuration(instant.at)}`}</AppText>
      {changes.length === 0 ? <AppText kind="small">Nothing changes.</AppText> : null}
      {shown.map(({ id, line }) => (
        <AppText key={id} kind="small" color={t.ink}>
          {line}
        </AppText>
      ))}
      {changes.length > FIRST ? (
        <ActionButton
          label={all ? 'Fewer' : `All ${changes.length} changes`}
          look="plain"
          onPress={() => setAll(!all)}
        />
      ) : null}
    </View>
  );
}

/** From event to event, without a finger on the lanes. */
function Steps({ timeline, at, onGo }: { timeline: Timeline; at: number; onGo: (at: number) => void }) {
  const times = timeline.instants.map((instant) => instant.at);
  const [before, after] = [times.findLast((time) => time < at), times.find((time) => time > at)];
  return (
    <View style={styles.calls}>
      <ActionButton
        label="Earlier"
        hint="Earlier event"
        icon="chevron-left"
        disabled={before === undefined}
        onPress={() => onGo(before ?? 0)}
        style={styles.grow}
      />
      <ActionButton
        label="Later"
        hint="Later event"
        icon="chevron-right"
        disabled={after === undefined}
        onPress={() => onGo(after ?? at)}
        style={styles.grow}
      />
    </View>
  );
}

/** More lanes than this do not stand on a page: contacts are shown when asked for. */
const MOST_LANES = 14;

/** Who may call: everybody at once, each by itself, one after the other; nobody to choose where there is one thermostat. */
function callersOf(circuit: Circuit): { label: string; caller: Caller }[] {
  const stats = thermostatsOf(circuit);
  if (stats.length < 2) return [];
  return [
    { label: 'All at once', caller: { type: 'all' } },
    { label: 'In turn', caller: { type: 'turn' } },
    ...stats.map(({ id, label }) => ({ label, caller: { type: 'one' as const, thermostat: id } })),
  ];
}

/** Lanes with a cursor; of many, contacts only when asked for. */
function Chart(props: { timeline: Timeline; width: number; at: number; onScrub: (at: number) => void }) {
  const { timeline } = props;
  const [contacts, setContacts] = useState(false);
  const [all, plain] = useMemo(() => [eventfulLanes(timeline), plainLanes(timeline)], [timeline]);
  const many = all.length > MOST_LANES && plain.length < all.length;
  return (
    <>
      <LaneChart {...props} lanes={many && !contacts ? plain : all} />
      {many ? (
        <ActionButton
          label={contacts ? 'Without contacts' : `With its ${all.length - plain.length} contacts`}
          look="plain"
          onPress={() => setContacts(!contacts)}
        />
      ) : null}
    </>
  );
}

const EVERYBODY: Caller = { type: 'all' };

/** A call run through time: lanes to scrub with the loom following, and the sequence in words. */
export function TimelinePane({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const controls = useAppSelector(({ bench }) => bench.inputs.controls);
  // As it stood when the pane was opened: scrubbing changes the bench, not the run.
  const [held] = useState(controls);
  const [call, setCall] = useState<Call>('cool');
  const [caller, setCaller] = useState(EVERYBODY);
  const callers = callersOf(circuit);
  const [at, setAt] = useState(0);
  const [width, setWidth] = useState(0);
  const measure = useCallback(({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width), []);
  const run = useModel(
    useCallback(
      async (model) => ({ circuit, timeline: await model.timeline(circuit, held, call, caller, RUN) }),
      [circuit, held, call, caller],
    ),
  );
  const names = useMemo(() => run && namesIn(run.circuit), [run]);
  const sequence = useMemo(() => (run && names ? sequenceText(names, run.timeline) : []), [run, names]);
  const scrub = (to: number) => {
    if (!run) return;
    setAt(to);
    const { inputs, world } = instantAt(run.timeline, to);
    dispatch(momentShown({ inputs, world: { ...world, now: to } }));
  };
  return (
    <View style={styles.pane} onLayout={measure}>
      <View style={styles.calls} role="group" aria-label="Call to run">
        {(Object.keys(CALLS) as Call[]).map((name) => (
          <ActionButton
            key={name}
            label={CALLS[name]}
            hint={`Run: ${CALLS[name]}`}
            pressed={name === call}
            onPress={() => (setCall(name), setAt(0))}
            style={styles.grow}
          />
        ))}
      </View>
      {callers.length === 0 ? null : (
        <View style={styles.callers} role="group" aria-label="Who calls">
          {callers.map((one) => (
            <ActionButton
              key={one.label}
              label={one.label}
              hint={`Calls: ${one.label}`}
              pressed={JSON.stringify(one.caller) === JSON.stringify(caller)}
              onPress={() => (setCaller(one.caller), setAt(0))}
            />
          ))}
        </View>
      )}
      {!run || width === 0 ? (
        <Waiting label="Running the sequence" />
      ) : (
        <>
          {run.timeline.ended ? (
            <View role="alert">
              <AppText color={t.red}>{endText(names!, run.timeline.ended)}</AppText>
            </View>
          ) : null}
          <AppText kind="small" style={styles.inset}>
            A call of 15 min from a cold start. Slide over the lanes; the loom follows.
          </AppText>
          <Steps timeline={run.timeline} at={at} onGo={scrub} />
          <Reasons timeline={run.timeline} at={at} />
          <Chart timeline={run.timeline} width={width} at={at} onScrub={scrub} />
          <AppText kind="title" heading={2} style={styles.inset}>
            Sequence of operation
          </AppText>
          <View role="list">
            {sequence.map((line) => (
              <Tap
                key={line.at}
                role="listitem"
                onPress={() => scrub(line.at)}
                style={[styles.line, { borderColor: t.line }]}
              >
                <AppText kind="mark" color={t.copper}>
                  {showDuration(line.at)}
                </AppText>
                <AppText>{line.text}</AppText>
              </Tap>
            ))}
          </View>
          <AppText kind="small" style={styles.inset}>
            Delays are the devices’ settings, from memory until read. The equipment’s own sheet wins.
          </AppText>
        </>
      )}
    </View>
  );
}

const styles = sheet({
  pane: { paddingVertical: 8, gap: 8 },
  calls: { flexDirection: 'row', gap: 8, paddingHorizontal: 12 },
  callers: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingHorizontal: 12 },
  grow: { flex: 1 },
  wait: { marginTop: 40 },
  inset: { paddingHorizontal: 14 },
  reasons: { marginHorizontal: 12, padding: 10, borderWidth: 1, borderRadius: 10, gap: 2 },
  line: { paddingHorizontal: 14, paddingVertical: 8, borderTopWidth: 1, minHeight: 44, gap: 2 },
});
