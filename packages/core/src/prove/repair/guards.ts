/**
 * What stands guard over each load: the fuses, breakers, safeties and interlocks without which its current
 * would have another way. No advice may take a load past one of them.
 */
import type { Call, DeviceKind, Load } from '../../devices';
import type { Network } from '../../network';
import { pathNets, polesOf } from '../../network';

interface Guarded {
  /** By load, the contacts of safeties and interlocks it depends on and must keep. */
  kept: ReadonlyMap<string, ReadonlySet<string>>;
  /** By load or hot terminal that is fed at all, whether all that feeds it passes an overcurrent device. */
  fused: ReadonlyMap<string, boolean>;
  /** How many times a guard stands before anything that draws, inputs of boards too, wanted there or not. */
  stops: number;
}

/** Whether a guard is there for a load: an interlock for all, a safety for what it must stop. Whatever calls it guards whole. */
function isFor(guard: DeviceKind, load: Load | null): boolean {
  if (!guard.safety || !load) return true;
  const stops: readonly string[] = guard.safety.stops;
  const serves: (Call | 'valve')[] = load.serves === 'pump' ? ['heat', 'cool'] : [load.serves];
  if (serves.some((one) => stops.includes(one))) return true;
  const drives = load.nature === 'compressor' || load.nature === 'coil' || load.nature === 'valve';
  return drives && serves.includes('cool') && (stops.includes('compressor') || stops.includes('chilled'));
}

interface Fed {
  key: string;
  /** Nothing for what calls: it is fed to ask, and a board's input takes the call from there. */
  load: Load | null;
  ends: [number, number];
}

/** Every load of a network, and what every thermostat lives on. */
const fedOf = (network: Network): Fed[] =>
  network.devices.flatMap(({ device, kind, context, branches }) => {
    const ends = (element: string) => network.branches[branches.get(element)!]!.nodes as [number, number];
    const calls = kind.livesOn?.wire;
    return [
      ...kind
        .loads(context)
        .map((load) => ({ key: `${device.id}:${load.id}`, load, ends: ends(load.element) })),
      ...(calls === undefined || !branches.has(calls)
        ? []
        : [{ key: `${device.id}:${calls}`, load: null, ends: ends(calls) }]),
    ];
  });

/** The guards of every load and every hot terminal of a network, with every contact closed. */
export function guardsOf(network: Network): Guarded {
  const poles = polesOf(network);
  const whole = pathNets(network);
  const kept = new Map<string, Set<string>>();
  const drawing = network.branches.flatMap(({ nature, nodes }) =>
    nature === 'load' ? [nodes as [number, number]] : [],
  );
  let stops = 0;
  const loads = fedOf(network);
  const terminals = network.devices.flatMap(({ device, kind, context }) =>
    kind.inline
      ? []
      : kind
          .designations(context.params)
          .filter(({ role }) => role === 'hot' || role === 'call')
          .map(({ mark }) => ({
            key: `${device.id}.${mark}`,
            node: network.indexOf(`${device.id}.${mark}`),
          })),
  );
  const isFed = (nets: ReturnType<typeof pathNets>, [a, z]: [number, number]) =>
    poles.some(
      ([hot, common]) =>
        (nets(a) === nets(hot) && nets(z) === nets(common)) ||
        (nets(z) === nets(hot) && nets(a) === nets(common)),
    );
  const isHot = (nets: ReturnType<typeof pathNets>, node: number) =>
    network.secondaries.some(({ hot }) => nets(node) === nets(hot));
  const overcurrent = network.devices.flatMap(({ kind, branches }) =>
    kind.protects ? [...kind.interrupts, kind.protects.element].flatMap((id) => branches.get(id) ?? []) : [],
  );
  const bare = pathNets(network, new Set(overcurrent));
  const fused = new Map<string, boolean>();
  for (const { key, ends } of loads) if (isFed(whole, ends)) fused.set(key, !isFed(bare, ends));
  for (const { key, node } of terminals) if (isHot(whole, node)) fused.set(key, !isHot(bare, node));
  for (const { device, kind, branches } of network.devices) {
    if (kind.protects) continue;
    for (const element of kind.interrupts) {
      const branch = branches.get(element);
      if (branch === undefined) continue;
      // Over its alarm contact a way passes the safety still, though upside down: it is not to lead past it.
      const alarm = branches.get(kind.alarm ?? '');
      const without = pathNets(network, new Set([branch, ...(alarm === undefined ? [] : [alarm])]));
      const cuts = (ends: [number, number]) => isFed(whole, ends) && !isFed(without, ends);
      stops += drawing.filter(cuts).length;
      for (const { key, load, ends } of loads)
        if (isFor(kind, load) && cuts(ends))
          kept.set(key, (kept.get(key) ?? new Set()).add(`${device.id}:${element}`));
    }
  }
  return { kept, fused, stops };
}

/** Whether every load and hot terminal that was guarded is so still. */
export function keepsGuards(before: Guarded, after: Guarded): boolean {
  for (const [key, isFused] of before.fused) if (isFused && after.fused.get(key) === false) return false;
  for (const [key, guards] of before.kept) {
    if (!after.fused.has(key)) continue;
    for (const guard of guards) if (!after.kept.get(key)?.has(guard)) return false;
  }
  return true;
}
