/** Runs of conductors from one place to another: over a jacket that is free, or a new cable; joined under wire nuts where they begin. */
import type { Circuit, Conductor, End, TerminalId } from '../../circuit';
import { addDevice, findCable, freeDeviceId, land, lift, otherEnd } from '../../circuit';
import { PARTS } from '../../devices';
import { addLeads } from '../field/cable';
import type { ColourCode } from '../../standards';
import { COLOUR_CODES } from '../../standards';

/** A conductor's end as it hangs at the place, and the terminal it is to reach at the other. */
export interface Wanted {
  /** What is to be joined there: conductor ends that hang free, or a terminal of the place. */
  ends: readonly { conductor: string; end: End }[];
  to: TerminalId;
  /** What the joint is called. */
  name: string;
}

/** A jacket between the two places whose conductors are free, and the end of them that is at the first. */
export interface Free {
  cable: string;
  near: End;
}

/** Joins conductor ends at a place under a wire nut; answers its terminal. */
export function joint(
  circuit: Circuit,
  station: string,
  name: string,
  ends: Wanted['ends'],
): { circuit: Circuit; nut: TerminalId } {
  const id = freeDeviceId(circuit, 'nut');
  const nut: TerminalId = `${id}.NUT`;
  const added = addDevice(circuit, {
    id,
    kind: PARTS.joint,
    station,
    label: `${name} joint`,
    params: {},
    settings: {},
  });
  return { nut, circuit: ends.reduce((now, { conductor, end }) => land(now, conductor, end, nut), added) };
}

/** Lands a jacket's conductors between joints at the place and what each is to reach; the rest of it hangs free at both ends. */
function overJacket(
  circuit: Circuit,
  { cable, near }: Free,
  nuts: readonly TerminalId[],
  wanted: readonly Wanted[],
) {
  const conductors: readonly Conductor[] = findCable(circuit, cable)!.conductors;
  return conductors.reduce((now, { id }, i) => {
    const [nut, to] = [nuts[i], wanted[i]?.to];
    if (nut === undefined || to === undefined) return lift(lift(now, id, 'from'), id, 'to');
    return land(land(now, id, near, nut), id, otherEnd(near), to);
  }, circuit);
}

/** Joins what hangs at a place and takes it on to another, over the jacket given or a new cable. */
export function takeOn(
  circuit: Circuit,
  station: string,
  wanted: readonly Wanted[],
  over: Free | { label: string; lengthM: number },
): Circuit {
  let now = circuit;
  const nuts = wanted.map(({ name, ends }) => {
    const joined = joint(now, station, name, ends);
    now = joined.circuit;
    return joined.nut;
  });
  if ('cable' in over) return overJacket(now, over, nuts, wanted);
  const colours: readonly ColourCode[] = ['RD', 'BK', 'WH', 'GN', ...COLOUR_CODES];
  return addLeads(
    now,
    'pulled',
    over.label,
    wanted.map(({ to }, i) => [colours[i]!, nuts[i]!, to] as const),
    over.lengthM,
  );
}
