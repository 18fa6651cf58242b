/** Which wiring a test was made on: one that was made before a wire was moved says nothing of what is there now. */
import { sha256 } from '@noble/hashes/sha256';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import type { Circuit } from '../circuit';
import { canonical } from './chain';

/** Hexadecimal digits of a mark. */
const DIGITS = 16;

const byId = <T extends { id: string }>(all: readonly T[]): T[] =>
  [...all].sort((one, other) => (one.id < other.id ? -1 : 1));

/**
 * A mark of everything in a circuit that current knows of: mains, parts and how they are set, where every conductor lands, links.
 * Names, tags and what was found earlier leave it as it is.
 */
export function wiringMark({ mains, devices, cables, links }: Circuit): string {
  const wiring = {
    mains,
    devices: byId(devices).map(({ id, kind, params, settings }) => ({ id, kind, params, settings })),
    cables: byId(cables).map(({ id, gauge, lengthM, conductors }) => ({
      ...{ id, gauge, lengthM },
      conductors: byId(conductors).map(({ id: conductor, from, to, state = null }) => ({
        ...{ conductor, from, to, state },
      })),
    })),
    links: byId(links).map(({ kind, joins }) => ({ kind, joins: [...joins].sort() })),
  };
  return bytesToHex(sha256(utf8ToBytes(canonical(wiring)))).slice(0, DIGITS);
}
