/** Puts the wires of a list in place of those a unit had. */
import type { Cable, Circuit, Device, TerminalId } from '../../circuit';
import { removeDevice, splitTerminal } from '../../circuit';
import { complaint, kindOf, loadsOf } from '../../devices';

const deviceAt = (terminal: TerminalId) => splitTerminal(terminal).deviceId;

/** Natures of what a device drives. */
const naturesOf = (device: Device, { mains }: Circuit): string[] =>
  loadsOf(device, mains).map(({ nature }) => nature);

/** A device whose every load is brought by parts of the list: what stood for them before. */
function standsFor(device: Device, named: readonly Device[], circuit: Circuit): boolean {
  const own = naturesOf(device, circuit);
  const brought = new Set(named.flatMap((one) => naturesOf(one, circuit)));
  return own.includes('compressor') && own.every((nature) => brought.has(nature));
}

const hasLanding = ({ cables }: Circuit, device: string): boolean =>
  cables.some(({ conductors }) =>
    conductors.some(({ from, to }) => [from, to].some((end) => end !== null && deviceAt(end) === device)),
  );

/** What parts of the list take over from what stood for them, or from a unit that turns: rated volts, and what they serve. */
function takenOver(device: Device, from: Device | undefined, turns: boolean): Device {
  const fields = kindOf(device.kind).params;
  const { serves } = fields;
  const pump: Device['params'] =
    turns && serves?.type === 'choice' && 'pump' in serves.options ? { serves: 'pump' } : {};
  const same = Object.entries(from?.params ?? {}).filter(
    ([name, value]) => fields[name] && complaint(fields[name], value) === undefined,
  );
  return { ...device, params: { ...pump, ...Object.fromEntries(same), ...device.params } };
}

/**
 * @param before - the circuit without the list.
 * @param read - the same with the parts the list brings.
 */
export function intoUnit(before: Circuit, read: Circuit, station: string, cables: readonly Cable[]): Circuit {
  const named = new Set(
    cables.flatMap(({ conductors }) =>
      conductors.flatMap(({ from, to }) => [from, to].flatMap((end) => (end ? [deviceAt(end)] : []))),
    ),
  );
  const here = read.devices.filter((device) => device.station === station);
  const parts = here.filter(({ id }) => named.has(id));
  const gone = new Set(
    here.filter((one) => !named.has(one.id) && standsFor(one, parts, read)).map(({ id }) => id),
  );
  const isOwn = (terminal: TerminalId | null) =>
    terminal !== null && (named.has(deviceAt(terminal)) || gone.has(deviceAt(terminal)));
  const listed = new Set(cables.map(({ id }) => id));
  const kept = before.cables.flatMap((cable): Cable[] => {
    if (listed.has(cable.id)) return [];
    const conductors = cable.conductors.filter(({ from, to }) => !(isOwn(from) && isOwn(to)));
    return conductors.length > 0 || cable.conductors.length === 0 ? [{ ...cable, conductors }] : [];
  });
  const known = new Set(before.devices.map(({ id }) => id));
  const stood = here.find(({ id }) => gone.has(id));
  const turns = read.devices.some(({ kind }) => kindOf(kind).turns);
  const devices = read.devices.map((device) =>
    known.has(device.id) ? device : takenOver(device, stood, turns),
  );
  const wired: Circuit = { ...read, devices, cables: [...kept, ...cables] };
  const idle = here.filter(({ id }) => !named.has(id) && hasLanding(before, id) && !hasLanding(wired, id));
  return [...new Set([...gone, ...idle.map(({ id }) => id)])].reduce(removeDevice, wired);
}
