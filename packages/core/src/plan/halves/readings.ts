/** What is read on the run between two halves, before power and after it: worked out on the run as it is to be. */
import type { Circuit, TerminalId, UnitHalf } from '../../circuit';
import { directOf, voltsBetween } from '../../network';
import { asksOf, runCase, supply } from '../../prove';

export type RunReading =
  /** Supply at a half, V a.c. */
  | { type: 'supply'; half: string; probes: readonly [TerminalId, TerminalId]; volts: number }
  /** The signal at a half, V d.c.: at rest and while cooling is called. It moves. */
  | { type: 'signal'; half: string; probes: readonly [TerminalId, TerminalId]; rest: number; called: number }
  /** Line against signal, V a.c.: the supply seen through the boards. It says nothing of the signal. */
  | { type: 'through'; half: string; probes: readonly [TerminalId, TerminalId]; volts: number };

/** Readings at both halves, the fed one first. */
export function runReadings(circuit: Circuit, halves: readonly [UnitHalf, UnitHalf]): RunReading[] {
  const supplied = supply(circuit, 1);
  const cool = asksOf(circuit).find(({ id }) => id === 'cool')!;
  const rest = supplied.rest.point;
  const called = runCase(supplied, { asked: cool, trip: null, mains: 1 }).steady.point;
  return halves.flatMap(({ device: { id }, at: { line, neutral, signal } }): RunReading[] => {
    const pair = (one: string, other: string) => [`${id}.${one}`, `${id}.${other}`] as const;
    const [feed, loop, past] = [pair(line, neutral), pair(signal, neutral), pair(line, signal)];
    return [
      { type: 'supply', half: id, probes: feed, volts: voltsBetween(rest, ...feed) },
      {
        type: 'signal',
        half: id,
        probes: loop,
        rest: voltsBetween(directOf(rest), ...loop),
        called: voltsBetween(directOf(called), ...loop),
      },
      { type: 'through', half: id, probes: past, volts: voltsBetween(rest, ...past) },
    ];
  });
}
