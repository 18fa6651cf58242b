import { addMinutes } from 'date-fns/addMinutes';
import { useState } from 'react';
import { View } from 'react-native';
import type { Body, PanelStep, Standing } from '@zygostat/core/record';
import { PANEL_STEPS, isOnTest, nextStep } from '@zygostat/core/record';
import { PANEL_STEP } from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field, Options } from '../../basics';
import type { FirePanel } from './api';
import { usePutOnTestMutation, useTakeOffTestMutation } from './api';
import { timeText } from '../../basics/when';

const HOURS = { h1: '1 hour', h2: '2 hours', h4: '4 hours', h8: '8 hours' } as const;
const MINUTES: Readonly<Record<keyof typeof HOURS, number>> = { h1: 60, h2: 120, h4: 240, h8: 480 };

/** What the panel should show when a step of the walk is done. */
const SHOWS: Partial<Record<PanelStep, FirePanel['condition']>> = {
  alarm: 'alarm',
  reset: 'normal',
  trouble: 'trouble',
  normal: 'normal',
};

interface PanelStepsProps {
  siteId: string;
  standing: Standing;
  panel: FirePanel | null;
  now: Date;
  onWrite: (body: Body) => Promise<boolean>;
}

/** What is to be done with the panel, one step at a time in its order, and what was done with whom. */
export function PanelSteps({ siteId, standing, panel, now, onWrite }: PanelStepsProps) {
  const t = useTokens();
  const [putOnTest] = usePutOnTestMutation();
  const [takeOffTest] = useTakeOffTestMutation();
  const [who, setWho] = useState('');
  const [text, setText] = useState('');
  const [hours, setHours] = useState<keyof typeof HOURS>('h4');
  const [extending, setExtending] = useState(false);
  const { steps, onTestUntil } = standing.panel;
  const over = onTestUntil !== null && !isOnTest(standing.panel, now);
  const step = extending || over ? 'on-test' : nextStep(standing.panel);
  const said = PANEL_STEP[step];
  const shows = SHOWS[step];
  const done = async () => {
    const minutes = MINUTES[hours];
    const until = step === 'on-test' ? addMinutes(new Date(), minutes).toISOString() : null;
    if (!(await onWrite({ type: 'panel', step, who: who.trim(), text: text.trim(), until }))) return;
    // Monitoring is somebody at a telephone; the simulated panel does what they would have it do.
    if (step === 'on-test') void putOnTest({ id: siteId, minutes });
    if (step === 'off-test') void takeOffTest({ id: siteId });
    setText('');
    setExtending(false);
  };
  return (
    <View
      role="region"
      aria-label="With the panel"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.copper }]}
    >
      <AppText kind="small">{`Step ${PANEL_STEPS.indexOf(step) + 1} of ${PANEL_STEPS.length} with the panel`}</AppText>
      <AppText kind="title" heading={2}>
        {said.title}
      </AppText>
      {over ? (
        <AppText kind="strong" color={t.red}>
          The test time is over: an alarm calls people out. Have it put on test again before anything else.
        </AppText>
      ) : null}
      {step === 'alarm' ? (
        <AppText kind="strong">Do the work first. When all is landed, walk the panel through:</AppText>
      ) : null}
      <AppText>{said.how}</AppText>
      {shows !== undefined && panel ? (
        <AppText kind="strong" color={panel.condition === shows ? t.teal : t.amber}>
          {panel.condition === shows
            ? `The panel shows ${shows}, as it should.`
            : `The panel here shows ${panel.condition}; it should show ${shows}.`}
        </AppText>
      ) : null}
      {step === 'on-test' ? (
        <Options label="For how long" options={HOURS} value={hours} onChange={setHours} />
      ) : null}
      <Field label={said.who} value={who} most={80} onChange={setWho} />
      <Field label="What was said or seen (optional)" value={text} most={2000} onChange={setText} />
      <ActionButton
        label={extending || over ? 'Extended' : 'Done'}
        hint={`Done: ${said.title}`}
        look="filled"
        disabled={who.trim() === ''}
        onPress={() => void done()}
      />
      {onTestUntil !== null && !extending && !over ? (
        <ActionButton label="Have the test extended" look="plain" onPress={() => setExtending(true)} />
      ) : null}
      <View role="list" aria-label="Done with the panel">
        {[...steps].map(([one, { at, who: whom, text: told }]) => (
          <View key={one} role="listitem" style={styles.line}>
            <AppText kind="figure" color={t.mute}>
              {timeText(at)}
            </AppText>
            <AppText
              style={styles.grow}
            >{`${PANEL_STEP[one].title}: ${whom}${told ? `. ${told}` : ''}`}</AppText>
          </View>
        ))}
      </View>
      <AppText kind="small">
        In many places these are life-safety devices reserved to licensed people: know whether you may work on
        them. The panel’s own sheet and local code win.
      </AppText>
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 12, gap: 8 },
  line: { flexDirection: 'row', gap: 10, paddingVertical: 2 },
  grow: { flex: 1 },
});
