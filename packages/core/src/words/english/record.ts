/** What the record says, in words. Times are told by whoever shows them. */
import { findDevice } from '../../circuit';
import type { Body, Bypass, Protection } from '../../record';
import type { Names } from '../names';
import { listed } from '../phrases';

/** A device as it is called now; one that is gone by its id. */
const deviceText = (names: Names, id: string) => (findDevice(names.circuit, id) ? names.device(id) : id);

/** What goes on unguarded, and what still stops it. */
export function protectionText(names: Names, protection: Protection | null): string {
  if (!protection) return 'The model cannot trip it: count on nothing else to protect.';
  const { unguarded, still } = protection;
  if (unguarded.length === 0) return 'It stops nothing in this circuit.';
  if (still.length > 0) return `${listed(still.map((id) => deviceText(names, id)))} still stops it.`;
  const devices = [...new Set(unguarded.map((load) => load.split('/')[0]!))];
  return `Nothing else stops it now: ${devices.map((id) => deviceText(names, id)).join(', ')}.`;
}

/** Who a bypass is with now. */
export const holderText = ({ state, by, to, watch }: Bypass): string =>
  state === 'handed-over' ? `taken over by ${to!}` : `put in by ${by}, watched by ${watch}`;

/** What an entry says. */
export function entryText(names: Names, body: Body, bypassOf: (id: string) => string | undefined): string {
  const bypassed = (id: string) => deviceText(names, bypassOf(id) ?? id);
  switch (body.type) {
    case 'note':
      return body.text;
    case 'bypassed':
      return `${deviceText(names, body.device)} bypassed: ${body.why}. ${body.watch} watches.`;
    case 'restored':
      return `${bypassed(body.bypass)} works again: ${body.text}`;
    case 'handed-over':
      return `The bypass of ${bypassed(body.bypass)} was taken over by ${body.to}`;
    case 'noticed':
      return `Noticed and left: ${body.text}`;
    case 'dealt-with':
      return body.text ? `Dealt with: ${body.text}` : 'Dealt with';
    case 'finished':
      return body.text ? `Finished: ${body.text}` : 'Finished';
  }
}
