import { useState } from 'react';
import { View } from 'react-native';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Waiting } from '../../basics';
import type { FirePanel, PanelEvent } from './api';
import { useActOnPanelMutation } from './api';
import { secondText, timeText } from '../../basics/when';

/** Lines of its log shown before more are asked for. */
const FIRST = 4;

const EVENT: Readonly<Record<PanelEvent['type'], string>> = {
  normal: 'Loop normal',
  alarm: 'Alarm',
  trouble: 'Trouble',
  supervisory: 'Supervisory',
  acknowledged: 'Acknowledged',
  silenced: 'Sounders silenced',
  reset: 'Reset',
  'on-test': 'On test',
  'off-test': 'Off test',
  'test-over': 'Test time over, back in service',
};

const CONDITION: Readonly<Record<FirePanel['condition'], string>> = {
  normal: 'Normal',
  alarm: 'Alarm',
  trouble: 'Trouble',
  supervisory: 'Supervisory',
};

interface PanelStateProps {
  siteId: string;
  panel: FirePanel | null;
  lost: boolean;
  /** Whether hands may go to it: on test, and the building knows. */
  ready: boolean;
}

/** What the building's panel shows, and what may be pressed on it. */
export function PanelState({ siteId, panel, lost, ready }: PanelStateProps) {
  const t = useTokens();
  const [act] = useActOnPanelMutation();
  const [all, setAll] = useState(false);
  if (!panel) return <Waiting label="Reaching the panel" />;
  const ink = { normal: t.teal, alarm: t.red, trouble: t.amber, supervisory: t.amber }[panel.condition];
  const fill = { normal: t.tealSoft, alarm: t.redSoft, trouble: t.amberSoft, supervisory: t.amberSoft }[
    panel.condition
  ];
  const newest = [...panel.events].reverse();
  const called = panel.events.some(({ passedOn, type }) => passedOn && type === 'alarm');
  return (
    <View
      role="region"
      aria-label="Fire panel"
      style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}
    >
      <View style={[styles.state, { backgroundColor: fill }]}>
        <AppText kind="title" heading={2} color={ink}>
          {`Fire panel: ${CONDITION[panel.condition].toLowerCase()}`}
        </AppText>
        <AppText color={ink}>
          {[
            panel.onTestUntil === null ? 'in service' : `on test until ${timeText(panel.onTestUntil)}`,
            panel.sounding ? 'sounders on' : '',
            panel.buzzing ? 'not acknowledged' : '',
            lost ? 'not heard of now' : '',
          ]
            .filter((one) => one !== '')
            .join(' · ')}
        </AppText>
      </View>
      <AppText kind="small">
        Simulated, and driven by this job’s loop. At the real one do the same, in the same order.
      </AppText>
      {called && panel.onTestUntil === null ? (
        <AppText color={t.red}>An alarm went out while it was in service: monitoring acts on that.</AppText>
      ) : null}
      <View style={styles.row}>
        {(['acknowledge', 'silence', 'reset'] as const).map((what) => (
          <ActionButton
            key={what}
            label={{ acknowledge: 'Acknowledge', silence: 'Silence', reset: 'Reset' }[what]}
            disabled={!ready}
            onPress={() => void act({ id: siteId, act: what })}
            style={styles.grow}
          />
        ))}
      </View>
      {ready ? null : (
        <AppText kind="small">
          Nothing is pressed there before monitoring has it on test and the building’s contact knows.
        </AppText>
      )}
      <View role="list" aria-label="Panel log">
        {newest.slice(0, all ? undefined : FIRST).map(({ at, type, passedOn }, i) => (
          <View key={`${at} ${type} ${i}`} role="listitem" style={styles.line}>
            <AppText kind="figure" color={t.mute}>
              {secondText(at)}
            </AppText>
            <AppText>{`${EVENT[type]}${passedOn ? ', passed on to monitoring' : ''}`}</AppText>
          </View>
        ))}
      </View>
      {!all && newest.length > FIRST ? (
        <ActionButton label={`All ${newest.length}`} look="plain" onPress={() => setAll(true)} />
      ) : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  state: { borderRadius: 10, padding: 10, gap: 2 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  grow: { flexGrow: 1 },
  line: { flexDirection: 'row', gap: 10, paddingVertical: 2 },
});
