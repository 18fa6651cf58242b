import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { FieldSet, Values } from '@zygostat/core/devices';
import { CATALOGUE, fill, kindOf, said } from '@zygostat/core/devices';
import type { Added } from '@zygostat/core/plan';
import { unwiredSafeties } from '@zygostat/core/plan';
import { inSentence } from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import { sheet, useTokens } from '../../theme';
import { FieldEditor } from '../trace/FieldEditor';

/** More in one conductor than anybody puts there. */
const MOST = 6;

/** Kinds of safety that are added to a system, by name. */
export const safeties = (): Readonly<Record<string, string>> =>
  Object.fromEntries(
    CATALOGUE.flatMap(({ kind, title, safety }) => (safety?.retrofit ? [[kind, title]] : [])),
  );

/** What is said of the choices among its params: "It sits in the drain line · At its lowest corner". */
const summary = (params: FieldSet, values: Values) =>
  Object.entries(params)
    .flatMap(([name, field]) =>
      field.type === 'choice' ? [`${field.label} ${inSentence(said(field, values[name]!))}`] : [],
    )
    .join(' · ');

/** A device to be added as it is to be bought and set, folded until it is asked for. */
export function Facts({
  title,
  params,
  given,
  onChange,
}: {
  title: string;
  params: FieldSet;
  given: Values;
  onChange: (name: string, value: Values[string]) => void;
}) {
  const [open, setOpen] = useState(false);
  const values = fill(params, given);
  if (Object.keys(params).length === 0) return null;
  return (
    <View style={styles.facts}>
      <ActionButton
        label={open ? 'Done' : summary(params, values)}
        hint={`${title}: ${open ? 'done' : 'change where it sits'}`}
        onPress={() => setOpen(!open)}
      />
      {open
        ? Object.entries(params).map(([name, field]) => (
            <FieldEditor
              key={name}
              field={field}
              value={values[name]!}
              given={name in given}
              onChange={(value) => onChange(name, value)}
            />
          ))
        : null}
    </View>
  );
}

/** Safeties one after the other, in the order in which the current meets them. */
export function ChainEditor({
  circuit,
  chain,
  onChange,
}: {
  circuit: Circuit;
  chain: readonly Added[];
  onChange: (chain: readonly Added[]) => void;
}) {
  const t = useTokens();
  const more: readonly Added[] = [
    ...unwiredSafeties(circuit).filter(({ device }) => !chain.some((one) => one.device === device)),
    ...Object.entries(safeties()).map(([kind, title]) => ({
      kind,
      label: newLabel(title, chain),
      params: {},
    })),
  ];
  const change = (i: number, params: Added['params']) =>
    onChange(chain.map((one, at) => (at === i ? { ...one, params: { ...one.params, ...params } } : one)));
  return (
    <View style={styles.facts}>
      <View role="list" aria-label="In the row" style={styles.facts}>
        {chain.map(({ kind, label, params = {}, device }, i) => (
          <View
            key={label}
            role="listitem"
            style={[styles.link, { backgroundColor: t.card, borderColor: t.line }]}
          >
            <View style={styles.head}>
              <AppText kind="strong" style={styles.name}>{`${i + 1}  ${label}`}</AppText>
              {chain.length > 1 ? (
                <ActionButton
                  label="Take out"
                  hint={`Take ${label} out`}
                  onPress={() => onChange(chain.filter((_, at) => at !== i))}
                />
              ) : null}
            </View>
            {device ? null : (
              <Facts
                title={label}
                params={kindOf(kind).params}
                given={params}
                onChange={(name, value) => change(i, { [name]: value })}
              />
            )}
          </View>
        ))}
      </View>
      {chain.length < MOST ? (
        <View role="group" aria-label="One more in the row" style={styles.more}>
          {more.map((one) => {
            const title = one.device ? `${one.label}, not wired yet` : kindOf(one.kind).title;
            return (
              <ActionButton
                key={title}
                label={`+ ${title}`}
                hint={`Add ${title}`}
                onPress={() => onChange([...chain, one])}
              />
            );
          })}
        </View>
      ) : null}
    </View>
  );
}

/** A label nothing else in the row has. */
export function newLabel(title: string, chain: readonly Added[]): string {
  const stem = `New ${title.charAt(0).toLowerCase()}${title.slice(1)}`;
  const taken = new Set(chain.map(({ label }) => label));
  for (let n = 1; ; n++) {
    const label = n === 1 ? stem : `${stem} ${n}`;
    if (!taken.has(label)) return label;
  }
}

const styles = sheet({
  facts: { gap: 8 },
  link: { borderWidth: 1.5, borderRadius: 12, padding: 10, gap: 8 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  name: { flex: 1 },
  more: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
