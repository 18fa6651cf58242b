import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { View } from 'react-native';
import type { Body, Item } from '@zygostat/core/record';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Field, Options } from '../../basics';
import type { When } from './until';
import { WHEN, untilOf } from './until';
import { dayText } from '../../basics/when';

interface ItemsProps {
  items: readonly Item[];
  onWrite: (body: Body) => Promise<boolean>;
}

/** What was noticed and left for the next visit. */
export function Items({ items, onWrite }: ItemsProps) {
  const t = useTokens();
  const [text, setText] = useState('');
  const [when, setWhen] = useState<When>('open');
  const open = items.filter(({ done }) => !done);
  const add = async () => {
    if (await onWrite({ type: 'noticed', item: nanoid(), text: text.trim(), until: untilOf(when) }))
      setText((now) => (now === text ? '' : now));
  };
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="title" heading={2}>
        Noticed and left
      </AppText>
      <View role="list" aria-label="Noticed and left" style={styles.list}>
        {open.map(({ id, text: noticed, by, until }) => (
          <View key={id} role="listitem" style={styles.line}>
            <View style={styles.grow}>
              <AppText>{noticed}</AppText>
              <AppText kind="small">{until ? `${by} · by ${dayText(until)}` : by}</AppText>
            </View>
            <ActionButton
              label="Done"
              hint={`Dealt with: ${noticed}`}
              onPress={() => void onWrite({ type: 'dealt-with', item: id, text: noticed })}
            />
          </View>
        ))}
      </View>
      <Field
        label="A missing cap, a part to bring"
        hint="Noticed"
        value={text}
        most={2000}
        onChange={setText}
      />
      <Options label="By when" options={WHEN} value={when} onChange={setWhen} />
      <ActionButton label="Leave it open" disabled={text.trim() === ''} onPress={() => void add()} />
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  list: { gap: 8 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  grow: { flex: 1 },
});
