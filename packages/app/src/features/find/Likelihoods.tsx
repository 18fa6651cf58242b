import { useCallback, useState } from 'react';
import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { FaultClass } from '@zygostat/core/diagnose';
import { faultClassText, namesIn, percentText } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { problemOf } from '../../store/api';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Options, Waiting } from '../../basics';
import { useForgetFoundMutation, useFoundQuery, useSetFactorMutation } from './api';

/** How much likelier than judged, by what is said. */
const FACTORS = { rarer: 0.33, judged: 1, commoner: 3 } as const;
const SAID = { rarer: 'Rarer', judged: 'As judged', commoner: 'Commoner' } as const;

const saidOf = (factor = 1): keyof typeof SAID => (factor < 1 ? 'rarer' : factor > 1 ? 'commoner' : 'judged');

/** Classes shown before more are asked for. */
const FIRST = 8;

function Classes({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const [all, setAll] = useState(false);
  const ask = useCallback((model: Remote<Model>) => model.classes(circuit), [circuit]);
  const classes = useModel<FaultClass[]>(ask);
  const { data } = useFoundQuery(undefined);
  const [setFactor, { error }] = useSetFactorMutation();
  const names = namesIn(circuit);
  if (!classes) return <Waiting label="Listing what can be wrong here" />;
  return (
    <>
      {error ? <AppText color={t.red}>{problemOf(error).detail}</AppText> : null}
      <View role="list" aria-label="How likely" style={styles.list}>
        {(all ? classes : classes.slice(0, FIRST)).map(({ name, share, failure }) => (
          <View key={name} role="listitem">
            <Options
              label={`${faultClassText(names, failure)}: ${percentText(share)}${
                data?.counts?.[name] ? `, found ${data.counts[name]} times` : ''
              }`}
              options={SAID}
              value={saidOf(data?.factors?.[name])}
              onChange={(said) => void setFactor({ name, factor: FACTORS[said] })}
            />
          </View>
        ))}
      </View>
      {!all && classes.length > FIRST ? (
        <ActionButton label={`All ${classes.length}`} look="plain" onPress={() => setAll(true)} />
      ) : null}
    </>
  );
}

/** What is likely before anything is observed: judged, counted in finished jobs, and said by who works here. */
export function Likelihoods({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const [open, setOpen] = useState(false);
  const { data } = useFoundQuery(undefined);
  const [forget] = useForgetFoundMutation();
  const confirmed = Object.values(data?.counts ?? {}).reduce((sum, count) => sum + count, 0);
  const said = Object.keys(data?.factors ?? {}).length;
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong">How likely each fault is</AppText>
      <AppText kind="small">
        {`Judged from memory; ${confirmed} confirmed ${confirmed === 1 ? 'fault counts' : 'faults count'} in it.`}
      </AppText>
      <ActionButton label={open ? 'Hide them' : 'See and change them'} onPress={() => setOpen(!open)} />
      {open ? <Classes circuit={circuit} /> : null}
      {confirmed + said > 0 ? (
        <ActionButton
          label="Back to what is judged"
          look="plain"
          hint="Forget what was found before, and what was said by hand"
          onPress={() => void forget(undefined)}
        />
      ) : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8 },
  list: { gap: 10 },
});
