/** Judges what a state does to its supplies: shorts, overload, volts where they must not be, transformers tied. */
import { betterTap, openedProtections, primaryTap, readTransformers } from '../behaviour';
import { designationsOf } from '../circuit';
import type { TerminalRole } from '../devices';
import type { Network, NodeClasses } from '../network';
import { galvanicLine, joinedBy } from '../network';
import { CLASS_2 } from '../standards';
import type { JudgedState } from './judged-state';
import type { Violation } from './violation';

/** Overcurrent devices that opened, and transformers that carry what only a short draws with nothing opening. */
export function shorted({ network, settled }: JudgedState): Violation[] {
  const opened = openedProtections(network, settled.world).map(({ installed: { device } }): Violation => ({
    property: 'short',
    about: device.id,
    burning: null,
  }));
  const burning = readTransformers(network, settled.point)
    .filter(({ burden }) => burden === 'shorted')
    .map(({ device, amps, share }): Violation => ({
      property: 'short',
      about: device,
      burning: { amps, share },
    }));
  return [...opened, ...burning];
}

/** Carrying too much as it stands, or at some moment on the way there. */
export const overloaded = ({ network, settled, busiest }: JudgedState): Violation[] =>
  network.secondaries
    .flatMap(({ device }) =>
      readTransformers(network, (busiest.get(device) ?? settled).point).filter(
        (one) => one.device === device,
      ),
    )
    .filter(({ burden }) => burden === 'overloaded')
    .map(({ device, amps, share }) => ({
      property: 'overload',
      about: device,
      amps,
      share,
    }));

const CONTROL_ROLES: ReadonlySet<TerminalRole> = new Set(['hot', 'call', 'common', 'coil']);

/** The control terminal of each device that stands highest, where it stands too high. */
function highTerminals({ network, seen: { volts } }: JudgedState) {
  return network.devices.flatMap(({ device, context }) => {
    // A coil made for line voltage is no 24 V terminal.
    if (Number(context.params.coilVolts ?? 0) > CLASS_2.maxVolts) return [];
    const control = designationsOf(device).flatMap(({ role, mark }) => {
      const node = network.indexOf(`${device.id}.${mark}`);
      return CONTROL_ROLES.has(role) && volts[node]! > CLASS_2.maxVolts ? [{ mark, node }] : [];
    });
    const highest = control.reduce<(typeof control)[number] | null>(
      (best, one) => (best === null || volts[one.node]! > volts[best.node]! ? one : best),
      null,
    );
    return highest ? [{ device, ...highest, volts: volts[highest.node]! }] : [];
  });
}

/** The tap that a secondary gives too much by, when its supply is on one that does not fit it. */
function tapReason({ network, settled, seen: { reference } }: JudgedState, node: number) {
  const secondary = network.secondaries.find(({ common }) => common === reference[node]);
  const tap = secondary && primaryTap(network, settled.point, secondary.device);
  return tap && betterTap(network, secondary.device, tap) !== null
    ? { device: secondary.device, volts: tap.nominal }
    : null;
}

/** Control terminals above what Class 2 allows: on line voltage, or on a secondary that gives too much. */
export function tooHigh(look: JudgedState): Violation[] {
  const high = highTerminals(look);
  if (high.length === 0) return [];
  const { network, seen } = look;
  const onLine = galvanicLine(look.settled.point);
  return high.map(({ device, mark, node, volts }): Violation =>
    onLine(node)
      ? {
          property: 'line-on-control',
          about: device.id,
          terminal: `${device.id}.${mark}`,
          volts,
        }
      : {
          property: 'over-voltage',
          about: seen.reference[node]! < 0 ? device.id : (aboutSecondary(network, seen, node) ?? device.id),
          terminal: `${device.id}.${mark}`,
          volts,
          tap: tapReason(look, node),
        },
  );
}

const aboutSecondary = ({ secondaries }: Network, { reference }: NodeClasses, node: number) =>
  secondaries.find(({ common }) => common === reference[node])?.device;

/** Two secondaries with both sides joined; one side alone makes no loop. */
export function tied({ network, settled }: JudgedState): Violation[] {
  const all = network.secondaries;
  if (all.length < 2) return [];
  const joined = joinedBy(settled.point);
  const bonded = joinedBy(settled.point, true);
  return all.flatMap((one, i) =>
    all.slice(i + 1).flatMap((other): Violation[] =>
      joined(one.hot, other.hot) && bonded(one.common, other.common)
        ? [
            {
              property: 'tied',
              about: one.device,
              other: other.device,
            },
          ]
        : [],
    ),
  );
}
