import { memo } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import type { Block } from '@zygostat/core/drawing';
import type { Standing } from '@zygostat/core/network';
import { showVolts } from '../../bench/show';
import { useTokens } from '../../theme';
import { Words } from '../basics';

interface BlockButtonProps {
  block: Block;
  name: string;
  /** As written under the mark; `null` until the model has answered. */
  volts: number | null;
  standing: Standing;
  inviting: boolean;
  onTap: (terminal: string) => void;
}

const STANDING_WORDS: Record<Standing, string> = {
  hot: 'hot',
  return: 'return',
  dead: 'dead',
  floating: 'floating',
};

/** A terminal block: its designation, the volts on it, and a tap for everything else. */
export const BlockButton = memo(
  function BlockButton({ block, name, volts, standing, inviting, onTap }: BlockButtonProps) {
    const t = useTokens();
    const fill = { hot: t.copperSoft, return: t.tealSoft, dead: t.idle, floating: t.slateSoft }[standing];
    const ink = { hot: t.copper, return: t.teal, dead: t.mute, floating: t.slate }[standing];
    const figure = volts === null ? '–' : showVolts(volts);
    return (
      <Pressable
        role="button"
        aria-label={`${name}, ${figure} volts, ${STANDING_WORDS[standing]}`}
        testID={`stud-${block.terminal}`}
        onPress={() => onTap(block.terminal)}
        style={[
          styles.block,
          { left: block.x, top: block.y, width: block.width, height: block.height, backgroundColor: fill },
          inviting ? { borderColor: t.copper, borderWidth: 2, borderStyle: 'dashed' } : null,
        ]}
      >
        <Words kind="mark" lines={1} style={block.mark.length > 4 ? styles.long : null}>
          {block.mark}
        </Words>
        <Words kind="figure" color={ink} style={styles.volts}>
          {figure}
        </Words>
      </Pressable>
    );
  },
  (one, other) =>
    one.block === other.block &&
    one.standing === other.standing &&
    one.inviting === other.inviting &&
    one.onTap === other.onTap &&
    (one.volts === null
      ? other.volts === null
      : other.volts !== null && showVolts(one.volts) === showVolts(other.volts)),
);

const styles = StyleSheet.create({
  block: { position: 'absolute', borderRadius: 8, alignItems: 'center', justifyContent: 'center' },
  long: { fontSize: 16 },
  volts: { fontSize: 15, lineHeight: 18 },
});
