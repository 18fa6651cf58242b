import type { Call } from '../../devices';
import type { Cause, Stretch, Trace } from '../trace';
import { partsOf, tell } from '../trace';
import type { Scene } from '../scene';

export interface Status {
  tone: 'idle' | 'running' | 'waiting' | 'caution' | 'fault';
  text: string;
  /** What to do, or why there is nothing to do. */
  next: string;
  /** When the wait ends, absolute seconds on the bench's clock. */
  until?: number;
  /** Devices, conductors and links it names as the cause, by id. */
  parts?: readonly string[];
}

/** What every part of the status line is worked out from. */
export interface StatusContext {
  scene: Scene;
  trace: Trace;
  /** What is called for now. */
  active: ReadonlySet<Call>;
}

const partsOfAny = (cause: Cause | Stretch): readonly string[] =>
  cause.type === 'between' ? cause.parts : partsOf(cause);

/** A fault with the cause behind it. */
export function faultBy({ scene }: StatusContext, text: string, cause: Cause | Stretch): Status {
  const told = tell(scene.network, scene.faces, cause);
  return { tone: 'fault', text: `${text}: ${told.text}`, next: told.next, parts: partsOfAny(cause) };
}
