/** Judges whether one switch takes the power from all of a unit and what is wired to it. */
import { advance } from '../behaviour';
import type { Network, OperatingPoint } from '../network';
import { voltsBetween } from '../network';
import { withControls } from './cases';
import type { Supplied } from './supplied';
import type { Violation } from './violation';

/** Volts under which nothing is live, and from which something is, V. */
const DEAD_VOLTS = 2;
const LIVE_VOLTS = 12;
/** How long a switch is off before what is left is looked at, s. */
const OFF_S = 5;

const voltsOn = (point: OperatingPoint, device: string, [hot, common]: readonly [string, string]) =>
  voltsBetween(point, `${device}.${hot}`, `${device}.${common}`);

/** A panel that has its own supply beside the unit's: whatever switch kills the unit's kills its own. */
export function livesOn({ network, rest, solver, off }: Supplied): Violation[] {
  const panels = network.devices.filter(({ kind }) => kind.ownSupply);
  return panels.flatMap(({ device: { id }, kind }): Violation[] => {
    const { own, unit } = kind.ownSupply!;
    if ([own, unit].some((pair) => voltsOn(rest.point, id, pair) < LIVE_VOLTS)) return [];
    const [first] = switchesOf(network).flatMap(({ device, control, value }) => {
      const inputs = withControls(off.inputs, [{ device, control, value }]);
      const { point } = advance(network, inputs, rest.world, OFF_S, solver);
      return voltsOn(point, id, unit) < DEAD_VOLTS && voltsOn(point, id, own) >= LIVE_VOLTS ? [device] : [];
    });
    return first === undefined ? [] : [{ property: 'stays-live', about: id, switch: first }];
  });
}

const switchesOf = ({ devices }: Network) =>
  devices.flatMap(({ device, kind: { isolates } }) =>
    isolates ? [{ device: device.id, control: isolates.control, value: isolates.off }] : [],
  );
