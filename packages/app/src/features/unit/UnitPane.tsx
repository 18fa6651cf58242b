import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { UNIT_CAUTION } from '@zygostat/core/words';
import { AppText, Options } from '../../basics';
import type { Job } from '../jobs/api';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { BeforePower } from './BeforePower';
import { DiagramEditor } from './DiagramEditor';
import { Differences } from './Differences';
import { WalkCard } from './WalkCard';
import { unitPlace, useUnit } from './useUnit';

const VIEWS = {
  diagram: 'Diagram',
  walk: 'Walk',
  differences: 'Differs',
  checks: 'Before power',
} as const;
type UnitView = keyof typeof VIEWS;

/** An outdoor unit wire by wire: its diagram typed, walked, compared, measured before power. */
export function UnitPane({ job, circuit }: { job: Job; circuit: Circuit }) {
  const t = useTokens();
  const { diagram } = useUnit(circuit);
  const [chosen, setView] = useState<UnitView | null>(null);
  const station = unitPlace(circuit);
  if (station === null)
    return (
      <AppText>No outdoor unit is recorded: identify the system first, then open the unit here.</AppText>
    );
  const hasWires = diagram.wires.length > 0;
  const view = hasWires ? (chosen ?? 'walk') : 'diagram';
  const body = {
    diagram: (
      <DiagramEditor
        key={diagram.wires.length}
        circuit={circuit}
        station={station}
        diagram={diagram}
        onTaken={() => setView('walk')}
      />
    ),
    walk: (
      <WalkCard
        jobId={job.id}
        circuit={circuit}
        station={station}
        diagram={diagram}
        onDone={() => setView('differences')}
      />
    ),
    differences: <Differences jobId={job.id} circuit={circuit} diagram={diagram} />,
    checks: <BeforePower circuit={circuit} station={station} />,
  };
  return (
    <>
      <View role="note" style={[styles.caution, { borderColor: t.red, backgroundColor: t.redSoft }]}>
        <Icon name="alert" size={20} color={t.red} />
        <AppText style={styles.grow}>{UNIT_CAUTION}</AppText>
      </View>
      {hasWires ? <Options label="The unit" options={VIEWS} value={view} onChange={setView} /> : null}
      {body[view]}
    </>
  );
}

const styles = sheet({
  caution: { flexDirection: 'row', gap: 8, borderWidth: 1, borderRadius: 12, padding: 10 },
  grow: { flex: 1 },
});
