import type { BenchView } from '@zygostat/core/behaviour';

/** Whether a rung's load is on: a load of the view, or a board's input by what stands on its terminal. */
export function isLoadOn(view: BenchView | null, id: string): boolean {
  const [device, load] = id.split('/');
  const input = load?.startsWith('input-') ? load.slice('input-'.length) : null;
  if (input) return view?.nodes[`${device}.${input}`]?.standing === 'hot';
  return (
    view?.loads.some((reading) => reading.energised && `${reading.device}/${reading.id}` === id) ?? false
  );
}
