/** Where a failure would be: what is shaded as suspect, and what is cleared once it cannot be. */
import type { Circuit } from '../../circuit';
import { findCable, splitTerminal } from '../../circuit';
import { displacedBy } from '../../prove';
import type { Failure } from './hypothesis';

export interface Target {
  type: 'device' | 'conductor';
  id: string;
}

const device = (id: string): Target => ({ type: 'device', id });
const conductor = (id: string): Target => ({ type: 'conductor', id });

/** The devices and conductors a failure is of; none when nothing is wrong. */
export function targetsOf(circuit: Circuit, failure: Failure): readonly Target[] {
  switch (failure.type) {
    case 'none':
    case 'waiting':
    case 'unlisted':
    case 'line-voltage':
      return [];
    case 'part':
    case 'element':
    case 'tripped':
    case 'off':
    case 'setting':
    case 'overloaded':
    case 'otherwise':
    case 'fighting':
      return [device(failure.device)];
    case 'broken':
    case 'loose':
    case 'poor-joint':
    case 'grounded':
      return [conductor(failure.conductor)];
    case 'touching':
      return [conductor(failure.conductor), conductor(failure.other)];
    case 'cut-through':
      return (findCable(circuit, failure.cable)?.conductors ?? []).map(({ id }) => conductor(id));
    case 'landing':
      return displacedBy(failure.wrong).map((landed) => conductor(landed.conductor));
    case 'strand':
    case 'jumper-left':
      return [device(splitTerminal(failure.terminals[0]).deviceId)];
    case 'no-jumper': {
      const link = circuit.links.find(({ id }) => id === failure.link);
      return link ? [device(splitTerminal(link.joins[0]!).deviceId)] : [];
    }
    case 'both':
      return failure.failures.flatMap((one) => targetsOf(circuit, one));
  }
}
