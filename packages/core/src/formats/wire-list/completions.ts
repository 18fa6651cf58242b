/** Ends to go on with, for what is typed of one so far. */
import type { Circuit } from '../../circuit';
import { designationAt, designationsOf, landedOn } from '../../circuit';
import { fill, kindOf } from '../../devices';
import type { Offered } from './ends';
import { OFFERED, inferMark, labelOf, plain, readEnd } from './ends';

interface Completion {
  text: string;
  /** Serves what the other end of the wire serves. */
  fits: boolean;
  landed: number;
}

/** As many as are offered at once. */
const MOST_OFFERED = 8;

/** A part that is not there yet comes after those that are. */
const NOT_HERE = 9;

/** Terminals of the parts of a unit. */
function endsHere(
  circuit: Circuit,
  station: string,
  far: string | null,
  serves: string | undefined,
): Completion[] {
  return circuit.devices
    .filter((device) => device.station === station && Object.keys(kindOf(device.kind).known).length > 0)
    .flatMap((device) =>
      designationsOf(device).flatMap((at): Completion[] => {
        const terminal = `${device.id}.${at.mark}`;
        const fits = serves !== undefined && at.serves === serves;
        const landed = landedOn(circuit, terminal).length;
        const text = kindOf(device.kind).splices ? device.label : `${device.label} ${at.mark}`;
        return terminal === far ? [] : [{ text, fits, landed }];
      }),
    );
}

/** Terminals of parts that a diagram may name and that are not there. */
function endsToCome(circuit: Circuit, station: string, serves: string | undefined): Completion[] {
  const here = circuit.devices.filter((device) => device.station === station);
  const isHere = ({ kind, params }: Offered) =>
    here.some(
      (device) =>
        device.kind === kind.kind &&
        Object.entries(params).every(([name, value]) => fill(kind.params, device.params)[name] === value),
    );
  const parts = new Map(OFFERED.filter((offer) => !isHere(offer)).map((offer) => [labelOf(offer), offer]));
  return [...parts].flatMap(([label, { kind, params }]) =>
    kind.designations(fill(kind.params, params)).map((at) => ({
      text: kind.splices ? label : `${label} ${at.mark}`,
      fits: serves !== undefined && at.serves === serves,
      landed: NOT_HERE,
    })),
  );
}

/** Whether what is typed begins a text, or its words one after another begin words of it: "c f" for "Capacitor FAN". */
function begins(typed: string, text: string): boolean {
  if (text.startsWith(typed)) return true;
  let from = 0;
  const words = text.split(' ');
  return typed.split(' ').every((word) => {
    const at = words.findIndex((one, i) => i >= from && one.startsWith(word));
    from = at + 1;
    return at >= 0;
  });
}

/**
 * Ends to go on with: of the parts that are here what serves what the other end serves, then what is free, then what is not here yet.
 * @param typed - of this end so far; its words may be cut short.
 * @param first - the other end of the wire as it is written, if it is.
 */
export function completions(circuit: Circuit, station: string, typed: string, first = ''): string[] {
  const other = first === '' ? null : readEnd(circuit, station, first);
  const mark = other?.ok ? (other.mark ?? inferMark(other.circuit, other.device, null, new Set())) : null;
  const far = other?.ok && mark !== null ? `${other.device.id}.${mark}` : null;
  const known = other?.ok ? other.circuit : circuit;
  const serves = far === null ? undefined : designationAt(known, far)?.serves;
  const wanted = plain(typed);
  return [...endsHere(known, station, far, serves), ...endsToCome(known, station, serves)]
    .filter(({ text }) => begins(wanted, plain(text)))
    .sort((one, two) => Number(two.fits) - Number(one.fits) || one.landed - two.landed)
    .slice(0, MOST_OFFERED)
    .map(({ text }) => text);
}
