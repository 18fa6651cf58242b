/** A unit in two halves: what is live that must not be, which half is dark, and whether they hear one another. */
import { TOUCH_VOLTS } from '../../standards';
import { directOf, passing } from '../../network';
import type { Half } from '../halves';
import { caseVolts, halvesIn } from '../halves';
import type { Cause, Trace } from '../trace';
import { causeOfMissing, isShorted } from '../trace';
import type { News, Status, StatusContext } from './status';
import { faultBy } from './status';
import { wiringAt } from './wiring-at';

const idOf = ({ installed: { device } }: Half) => device.id;
const runOf = (half: Half, marks: readonly string[]) => marks.map((mark) => `${idOf(half)}.${mark}`);
const ALL = ({ line, neutral, signal, earth }: Half['at']) => [line, neutral, signal, earth];

/** What is wrong with the wiring of the run, at some of its marks first. */
function runCause(
  trace: Trace,
  halves: readonly Half[],
  marks: (at: Half['at']) => readonly string[],
): Cause | null {
  const at = (of: (at: Half['at']) => readonly string[]) =>
    new Set(halves.flatMap((half) => runOf(half, of(half.at))));
  return wiringAt(trace, at(marks), at(ALL));
}

const inside = ({ installed: { device } }: Half, element: string): Cause => ({
  type: 'inside',
  device: device.id,
  element,
});

const isOpen = ({ network, settled }: Trace, { installed: { branches } }: Half, element: string) =>
  !passing(network, settled.point.choice, branches.get(element)!);

/** A signal side that should pass its current and does not, or that passes far too much. */
function signalSide(trace: Trace, halves: readonly Half[]): Cause | null {
  const { settled } = trace;
  for (const half of halves) {
    const { signalContact, signalPath, stands } = half.at;
    const { id } = half.installed.device;
    const { awake, burnt } = stands(settled.world.states[id]!);
    if (awake && !burnt && isOpen(trace, half, signalContact)) return inside(half, signalContact);
    if (isShorted(trace, directOf(settled.point), half.installed.branches.get(signalPath)!))
      return { type: 'shorted', device: id, element: signalPath };
  }
  return null;
}

/** Why a half has nothing: the run, its fuse, its board. */
function darkCause(trace: Trace, halves: readonly Half[], dark: Half): Cause {
  const { board, fuse } = dark.at;
  return (
    runCause(trace, halves, ({ line, neutral }) => [line, neutral]) ??
    (isOpen(trace, dark, fuse)
      ? inside(dark, fuse)
      : causeOfMissing(trace, dark.installed.branches.get(board)!))
  );
}

const told = (news: News, cause: Cause | null, parts: readonly string[]): Status =>
  cause ? faultBy(news, cause) : { tone: 'fault', news, parts };

/** A case that a hand may not touch. */
export function liveCase({ scene: { network, settled }, trace }: StatusContext): Status | null {
  const halves = halvesIn(network);
  for (const half of halves) {
    const volts = caseVolts(settled.point, half);
    if (volts > TOUCH_VOLTS)
      return told(
        { type: 'live-case', device: idOf(half), volts },
        runCause(trace, halves, ({ earth }) => [earth]),
        [idOf(half)],
      );
  }
  return null;
}

/** One half without its supply while the other has it, a burnt signal side, or no signal between two that are awake. */
export function apart({ scene: { network, settled }, trace }: StatusContext): Status | null {
  const halves = halvesIn(network);
  if (halves.length !== 2) return null;
  const stands = halves.map((half) => ({ half, ...half.at.stands(settled.world.states[idOf(half)]!) }));
  const signal = ({ signal: mark, neutral }: Half['at']) => [mark, neutral];
  const burnt = stands.filter((one) => one.burnt).map(({ half }) => idOf(half));
  if (burnt.length > 0)
    return told({ type: 'burnt', devices: burnt }, runCause(trace, halves, signal), burnt);
  const dark = stands.find(({ awake }) => !awake);
  if (dark) {
    const lit = stands.find(({ awake }) => awake);
    if (!lit) return null;
    const news: News = { type: 'half-dark', device: idOf(dark.half), other: idOf(lit.half) };
    return told(news, darkCause(trace, halves, dark.half), []);
  }
  const deaf = stands.filter(({ hears }) => !hears).map(({ half }) => idOf(half));
  return deaf.length === 0
    ? null
    : told(
        { type: 'no-signal', devices: deaf },
        runCause(trace, halves, signal) ?? signalSide(trace, halves),
        [],
      );
}

/** Nothing called of a unit in two halves, and no other supply here: whether it is live. */
export function halvesAtRest({ scene: { network, settled } }: StatusContext): Status | null {
  const halves = halvesIn(network);
  if (halves.length === 0) return null;
  const isLive = halves.some((half) => half.at.stands(settled.world.states[idOf(half)]!).awake);
  return { tone: 'idle', news: { type: isLive ? 'halves-ready' : 'halves-dead' } };
}
