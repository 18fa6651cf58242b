/**
 * A terminal block in two layers: a face that changes with every answer of the model, and
 * over it a button that does not, so that a changed figure costs no more than its text.
 */
import { memo } from 'react';
import { weakMapMemoize } from '@reduxjs/toolkit';
import type { Block } from '@zygostat/core/drawing';
import type { Standing } from '@zygostat/core/network';
import { fillStyle, sheet, useTokens } from '../../theme';
import { AppText, Tap, RESET, host } from '../../basics';
import { OFF_TAB } from './arrows';
import { standingFill, standingInk } from './inks';

const faceId = (block: Block) => `face-${block.terminal}`;

/** Where a block lies, compiled once for as long as the loom is laid so. */
const placeOf = weakMapMemoize(
  ({ x, y, width, height }: Block) => sheet({ place: { left: x, top: y, width, height } }).place,
);

interface BlockFaceProps {
  block: Block;
  name: string;
  /** Volts as they are written under the mark. */
  figure: string;
  standing: Standing;
  /** Hot at more than a control circuit may have. */
  line: boolean;
}

/** Designation and volts. Its label names the button that lies over it. */
export const BlockFace = memo(function BlockFace({ block, name, figure, standing, line }: BlockFaceProps) {
  const t = useTokens();
  return host({
    id: faceId(block),
    'aria-hidden': true,
    'aria-label': `${name}, ${figure} volts, ${line ? 'line ' : ''}${standing}`,
    style: [RESET.box$raw, styles.block, placeOf(block), fillStyle(standingFill(t, standing, line))],
    children: (
      <>
        <AppText kind="mark" lines={1} style={block.mark.length > 4 ? styles.long : null}>
          {block.mark}
        </AppText>
        <AppText kind="figure" color={standingInk(t, standing, line)} style={styles.volts}>
          {figure}
        </AppText>
      </>
    ),
  });
});

interface BlockButtonProps {
  block: Block;
  /** Something in hand waits for a stud to be tapped. */
  inviting: boolean;
  onTap: (terminal: string) => void;
}

/** The tap on a block. */
function BlockButton({ block, inviting, onTap }: BlockButtonProps) {
  const t = useTokens();
  return (
    <Tap
      {...OFF_TAB}
      role="button"
      aria-labelledby={faceId(block)}
      testID={`stud-${block.terminal}`}
      onPress={() => onTap(block.terminal)}
      style={[styles.block, placeOf(block), inviting ? [styles.inviting, { borderColor: t.copper }] : null]}
    />
  );
}

interface BlockButtonsProps extends Omit<BlockButtonProps, 'block'> {
  blocks: readonly Block[];
}

/** The taps of every block, which no answer of the model touches. */
export const BlockButtons = memo(function BlockButtons({ blocks, ...rest }: BlockButtonsProps) {
  return blocks.map((block) => <BlockButton key={block.terminal} block={block} {...rest} />);
});

const styles = sheet({
  block: { position: 'absolute', borderRadius: 8, alignItems: 'center', justifyContent: 'center' },
  inviting: { borderWidth: 2, borderStyle: 'dashed' },
  long: { fontSize: 16 },
  volts: { fontSize: 15, lineHeight: 18 },
});
