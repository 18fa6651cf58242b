/** The views of Trace, and where each is shown. */
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';

export type Pane = 'loom' | 'find' | 'ladder' | 'path' | 'time' | 'air' | 'readings';

export const PANES: Record<Pane, string> = {
  loom: 'Loom',
  find: 'Find',
  ladder: 'Ladder',
  path: 'Path',
  time: 'Time',
  air: 'Air',
  // Short for six tabs side by side; a screen reader hears it whole.
  readings: 'Log',
};

/** On a wide screen the loom stands beside the panes. */
const WIDE_PANES: readonly Pane[] = ['path', 'find', 'ladder', 'time', 'air', 'readings'];
const PHONE_PANES: readonly Pane[] = ['loom', 'find', 'ladder', 'path', 'time', 'air', 'readings'];

/** Where nothing is probed, and whoever calls does so there. */
export const NO_PROBES: ReadonlySet<Pane> = new Set(['find', 'air']);

/** The air only where something stands for the ducts or the rooms. */
export function panesFor({ devices }: Circuit, isWide: boolean): readonly Pane[] {
  const all = isWide ? WIDE_PANES : PHONE_PANES;
  return devices.map(({ kind }) => kindOf(kind)).some(({ conveys, houses }) => conveys ?? houses)
    ? all
    : all.filter((pane) => pane !== 'air');
}
