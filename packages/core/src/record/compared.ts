/** A circuit as found beside the same as left: its landings, its jumpers, what is set. */
import type { Circuit, Ends, TerminalId } from '../circuit';
import { findConductor, findDevice } from '../circuit';
import type { Value } from '../devices';
import { fill, kindOf } from '../devices';
import type { ColourCode } from '../standards';

/** One conductor, as found and as left; `null` where it was not there. */
export interface ReportLanding {
  conductor: string;
  cable: string;
  colour: ColourCode;
  found: Ends | null;
  left: Ends | null;
  changed: boolean;
}

/** One thing that is set or read off a label. */
export interface ReportValue {
  device: string;
  group: 'params' | 'settings';
  name: string;
  value: Value;
  /** Set in this job; as the job began with it; or the kind's default, which nobody entered. */
  from: 'set' | 'begun' | 'default';
}

export interface ReportJumper {
  joins: readonly TerminalId[];
  /** `null` of a job that began with nothing on record. */
  found: boolean | null;
  left: boolean;
}

const cableOf = ({ cables }: Circuit, id: string) =>
  cables.find(({ conductors }) => conductors.some((conductor) => conductor.id === id))!;

/** Every conductor of both. */
export function landingsOf(found: Circuit, left: Circuit): ReportLanding[] {
  const ids = [left, found].flatMap(({ cables }) =>
    cables.flatMap(({ conductors }) => conductors.map(({ id }) => id)),
  );
  return [...new Set(ids)].map((id): ReportLanding => {
    const [first, is] = [findConductor(found, id), findConductor(left, id)];
    const ends = (one: Ends | undefined): Ends | null => (one ? { from: one.from, to: one.to } : null);
    // What a survey found there is what was found, whatever the job began with.
    const was = is?.found ?? first;
    return {
      conductor: id,
      cable: cableOf(is ? left : found, id).label,
      colour: (is ?? first)!.colour,
      found: ends(was),
      left: ends(is),
      changed: was?.from !== is?.from || was?.to !== is?.to,
    };
  });
}

export function jumpersOf(found: Circuit, left: Circuit): ReportJumper[] {
  const key = (joins: readonly TerminalId[]) => [...joins].sort().join(' ');
  const of = ({ links }: Circuit) => new Map(links.map(({ joins }) => [key(joins), joins] as const));
  const [was, is] = [of(found), of(left)];
  return [...new Map([...was, ...is])].map(([name, joins]) => ({
    joins,
    found: found.devices.length === 0 ? null : was.has(name),
    left: is.has(name),
  }));
}

/** What was set or read off a label, and every setting: those count even where nobody touched them. */
export const valuesOf = (found: Circuit, left: Circuit): ReportValue[] =>
  left.devices.flatMap((device) =>
    (['params', 'settings'] as const).flatMap((group) => {
      const fields = kindOf(device.kind)[group];
      const before = findDevice(found, device.id)?.[group];
      return Object.entries(fill(fields, device[group])).flatMap(([name, value]): ReportValue[] => {
        const given = device[group][name];
        const from = given === undefined ? 'default' : before?.[name] === given ? 'begun' : 'set';
        return from !== 'default' || group === 'settings'
          ? [{ device: device.id, group, name, value, from }]
          : [];
      });
    }),
  );
