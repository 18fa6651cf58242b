import type { Circuit } from '@zygostat/core/circuit';
import { isSplice, nodeName } from '@zygostat/core/circuit';

/** A terminal by name; a splice says that it is one. */
export function nameAt(circuit: Circuit, terminal: string): string {
  const name = nodeName(circuit, terminal);
  return isSplice(circuit, terminal) ? `wire nut ${name}` : name;
}
