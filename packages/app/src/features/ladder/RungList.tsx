import { View } from 'react-native';
import type { BenchView } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor, findDevice } from '@zygostat/core/circuit';
import type { Piece, Rung } from '@zygostat/core/behaviour';
import type { Ladder } from '@zygostat/core/drawing';
import { isLoadOn } from '../bench/live';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';

interface RungListProps {
  ladder: Ladder;
  circuit: Circuit;
  view: BenchView | null;
  onStud: (node: string) => void;
}

/** Pieces in words and buttons, in the order of the current. */
function Pieces({
  pieces,
  circuit,
  view,
  onStud,
}: Omit<RungListProps, 'ladder'> & { pieces: readonly Piece[] }) {
  const t = useTokens();
  return (
    <View style={styles.pieces}>
      {pieces.map((piece, i) => {
        if (piece.type === 'stop') {
          const { node, mark, device } = piece.stop;
          const label = findDevice(circuit, device)!.label;
          return (
            <ActionButton
              key={i}
              label={mark}
              hint={`${label} ${mark}`}
              onPress={() => onStud(node)}
              style={styles.stop}
            />
          );
        }
        if (piece.type === 'wire') {
          const conductor = piece.conductor === null ? undefined : findConductor(circuit, piece.conductor);
          return (
            <AppText key={i} kind="small">
              {conductor ? conductor.colour : 'jumper'}
            </AppText>
          );
        }
        if (piece.type === 'load')
          return (
            <AppText key={i} kind="strong" color={t.copper}>
              {piece.title}
            </AppText>
          );
        const closed = view?.contacts[piece.contact.id] ?? piece.contact.restsClosed;
        return (
          <AppText key={i} kind="strong" color={closed ? t.ink : t.red}>
            {`${piece.contact.title} ${closed ? 'closed' : 'open'}`}
          </AppText>
        );
      })}
    </View>
  );
}

/** The ladder as a list, for narrow screens and screen readers. */
export function RungList({ ladder, ...rest }: RungListProps) {
  const t = useTokens();
  const isLive = ({ id }: Rung) => isLoadOn(rest.view, id);
  return (
    <View style={styles.list}>
      {ladder.sections.map((section) => (
        <View key={section.supply} style={styles.section} role="list" aria-label={section.title}>
          <AppText kind="title" heading={2}>
            {`${section.title} · ${section.line ? 'line voltage' : '24 V'}`}
          </AppText>
          {section.trunk.length > 0 ? <Pieces pieces={section.trunk} {...rest} /> : null}
          {section.rungs.map((rung) => (
            <View
              key={rung.id}
              role="listitem"
              style={[
                styles.rung,
                { backgroundColor: t.card, borderColor: isLive(rung) ? t.copper : t.line },
              ]}
            >
              <AppText kind="strong">{`${rung.title}${isLive(rung) ? ' · on' : ''}`}</AppText>
              <Pieces pieces={rung.before} {...rest} />
              {rung.ways.map((way, i) => (
                <View key={i} style={[styles.way, { borderColor: t.line }]}>
                  <AppText kind="small">{i === 0 ? 'Either' : 'or'}</AppText>
                  <Pieces pieces={way} {...rest} />
                </View>
              ))}
              {rung.ways.length > 0 ? <Pieces pieces={rung.after} {...rest} /> : null}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

const styles = sheet({
  list: { gap: 20 },
  section: { gap: 10 },
  rung: { borderWidth: 1.5, borderRadius: 10, padding: 10, gap: 8 },
  way: { borderLeftWidth: 3, paddingLeft: 10, gap: 4 },
  pieces: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  stop: { paddingHorizontal: 8 },
});
