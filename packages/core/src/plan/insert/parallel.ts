/** Adding a load across a call, and a thermostat beside another. */
import type { Circuit, TerminalId } from '../../circuit';
import { addDevice, findDevice, freeDeviceId, splitTerminal } from '../../circuit';
import { PARTS, kindOf } from '../../devices';
import { addLeads } from '../field/cable';
import { commonAt } from '../field/common';
import { factsOf, leadsOn } from '../field/functions';
import { pigtailed } from '../field/pigtail';

/** Puts a two-terminal load across a call at the unit, so that it runs with it. */
export function insertInParallel(
  circuit: Circuit,
  load: { kind: string; label: string; params: Record<string, number | string>; terminals: [string, string] },
  across: { call: TerminalId; common: TerminalId },
): { circuit: Circuit; device: string } {
  const device = freeDeviceId(circuit, load.kind.split('-')[0]!);
  const { station } = findDevice(circuit, splitTerminal(across.call).deviceId)!;
  const { kind, label, params } = load;
  const added = addDevice(circuit, { id: device, kind, station, label, params, settings: {} });
  return {
    device,
    circuit: addLeads(added, `${device}Leads`, `${label} leads`, [
      ['BN', across.call, `${device}.${load.terminals[0]}`],
      ['BU', across.common, `${device}.${load.terminals[1]}`],
    ]),
  };
}

const RUNS_WITH = { W: 'heat', Y: 'cool', G: 'fan' } as const;

/** A relay that runs with a call, across that call and common at the unit; `null` where the unit gives neither. */
export function addRelay(
  circuit: Circuit,
  thermostat: string,
  role: keyof typeof RUNS_WITH,
  label: string,
): Circuit | null {
  const { leads } = factsOf(circuit, thermostat);
  const call = leads.find((lead) => lead.role === role)?.far;
  const hot = leads.find((lead) => lead.role === 'hot');
  const common = hot ? commonAt(circuit, hot) : null;
  if (!call || !common) return null;
  const load = {
    kind: PARTS.relay,
    label,
    params: { serves: RUNS_WITH[role] },
    terminals: ['A1', 'A2'] as [string, string],
  };
  return pigtailed(circuit, insertInParallel(circuit, load, { call, common }).circuit).circuit;
}

/** A second thermostat in parallel, terminal to terminal with the first at the unit, on a cable of its own. */
export function addParallelThermostat(
  circuit: Circuit,
  thermostat: string,
  place: { station: string; lengthM: number },
): { circuit: Circuit; device: string } {
  const first = findDevice(circuit, thermostat)!;
  const device = freeDeviceId(circuit, thermostat);
  const added = addDevice(circuit, {
    ...first,
    id: device,
    station: place.station,
    label: `Second ${first.label.charAt(0).toLowerCase()}${first.label.slice(1)}`,
  });
  const landed = leadsOn(circuit, thermostat).flatMap(({ mark, far, conductor }) =>
    far === null ? [] : [[conductor.colour, `${device}.${mark}`, far] as const],
  );
  return {
    device,
    circuit: addLeads(added, `${device}Cable`, 'Second thermostat cable', landed, place.lengthM),
  };
}

/** Thermostats that run one unit between them with nothing that parts them: each wants a label. */
export function inParallel({ devices }: Circuit): string[] {
  const kinds = devices.map(({ id, kind }) => ({ id, kind: kindOf(kind) }));
  if (kinds.some(({ kind }) => kind.decides)) return [];
  const stats = kinds.filter(({ kind }) => kind.asks).map(({ id }) => id);
  return stats.length > 1 ? stats : [];
}
