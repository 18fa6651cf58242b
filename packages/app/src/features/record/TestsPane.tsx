import type { Remote } from 'comlink';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { CommissionTest, Standing } from '@zygostat/core/record';
import { isOutdated, wiringMark } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { OUTCOME, OUTDATED, testTitle } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Waiting } from '../../basics';
import { useInForce } from '../circuit/in-force';
import { Failed } from './Failed';
import { TestCard } from './TestCard';
import { useWrite } from './useRecord';

interface TestsPaneProps {
  jobId: string;
  circuit: Circuit;
  names: Names;
  standing: Standing;
}

/** The tests that prove the job, one at a time, in order; each may be made again. */
export function TestsPane({ jobId, circuit: recorded, names, standing }: TestsPaneProps) {
  const t = useTokens();
  const write = useWrite(jobId);
  // With whatever bypass is in: what is tested is what is there.
  const circuit = useInForce(recorded);
  const ask = useCallback((model: Remote<Model>) => model.commission(circuit), [circuit]);
  const tests = useModel<CommissionTest[]>(ask);
  const wiring = useMemo(() => wiringMark(circuit), [circuit]);
  const [chosen, setChosen] = useState<string | null>(null);
  if (!tests) return <Waiting label="Working out the tests" />;
  const madeOf = ({ id }: CommissionTest) => {
    const tested = standing.tests.get(id);
    return tested && { ...tested, isOld: isOutdated(tested, wiring) };
  };
  const isDue = (test: CommissionTest) => madeOf(test)?.isOld ?? true;
  const next = tests.find((test) => test.id === chosen) ?? tests.find(isDue);
  const inkOf = (test: CommissionTest) => {
    const made = madeOf(test);
    if (!made) return t.mute;
    return made.isOld
      ? t.amber
      : { 'as-it-should': t.teal, 'not-so': t.red, 'not-today': t.amber }[made.outcome];
  };
  const wentAs = (test: CommissionTest) => {
    const made = madeOf(test);
    if (!made) return 'not made yet';
    return [OUTCOME[made.outcome], ...(made.isOld ? [OUTDATED] : [])].join('; ');
  };
  return (
    <>
      {next ? (
        <TestCard
          key={next.id}
          test={next}
          at={`Test ${tests.indexOf(next) + 1} of ${tests.length}`}
          names={names}
          onWrite={async (body) => {
            const isWritten = await write(body.type === 'tested' ? { ...body, wiring } : body);
            // What was chosen while the answer was on its way stays chosen.
            if (isWritten) setChosen((now) => (now === next.id ? null : now));
            return isWritten;
          }}
        />
      ) : (
        <AppText kind="strong">Every test was made. Whatever is not as it should is in the list.</AppText>
      )}
      <Failed jobId={jobId} tests={tests} standing={standing} onRun={setChosen} onWrite={write} />
      <View role="list" aria-label="Tests" style={styles.list}>
        {tests.map((test) => (
          <View key={test.id} role="listitem" style={[styles.line, { borderColor: t.line }]}>
            <View style={styles.grow}>
              <AppText>{testTitle(names, test)}</AppText>
              <AppText kind="small" color={inkOf(test)}>
                {wentAs(test)}
              </AppText>
            </View>
            {test !== next ? (
              <ActionButton
                label={madeOf(test) ? 'Again' : 'Make'}
                hint={`Make the test: ${testTitle(names, test)}`}
                onPress={() => setChosen(test.id)}
              />
            ) : null}
          </View>
        ))}
      </View>
      <AppText kind="small">
        They follow from the circuit as it is recorded. The maker’s start-up sheet and local code win over
        them.
      </AppText>
    </>
  );
}

const styles = sheet({
  list: { gap: 0 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, borderBottomWidth: 1, paddingVertical: 8 },
  grow: { flex: 1 },
});
