import type { PropsWithChildren } from 'react';
import { useState } from 'react';
import { View } from 'react-native';
import { ActionButton, AppText } from '../../basics';
import { sheet } from '../../theme';

type ChoicesProps = PropsWithChildren<{
  /** What was chosen, in a line. */
  line: string;
  /** The answer to it, where there is one: it comes before what was asked. */
  answer: unknown;
}>;

/** What is chosen before a plan is made; one line once it is made, until it is to be changed. */
export function Choices({ line, answer, children }: ChoicesProps) {
  const [openFor, setOpenFor] = useState<unknown>(null);
  if (answer === null || openFor === answer) return children;
  return (
    <View style={styles.folded}>
      <AppText style={styles.line}>{line}</AppText>
      <ActionButton label="Change" hint={`Change: ${line}`} onPress={() => setOpenFor(answer)} />
    </View>
  );
}

const styles = sheet({
  folded: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  line: { flex: 1 },
});
