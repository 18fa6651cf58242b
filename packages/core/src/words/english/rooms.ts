/** What is said of a day in the rooms. */
import type { RoomsTexts } from '../../formats';
import type { RoomsPlan } from '../../plan';
import type { Names } from '../names';
import { listed } from '../phrases';
import { showDifference, showFlow, showTemperature } from '../show';
import type { Units } from '../units';

type Room = RoomsPlan['rooms'][number];

/** A room is right while its mean is no further off than this, and swings no further to either side, K; judgement. */
const NEAR_K = 0.75;
const SWINGS_K = 1.5;
/** Fewer calls than this in a day say nothing of who leads. */
const HARDLY_RUNS = 0.02;

/** What a room is called: by the thermostats that hang in it. */
export const roomName = ({ device }: Names, { zone, thermostats }: Room): string =>
  thermostats.length === 0 ? `Zone ${zone}` : thermostats.map((id) => device(id)).join(', ');

/** "28 °F outdoors all day, heated; wanted is 70 °F." */
export const dayTitle = ({ mode, outdoorC, wantedC }: RoomsPlan, { temperature }: Units): string =>
  `${showTemperature(outdoorC, temperature)} outdoors all day, ${mode === 'heat' ? 'heated' : 'cooled'}; wanted is ${showTemperature(wantedC, temperature)}.`;

/** What becomes of a room. */
export function roomText(names: Names, plan: RoomsPlan, room: Room, { temperature }: Units): string {
  const { mean, least, most } = plan.day.rooms[room.zone]!;
  const [low, high] = [showTemperature(least, temperature), showTemperature(most, temperature)];
  const off = mean - plan.wantedC;
  const short = plan.mode === 'heat' ? off < 0 : off > 0;
  const by = showDifference(Math.abs(off), temperature);
  const near =
    (most - least) / 2 > SWINGS_K ? 'what is wanted on average, and swings' : 'near what is wanted';
  const verdict = Math.abs(off) <= NEAR_K ? near : short ? `goes short by ${by}` : `goes past it by ${by}`;
  return `${roomName(names, room)}: ${low === high ? low : `${low} to ${high}`}, ${verdict}.`;
}

/** How hard the unit works, and who it works for. */
export function runsText(names: Names, { day, stats, zoned }: RoomsPlan): string {
  const runs = `The unit runs ${Math.round(day.runs * 100)} % of the time, ${day.cyclesPerHour.toFixed(1)} starts an hour`;
  if (zoned || stats.length < 2 || day.runs < HARDLY_RUNS) return `${runs}.`;
  const first = day.leads.indexOf(Math.max(...day.leads));
  return `${runs}; ${names.device(stats[first]!.device)} leads it ${Math.round(day.leads[first]! * 100)} % of that.`;
}

/** What every thermostat is set to in it. */
export const setText = (names: Names, { stats }: RoomsPlan, { temperature }: Units): string =>
  `Set to: ${listed(stats.map(({ device, setC }) => `${names.device(device)} ${showTemperature(setC, temperature)}`))}.`;

/** What the building's fans do to it. */
export const drawnText = (flow: number, { length }: Units): string =>
  `The site’s fans draw ${showFlow(flow, length)} out more than they bring in: it comes in through leaks, and is heated and cooled here.`;

export const ROOMS_CAUTION =
  'Rooms are coarse: a few figures each, the same weather all day but for the sun. They show who leads whom, not a wall’s temperature.';

/** What is written on the drawing of a day. */
export const roomsDrawing = (names: Names, plan: RoomsPlan, { temperature }: Units): RoomsTexts => ({
  title: `${names.circuit.name}: a day in the rooms`,
  rooms: plan.rooms.map(({ zone }) => zone),
  lanes: plan.stats.map(({ room }) => `${room} calls`),
  degree: (celsius) => showTemperature(celsius, temperature).replace(/ .*/, '°'),
  hour: (hour) => `${hour} h`,
});
