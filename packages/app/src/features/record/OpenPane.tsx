import { useMemo, useState } from 'react';

import type { Circuit } from '@zygostat/core/circuit';
import { bypassesIn, compile } from '@zygostat/core/network';
import type { Standing } from '@zygostat/core/record';
import { bypassesStillIn, failedTests } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { goTo } from '../job/address';
import { BypassCard } from './BypassCard';
import { BypassSheet } from './BypassSheet';
import { Finish } from './Finish';
import { Items } from './Items';
import { useWrite } from './useRecord';
import { sheet } from '../../theme';

interface OpenPaneProps {
  jobId: string;
  circuit: Circuit;
  names: Names;
  standing: Standing;
}

/** What is still open: safeties bypassed, what was noticed and left; and the end of the job. */
export function OpenPane({ jobId, circuit, names, standing }: OpenPaneProps) {
  const write = useWrite(jobId);
  const [adding, setAdding] = useState<{ device: string | null } | null>(null);
  const still = bypassesStillIn(standing);
  const failed = failedTests(standing).filter(({ handed }) => !handed).length;
  const inModel = useMemo(
    () => [...new Set(bypassesIn(compile(circuit)).map(({ device }) => device))],
    [circuit],
  );
  const untold = inModel.filter((device) => !still.some((bypass) => bypass.device === device));
  return (
    <>
      {untold.map((device) => (
        <ActionButton
          key={device}
          label={`${names.device(device)} is bypassed here: record it`}
          icon="alert"
          onPress={() => setAdding({ device })}
        />
      ))}
      {still.map((bypass) => (
        <BypassCard key={bypass.id} bypass={bypass} circuit={circuit} names={names} onWrite={write} />
      ))}
      {still.length === 0 && untold.length === 0 ? <AppText>No safety is bypassed.</AppText> : null}
      <ActionButton
        label="A safety is bypassed"
        look={still.length === 0 ? 'filled' : 'outlined'}
        onPress={() => setAdding({ device: null })}
        style={styles.add}
      />
      {failed > 0 ? (
        <ActionButton
          label={`${failed === 1 ? 'A test' : `${failed} tests`} failed: show`}
          icon="alert"
          onPress={() => goTo(jobId, 'record', 'tests')}
        />
      ) : null}
      <Items items={standing.items} onWrite={write} />
      <Finish names={names} standing={standing} onWrite={write} />
      {adding ? (
        <BypassSheet
          circuit={circuit}
          names={names}
          device={adding.device}
          onWrite={write}
          onClose={() => setAdding(null)}
        />
      ) : null}
    </>
  );
}

const styles = sheet({ add: { minHeight: 52 } });
