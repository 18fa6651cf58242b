import { NEW_WORLD, untilSteady } from '../../behaviour';
import type { Circuit, TerminalId } from '../../circuit';
import { designationsOf, findDevice, splitTerminal } from '../../circuit';
import type { TerminalRole } from '../../devices';
import { kindOf } from '../../devices';
import { classifyNodes, compile } from '../../network';
import type { Lead } from './functions';

/** Terminals at the unit that are the common of a transformer, the nearest to where its hot lands first. */
export function commonAt(circuit: Circuit, hot: Lead): TerminalId | null {
  if (hot.far === null) return null;
  const home = findDevice(circuit, splitTerminal(hot.far).deviceId)!;
  const { point } = untilSteady(
    compile(circuit),
    { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } },
    NEW_WORLD,
    1,
  );
  const { standing, reference } = classifyNodes(point);
  const { network } = point;
  const control: readonly TerminalRole[] = ['common', 'splice'];
  const found = circuit.devices
    .filter(({ station, kind }) => station === home.station && !kindOf(kind).asks)
    .flatMap((device) =>
      designationsOf(device)
        .filter(({ role }) => control.includes(role))
        .map(({ mark, role }) => ({ device, role, terminal: `${device.id}.${mark}` })),
    )
    .filter(({ terminal }) => {
      const node = network.indexOf(terminal);
      const own = reference[node]!;
      return standing[node] === 'return' && own >= 0 && network.nodes[own] === hot.domain;
    });
  const rank = ({ device, role }: (typeof found)[number]) =>
    device.id === home.id ? 0 : role === 'splice' ? 1 : kindOf(device.kind).primary ? 2 : 3;
  return found.sort((one, other) => rank(one) - rank(other))[0]?.terminal ?? null;
}
