import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { useStrengthMutation } from './api';

const WORDS = ['Guessed at once', 'Guessed soon', 'Holds a while', 'Good', 'Very good'] as const;
const MOST = WORDS.length - 1;
/** Less than this is refused (`crew/password.ts` of the server). */
const ENOUGH = 2;
/** Asked once typing rests, ms. */
const RESTS_MS = 400;

interface StrengthMeterProps {
  password: string;
  /** Whose it is to be: a name is tried first. */
  name?: string;
  /** The code whoever is not here yet comes by. */
  code?: string;
}

/** How soon a new password would be guessed, as one writes it. */
export function StrengthMeter({ password, name = '', code }: StrengthMeterProps) {
  const t = useTokens();
  const [ask] = useStrengthMutation();
  const [found, setFound] = useState<{ of: string; strength: number } | null>(null);
  const of = `${name}\n${password}`;
  useEffect(() => {
    if (password === '') return;
    let wanted = true;
    const timer = setTimeout(() => {
      void ask({ password, name, ...(code !== undefined && { code }) }).then(({ data }) => {
        if (wanted && data) setFound({ of, strength: data.strength });
      });
    }, RESTS_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [ask, password, name, code, of]);
  // What was found of another password says nothing of this one.
  if (found?.of !== of || password === '') return null;
  const { strength } = found;
  const words = WORDS[strength]!;
  const ink = strength < ENOUGH ? t.red : strength === ENOUGH ? t.amber : t.teal;
  return (
    <View
      role="meter"
      aria-label="Strength of the password"
      aria-valuemin={0}
      aria-valuemax={MOST}
      aria-valuenow={strength}
      aria-valuetext={words}
      style={styles.meter}
    >
      <View style={styles.bars}>
        {WORDS.slice(1).map((word, i) => (
          <View
            key={word}
            style={[styles.bar, { borderColor: ink }, i < strength ? { backgroundColor: ink } : null]}
          />
        ))}
      </View>
      <AppText kind="strong" color={ink}>
        {words}
      </AppText>
    </View>
  );
}

const styles = sheet({
  meter: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  bars: { flexDirection: 'row', gap: 4, flex: 1 },
  bar: { flex: 1, height: 8, borderRadius: 4, borderWidth: 1 },
});
