/**
 * How common parts fail, for the kinds that are made of them. Likelihoods are judgement: how often a fault is met
 * against one conductor broken out of sight.
 */
import type { FaultMode } from '../define';
import { CLOSED_CONTACT_OHMS, LOGIC, inputOf } from '../element';

/** A winding or a heater that no longer passes anything. */
export const openFault = (element: string, title: string, likelihood: number, part?: string): FaultMode => ({
  mode: `${element}-open`,
  title,
  likelihood,
  elements: { [element]: 'open' },
  ...(part !== undefined && { part }),
});

/** A contact that a relay or a person moves: it stays open, stays closed, or passes too little. */
export const contactFaults = (element: string, title: string, likelihood = 1): FaultMode[] => [
  {
    mode: `${element}-stays-open`,
    title: `${title} does not close`,
    likelihood,
    elements: { [element]: 'open' },
  },
  {
    mode: `${element}-stays-closed`,
    title: `${title} does not open`,
    likelihood: likelihood / 2,
    elements: { [element]: { ohms: CLOSED_CONTACT_OHMS } },
  },
];

/** A board: dead altogether, or deaf at one of its inputs. */
export const boardFaults = (inputs: readonly string[]): FaultMode[] => [
  { mode: 'dead', title: 'Board dead', likelihood: 1, elements: { [LOGIC]: 'open' } },
  ...inputs.map((mark): FaultMode => ({
    mode: `${mark.toLowerCase()}-input-open`,
    title: `${mark} input dead`,
    likelihood: 0.3,
    elements: { [inputOf(mark)]: 'open' },
  })),
];
