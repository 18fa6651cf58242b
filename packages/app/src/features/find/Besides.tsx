import { useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { ENDS } from '@zygostat/core/circuit';
import type { Observation, Sight } from '@zygostat/core/diagnose';
import { SIGHTS, stateId, triedIn, trialsOf } from '@zygostat/core/diagnose';
import type { Names } from '@zygostat/core/words';
import { SIGHT, conductorAtText } from '@zygostat/core/words';
import { ActionButton, AppText, BottomSheet } from '../../basics';
import { sheet } from '../../theme';

type What = 'replaced' | 'lifted' | 'jumper' | Sight;

const WHATS: readonly (readonly [What, string])[] = [
  ...SIGHTS.map((sight) => [sight, SIGHT[sight]] as const),
  ['replaced', 'Already replaced'],
  ['lifted', 'I lifted a conductor'],
  ['jumper', 'I held a jumper'],
];

interface Told {
  key: string;
  text: string;
  tell: () => void;
}

interface BesidesProps {
  circuit: Circuit;
  names: Names;
  /** The call everything is set to. */
  call: string;
  onTell: (observation: Observation) => void;
  /** Something is tried in a state of this id. */
  onTry: (state: string) => void;
}

/** What can be told of a kind, one line each. */
function linesOf({ circuit, names, call, onTell, onTry }: BesidesProps, what: What): Told[] {
  const devices = circuit.devices.map(({ id }) => ({ key: id, text: names.device(id), id }));
  switch (what) {
    case 'replaced':
      return devices.map(({ id, ...line }) => ({
        ...line,
        tell: () => onTell({ type: 'replaced', device: id }),
      }));
    case 'lifted':
      return circuit.cables.flatMap(({ conductors }) =>
        conductors.flatMap((conductor) =>
          ENDS.flatMap((end) =>
            conductor[end] === null
              ? []
              : [
                  {
                    key: `${conductor.id} ${end}`,
                    text: conductorAtText(names, conductor.id, end),
                    tell: () => onTry(stateId({ call, lifted: [{ conductor: conductor.id, end }] })),
                  },
                ],
          ),
        ),
      );
    case 'jumper':
      return trialsOf(circuit).flatMap((state) => {
        const { jumper } = triedIn(state)!;
        if (!jumper) return [];
        const text = jumper.map((terminal) => names.node(terminal)).join(' to ');
        return [{ key: state, text, tell: () => onTry(stateId({ call, jumper })) }];
      });
    default: {
      const cables = circuit.cables.map(({ id }) => ({ key: id, text: names.cable(id), id }));
      const told =
        (type: 'device' | 'cable') =>
        ({ id, ...line }: { key: string; text: string; id: string }): Told => ({
          ...line,
          tell: () => onTell({ type: 'sight', sight: what, target: { type, id } }),
        });
      return [...devices.map(told('device')), ...cables.map(told('cable'))];
    }
  }
}

/** What a person saw, did or knows besides what was asked. */
export function Besides(props: BesidesProps) {
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState<What | null>(null);
  const close = () => {
    setOpen(false);
    setWhat(null);
  };
  return (
    <>
      <ActionButton label="Tell something else" look="plain" onPress={() => setOpen(true)} />
      {open ? (
        <BottomSheet
          title={what === null ? 'What else?' : (WHATS.find(([name]) => name === what)?.[1] ?? '')}
          subtitle={what === null ? 'Seen, done or known by the way' : 'Where?'}
          onClose={close}
        >
          <View role="list" aria-label="What else" style={styles.list}>
            {what === null
              ? WHATS.map(([name, text]) => (
                  <View key={name} role="listitem">
                    <ActionButton label={text} onPress={() => setWhat(name)} />
                  </View>
                ))
              : linesOf(props, what).map(({ key, text, tell }) => (
                  <View key={key} role="listitem">
                    <ActionButton
                      label={text}
                      onPress={() => {
                        tell();
                        close();
                      }}
                    />
                  </View>
                ))}
          </View>
          {what === 'jumper' ? (
            <AppText kind="small">
              From hot to a call only, for seconds, held by hand. Never across a safety, and never left.
            </AppText>
          ) : null}
        </BottomSheet>
      ) : null}
    </>
  );
}

const styles = sheet({ list: { gap: 8 } });
