import { hasTerminal } from '../terminals';
import type { Circuit, Link } from '../types';
import { need } from './edit-error';

/** Joins terminals with a jumper or a splice. */
export function addLink(circuit: Circuit, link: Link): Circuit {
  need(!circuit.links.some(({ id }) => id === link.id), `There is already a link "${link.id}".`);
  need(
    link.joins.length > 1 && new Set(link.joins).size === link.joins.length,
    'A jumper needs two different terminals.',
  );
  for (const terminal of link.joins)
    need(hasTerminal(circuit, terminal), `There is no terminal "${terminal}".`);
  return { ...circuit, links: [...circuit.links, link] };
}

/** Takes a jumper or splice away. */
export function removeLink(circuit: Circuit, linkId: string): Circuit {
  return { ...circuit, links: circuit.links.filter(({ id }) => id !== linkId) };
}
