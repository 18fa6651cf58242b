/** A day in the rooms of a circuit: who calls, who leads whom, who goes short and who gets too much. */
import type { House, RoomDay, RoomStat } from '../../air';
import { flowAt, monthC, runRooms } from '../../air';
import type { Circuit, Device } from '../../circuit';
import type { Housing } from '../../devices';
import { fill, kindOf } from '../../devices';
import type { Season } from './seasons';
import { HOT_DAY_K, leadingYear } from './seasons';

/** A day to look at: the coldest or the warmest month's, or one that is given, with what every thermostat is set to. */
export type DayAsked =
  | { day: 'winter' | 'summer' }
  | {
      day: 'now';
      mode: 'heat' | 'cool';
      outdoorC: number;
      /** By thermostat, °C; what is wanted where it is left out. */
      setC: Readonly<Record<string, number>>;
    };

export interface RoomsPlan {
  /** Device that stands for the rooms. */
  device: string;
  mode: 'heat' | 'cool';
  outdoorC: number;
  wantedC: number;
  /** The lowest first, with the thermostats that hang there. */
  rooms: readonly { zone: string; thermostats: readonly string[] }[];
  /** Every thermostat, the room it hangs in and what it is set to. */
  stats: readonly (RoomStat & { device: string })[];
  /** Dampers part the air between them. */
  zoned: boolean;
  day: RoomDay;
  /** Who should lead when; only of several thermostats on one unit without dampers. */
  seasons: readonly Season[];
}

const valuesOf = ({ kind, params }: Device) => fill(kindOf(kind).params, params);

/** The rooms of a circuit with the air of its ducts, where it has any: shares as they are with every damper open. */
function housingOf({ devices }: Circuit, drawnM3s: number): (Housing & { device: string }) | null {
  const rooms = devices.find(({ kind }) => kindOf(kind).houses);
  if (!rooms) return null;
  const { house, ...rest } = kindOf(rooms.kind).houses!(valuesOf(rooms));
  const ducts = devices.find(({ kind }) => kindOf(kind).conveys);
  const made: House = { ...house, drawnM3s };
  if (!ducts) return { ...rest, device: rooms.id, house: made };
  const { air, speed, heatW, coolW } = kindOf(ducts.kind).conveys!(valuesOf(ducts));
  const open = Object.fromEntries(air.zones.map(({ id }) => [id, 1]));
  const { zones } = flowAt(air, { zones: open, bypass: 0, speed });
  return {
    ...rest,
    device: rooms.id,
    house: {
      ...made,
      heatW,
      coolW,
      // A room beyond the ducts gets none of their air.
      rooms: house.rooms.map((room) => ({ ...room, share: zones[room.id] ?? 0 })),
    },
  };
}

/** Which room a thermostat hangs in; one for the whole house in the lowest. */
function hungIn({ devices }: Circuit, { rooms }: House): { device: string; room: string }[] {
  return devices.flatMap((device) => {
    if (!kindOf(device.kind).asks) return [];
    const zone = String(valuesOf(device).zone);
    const room = rooms.find(({ id }) => id === zone) ?? rooms[0]!;
    return [{ device: device.id, room: room.id }];
  });
}

interface Asked {
  mode: 'heat' | 'cool';
  outdoorC: number;
  setC: (device: string, room: string) => number;
}

function askedOf(asked: DayAsked, { climate, wantedC, house }: Housing, seasons: readonly Season[]): Asked {
  if (asked.day === 'now') {
    const { mode, outdoorC, setC } = asked;
    return { mode, outdoorC, setC: (device) => setC[device] ?? wantedC[mode] };
  }
  const mode = asked.day === 'winter' ? 'heat' : 'cool';
  const led = seasons.find(({ leading }) => leading.mode === mode)?.leading;
  return {
    mode,
    outdoorC: monthC(mode === 'heat' ? 0 : 6, climate) + (mode === 'heat' ? 0 : HOT_DAY_K),
    setC: (_, room) => led?.setC[house.rooms.findIndex(({ id }) => id === room)] ?? wantedC[mode],
  };
}

/**
 * A day in the rooms; `null` where nothing stands for them or no thermostat hangs in any.
 *
 * @param drawnM3s - what the building's fans draw out more than they bring in, m³/s.
 */
export function planRooms(circuit: Circuit, asked: DayAsked, drawnM3s = 0): RoomsPlan | null {
  const housing = housingOf(circuit, drawnM3s);
  if (!housing) return null;
  const { house, wantedC, device } = housing;
  const hung = hungIn(circuit, house);
  if (hung.length === 0) return null;
  const zoned = circuit.devices.some(({ kind }) => kindOf(kind).conducts === 'zone');
  const everywhere = house.rooms.every(({ id }) => hung.some(({ room }) => room === id));
  const seasons = !zoned && everywhere && house.rooms.length > 1 ? leadingYear(housing) : [];
  const { mode, outdoorC, setC } = askedOf(asked, housing, seasons);
  const stats = hung.map((one) => ({ ...one, setC: setC(one.device, one.room) }));
  return {
    device,
    mode,
    outdoorC,
    wantedC: wantedC[mode],
    rooms: house.rooms.map(({ id }) => ({
      zone: id,
      thermostats: hung.flatMap((one) => (one.room === id ? [one.device] : [])),
    })),
    stats,
    zoned,
    day: runRooms(house, { mode, stats, zoned, outdoorC }),
    seasons,
  };
}
