/** Judges what a state does to its supplies: shorts, overload, volts where they must not be, transformers tied. */
import { betterTap, openedProtections, primaryTap, readTransformers } from '../behaviour';
import type { TerminalRole } from '../devices';
import type { Network, NodeClasses } from '../network';
import { galvanicLine, joinedBy } from '../network';
import { CLASS_2 } from '../standards';
import type { JudgedState, Violation } from './judged-state';
import { inAmps, labelOf } from './judged-state';

/** Overcurrent devices that opened, and transformers that carry what only a short draws with nothing opening. */
export function shorted({ network, settled }: JudgedState): Violation[] {
  const opened = openedProtections(network, settled.world).map(({ installed: { device } }): Violation => ({
    property: 'short',
    about: device.id,
    text: `${device.label} opens.`,
  }));
  const burning = readTransformers(network, settled.point)
    .filter(({ burden }) => burden === 'shorted')
    .map(({ device, amps, share }): Violation => ({
      property: 'short',
      about: device,
      text: `${labelOf(network, device)} carries ${inAmps(amps)}, ${share.toFixed(1)} times what it is rated for, and nothing opens.`,
    }));
  return [...opened, ...burning];
}

export const overloaded = ({ network, settled }: JudgedState): Violation[] =>
  readTransformers(network, settled.point)
    .filter(({ burden }) => burden === 'overloaded')
    .map(({ device, amps, share }) => ({
      property: 'overload',
      about: device,
      text: `${labelOf(network, device)} carries ${inAmps(amps)}, ${Math.round(share * 100)} % of what it is rated for.`,
    }));

const CONTROL_ROLES: ReadonlySet<TerminalRole> = new Set(['hot', 'call', 'common', 'coil']);

/** The control terminal of each device that stands highest, where it stands too high. */
function highTerminals({ network, seen: { volts } }: JudgedState) {
  return network.devices.flatMap(({ device, kind, context }) => {
    // A coil made for line voltage is no 24 V terminal.
    if (Number(context.params.coilVolts ?? 0) > CLASS_2.maxVolts) return [];
    const control = kind.designations(context.params).flatMap(({ role, mark }) => {
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

/** Why a secondary gives too much, when its supply is on a tap that does not fit it. */
function tapReason({ network, settled, seen: { reference } }: JudgedState, node: number): string {
  const secondary = network.secondaries.find(({ common }) => common === reference[node]);
  const tap = secondary && primaryTap(network, settled.point, secondary.device);
  return tap && betterTap(network, secondary.device, tap) !== null
    ? ` ${labelOf(network, secondary.device)} is fed on its ${tap.nominal} V tap.`
    : '';
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
          text: `${device.label} ${mark} is on line voltage: ${Math.round(volts)} V.`,
        }
      : {
          property: 'over-voltage',
          about: seen.reference[node]! < 0 ? device.id : (aboutSecondary(network, seen, node) ?? device.id),
          text: `${device.label} ${mark} stands at ${volts.toFixed(1)} V, above ${CLASS_2.maxVolts} V.${tapReason(look, node)}`,
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
              text: `The hots of ${labelOf(network, one.device)} and ${labelOf(network, other.device)} are joined.`,
            },
          ]
        : [],
    ),
  );
}
