/** Circuits of older versions, as this one has them. */
import type { Conductor } from './types';
import { VERSION } from './types';

type Older = Omit<Conductor, 'number' | 'state'>;

/** Version 1 had one text for what hangs on a conductor, its number and that it is spare or broken. */
export function conductorOfVersion1({ tag, ...rest }: Older): Conductor {
  if (tag === undefined) return rest;
  if (tag === 'spare') return { ...rest, state: 'spare' };
  if (tag === 'dead') return { ...rest, state: 'broken' };
  return /^\d{1,4}[A-Z]?$/.test(tag) ? { ...rest, number: tag } : { ...rest, tag };
}

const isObject = (given: unknown): given is Record<string, unknown> =>
  typeof given === 'object' && given !== null && !Array.isArray(given);

const isConductor = (given: unknown): given is Older =>
  isObject(given) && (given.tag === undefined || typeof given.tag === 'string');

/** What should be a circuit, of this version where it is one of an older; whatever else it is, it stays as it is. */
export function circuitReadIn(given: unknown): unknown {
  if (!isObject(given) || given.version !== 1 || !Array.isArray(given.cables)) return given;
  const cables = given.cables.map((cable: unknown) =>
    isObject(cable) && Array.isArray(cable.conductors)
      ? {
          ...cable,
          conductors: cable.conductors.map((one: unknown) =>
            isConductor(one) ? conductorOfVersion1(one) : one,
          ),
        }
      : cable,
  );
  return { ...given, version: VERSION, cables };
}
