import { Fragment } from 'react';
import { ScrollView, View } from 'react-native';
import { findConductor, splitTerminal } from '@zygostat/core/circuit';
import type { Circuit } from '@zygostat/core/circuit';
import type { ExchangeGrid, LandedEnd } from '@zygostat/core/prove';
import { colourName } from '@zygostat/core/standards';
import type { Tokens } from '../../theme';
import { sheet, useTokens } from '../../theme';
import type { MistakeFound } from '../../model/answers';
import { AppText, Tap } from '../../basics';
import type { Harm } from './harm';
import { HARMS, harmOf } from './harm';

type Grid = ExchangeGrid<MistakeFound>;
export type Pair = readonly [LandedEnd, LandedEnd];

/** Edge of a cell: a thumb's width; with what is between two. */
const CELL = 46;
const GAP = 4;
const HEAD = 44;

const inks = (t: Tokens): Record<Harm, { ink: string; fill: string; line: string }> => ({
  danger: { ink: t.onCopper, fill: t.red, line: t.red },
  fault: { ink: t.ink, fill: t.amberSoft, line: t.amber },
  caution: { ink: t.ink, fill: t.copperSoft, line: t.copper },
  none: { ink: t.ink, fill: t.card, line: t.mute },
  same: { ink: t.mute, fill: t.idle, line: t.idle },
});

/** "Y", or where several are on one screw "C BU": the mark, and the colour that tells them apart. */
function headsOf(circuit: Circuit, ends: readonly LandedEnd[]): string[] {
  const marks = ends.map(({ terminal }) => splitTerminal(terminal).mark);
  return ends.map(({ conductor }, i) => {
    const colour = findConductor(circuit, conductor)!.colour;
    return marks.filter((mark) => mark === marks[i]).length > 1 ? `${marks[i]} ${colour}` : marks[i]!;
  });
}

const endName = (circuit: Circuit, { conductor, terminal }: LandedEnd) =>
  `${colourName(findConductor(circuit, conductor)!.colour)} on ${splitTerminal(terminal).mark}`;

interface MistakeGridProps {
  circuit: Circuit;
  grid: Grid;
  chosen: Pair | null;
  onChoose: (pair: Pair) => void;
}

/** Conductor against conductor at one strip: each cell says by sign and colour what exchanging the two does. */
export function MistakeGrid({ circuit, grid, chosen, onChoose }: MistakeGridProps) {
  const t = useTokens();
  const colours = inks(t);
  const { ends } = grid;
  const heads = headsOf(circuit, ends);
  const cell = (i: number, j: number) => {
    const pair = [ends[i]!, ends[j]!] as const;
    const harm = harmOf(grid.at(...pair));
    const { ink, fill, line } = colours[harm];
    const isChosen = chosen?.[0] === pair[0] && chosen[1] === pair[1];
    const named = pair.map((end) => endName(circuit, end)).join(' with ');
    return (
      <Tap
        key={heads[j]! + j}
        role="button"
        aria-label={`${named}: ${HARMS[harm].word}`}
        aria-pressed={isChosen}
        disabled={harm === 'same'}
        onPress={() => onChoose(pair)}
        style={[
          styles.cell,
          { backgroundColor: fill, borderColor: isChosen ? t.ink : line },
          isChosen ? styles.chosen : null,
        ]}
      >
        <AppText kind="strong" color={ink}>
          {HARMS[harm].sign}
        </AppText>
      </Tap>
    );
  };
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false}>
      <View role="group" aria-label="If two are exchanged">
        <View style={styles.row} aria-hidden>
          <View style={styles.side} />
          {heads.slice(1).map((head, j) => (
            <View key={head + j} style={styles.top}>
              <AppText kind="strong">{head}</AppText>
            </View>
          ))}
        </View>
        {heads.slice(0, -1).map((head, i) => (
          <View key={head + i} style={styles.row}>
            <View style={styles.side} aria-hidden>
              <AppText kind="strong">{head}</AppText>
            </View>
            {heads.slice(1).map((other, k) => (
              <Fragment key={other + k}>{k < i ? <View style={styles.blank} /> : cell(i, k + 1)}</Fragment>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', gap: GAP, marginBottom: GAP },
  side: { width: HEAD, minHeight: CELL, justifyContent: 'center' },
  top: { width: CELL, alignItems: 'center' },
  blank: { width: CELL, height: CELL },
  cell: {
    width: CELL,
    height: CELL,
    borderWidth: 1.5,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  chosen: { borderWidth: 3 },
});
