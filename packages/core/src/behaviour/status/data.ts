/** A communicating system: who has no power, and who has it and hears nothing on the pair. */
import type { Designation } from '../../devices';
import type { Installed } from '../../network';
import { directOf, passing } from '../../network';
import type { Cause, Trace } from '../trace';
import { causeOfMissing, isShorted } from '../trace';
import type { Status, StatusContext } from './status';
import { faultBy } from './status';
import { wiringAt } from './wiring-at';

const SERVES_DATA = /^data-/;

const terminalsOf = (devices: readonly Installed[], which: (designation: Designation) => boolean) =>
  new Set(
    devices.flatMap(({ device, kind, context }) =>
      kind
        .designations(context.params)
        .filter(which)
        .map(({ mark }) => `${device.id}.${mark}`),
    ),
  );

const isOfPair = ({ serves }: Designation) => SERVES_DATA.test(serves ?? '');
const isOfControl = (designation: Designation) =>
  isOfPair(designation) || designation.role === 'hot' || designation.role === 'common';

/** A bias that does not come, or an input that takes it all. */
function electronics(trace: Trace, devices: readonly Installed[]): Cause | null {
  const { network, settled } = trace;
  for (const { device, kind, branches } of devices) {
    const { awake } = kind.pairs!(settled.world.states[device.id]!);
    const { drives, listens } = kind.dataPair!;
    const drive = drives === undefined ? undefined : branches.get(drives);
    if (awake && drive !== undefined && !passing(network, settled.point.choice, drive))
      return { type: 'inside', device: device.id, element: drives! };
    if (isShorted(trace, directOf(settled.point), branches.get(listens)!))
      return { type: 'shorted', device: device.id, element: listens };
  }
  return null;
}

/** One without its power while another has it; or no data between those that have theirs. */
export function noData({ scene: { network, settled }, trace }: StatusContext): Status | null {
  const devices = network.devices.filter(({ kind }) => kind.pairs);
  const stands = devices.map((installed) => ({
    installed,
    ...installed.kind.pairs!(settled.world.states[installed.device.id]!),
  }));
  const lit = stands.find(({ awake }) => awake);
  if (!lit) return null;
  const dark = stands.find(({ awake }) => !awake);
  if (dark) {
    const { device, kind, branches } = dark.installed;
    const cause = causeOfMissing(trace, branches.get(kind.dataPair!.lives)!);
    return faultBy({ type: 'half-dark', device: device.id, other: lit.installed.device.id }, cause);
  }
  const deaf = stands.filter(({ linked }) => !linked);
  if (deaf.length === 0) return null;
  const reads = (['mains', 'reversed'] as const).find((one) => deaf.some((it) => it.reads === one));
  const ids = deaf.map(({ installed }) => installed.device.id);
  const cause =
    wiringAt(
      trace,
      terminalsOf(
        deaf.map(({ installed }) => installed),
        isOfPair,
      ),
      terminalsOf(devices, isOfControl),
    ) ?? electronics(trace, devices);
  const news = { type: 'no-data', devices: ids, reads: reads ?? 'nothing' } as const;
  return cause ? faultBy(news, cause) : { tone: 'fault', news, parts: [] };
}
