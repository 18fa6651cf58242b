/**
 * Rooms as a few heat capacities and conductances, one storey over another: what a unit's cycles, the sun and the stack effect
 * make of them in a day. Coarse on purpose: it shows who leads whom, not the temperature of a wall.
 */
import { AIR_J_KG_K, AIR_KG_M3 } from '../standards';

/** A room, or the rooms of a storey. */
export interface Room {
  id: string;
  /** Air, furniture and what of the walls goes with a cycle, J/K. */
  capacity: number;
  /** To outdoors, W/K. */
  outward: number;
  /** Height of its middle over the ground, m. */
  heightM: number;
  /** What the sun brings at noon, W. */
  sunW: number;
  /** Share of the unit's air it gets when all of it is shared. */
  share: number;
}

export interface House {
  rooms: readonly Room[];
  /** Between neighbours, W/K: floor, stairs, doors. */
  between: number;
  /** Openings through which air rises in winter and falls in summer, m². */
  leakM2: number;
  /** What fans draw out of the house more than they bring in, m³/s: it comes in through leaks, to every room alike. */
  drawnM3s?: number;
  /** What the unit gives and takes, W. */
  heatW: number;
  coolW: number;
}

/** A thermostat in a room. */
export interface RoomStat {
  room: string;
  setC: number;
}

export interface RoomRun {
  mode: 'heat' | 'cool';
  stats: readonly RoomStat[];
  /** Air goes only where it is called for; otherwise all of it to all rooms. */
  zoned: boolean;
  outdoorC: number;
}

/** How far a thermostat lets a room go to either side, K; and the shortest it lets a unit rest and run, s. From memory. */
const SWING_K = 0.4;
const SHORTEST_S = 300;
const STEP_S = 30;
const HOURS = 36;
/** What the first day is made of does not count: the house comes to its own rhythm. */
const COUNTED_HOURS = 24;
const GRAVITY = 9.80665;
/** Discharge of a sharp opening; handbook value. */
const DISCHARGE = 0.6;

/** How often a day is written down, s. */
export const SAMPLE_S = 300;

/** How the rooms and the calls stood, every `SAMPLE_S` of the last day. */
export interface RoomSample {
  /** By room, °C; by thermostat, whether it called; and whether the unit ran. */
  rooms: readonly number[];
  called: readonly boolean[];
  on: boolean;
}

export interface RoomDay {
  /** By room: mean, lowest and highest, °C. */
  rooms: Readonly<Record<string, { mean: number; least: number; most: number }>>;
  /** Share of the time the unit runs, and starts an hour. */
  runs: number;
  cyclesPerHour: number;
  /** By thermostat, in the order given: share of the unit's time it is the one that calls. */
  leads: readonly number[];
  samples: readonly RoomSample[];
}

/** The sun over a day: a half wave from six to six. */
const sunAt = (hour: number) => Math.max(0, Math.sin((Math.PI * ((hour % 24) - 6)) / 12));

/**
 * Air that rises through a house, m³/s: the stack effect, q = C A √(2 g h ΔT / T), ASHRAE Fundamentals, quoted from memory.
 * Positive upwards: indoors warmer than outdoors.
 */
export function stackFlow(leakM2: number, heightM: number, indoorC: number, outdoorC: number): number {
  const difference = indoorC - outdoorC;
  const kelvin = Math.max(indoorC, outdoorC) + 273.15;
  const size =
    DISCHARGE * leakM2 * Math.sqrt((2 * GRAVITY * Math.max(0, heightM) * Math.abs(difference)) / kelvin);
  return Math.sign(difference) * size;
}

/** Heat each room gets and loses but for the unit, W. */
export function gainsOf(
  { rooms, between, leakM2, drawnM3s = 0 }: House,
  temperatures: readonly number[],
  outdoorC: number,
  hour: number,
): number[] {
  const [first, last] = [rooms[0]!, rooms[rooms.length - 1]!];
  const mean = temperatures.reduce((sum, one) => sum + one, 0) / rooms.length;
  const rises = stackFlow(leakM2, last.heightM - first.heightM, mean, outdoorC);
  const carried = AIR_KG_M3 * AIR_J_KG_K * Math.abs(rises);
  const drawn = (AIR_KG_M3 * AIR_J_KG_K * Math.max(0, drawnM3s)) / rooms.length;
  return rooms.map(({ outward, sunW }, i) => {
    const own = temperatures[i]!;
    const beside = [temperatures[i - 1], temperatures[i + 1]].reduce<number>(
      (sum, other) => sum + (other === undefined ? 0 : between * (other - own)),
      0,
    );
    // Air comes in at the bottom in winter and from the room below further up; in summer the other way.
    const from = rises >= 0 ? (temperatures[i - 1] ?? outdoorC) : (temperatures[i + 1] ?? outdoorC);
    return (
      outward * (outdoorC - own) +
      beside +
      carried * (from - own) +
      drawn * (outdoorC - own) +
      sunW * sunAt(hour)
    );
  });
}

/** Whether a thermostat calls, from whether it did. */
function calls({ setC }: RoomStat, room: number, mode: RoomRun['mode'], called: boolean): boolean {
  const away = mode === 'heat' ? setC - room : room - setC;
  return called ? away > -SWING_K : away > SWING_K;
}

/**
 * A day of a house, once it has come to its own rhythm.
 *
 * @throws RangeError when there is no room, a capacity is not positive, or a thermostat hangs nowhere.
 */
export function runRooms(house: House, run: RoomRun): RoomDay {
  const { rooms, heatW, coolW } = house;
  if (rooms.length === 0 || rooms.some(({ capacity }) => !(capacity > 0)))
    throw new RangeError('a house has rooms, and every room a heat capacity above 0');
  const at = run.stats.map(({ room }) => rooms.findIndex(({ id }) => id === room));
  if (at.some((index) => index < 0)) throw new RangeError('a thermostat hangs in a room of the house');
  const watts = run.mode === 'heat' ? heatW : -coolW;
  const start = run.stats[0]?.setC ?? 20;
  const temperatures = rooms.map(() => start);
  let called = run.stats.map(() => false);
  let on = false;
  let changed = -Infinity;
  const tally = newTally(rooms.length, run.stats.length);
  for (let second = 0; second < HOURS * 3600; second += STEP_S) {
    called = run.stats.map((stat, i) => calls(stat, temperatures[at[i]!]!, run.mode, called[i]!));
    const wanted = called.includes(true);
    const counts = second >= (HOURS - COUNTED_HOURS) * 3600;
    if (wanted !== on && second - changed >= SHORTEST_S) {
      on = wanted;
      changed = second;
      if (on && counts) tally.starts++;
    }
    const served = rooms.map((_, i) => !run.zoned || called.some((one, s) => one && at[s] === i));
    const shares = rooms.map(({ share }, i) => (served[i] ? share : 0));
    const whole = shares.reduce((sum, one) => sum + one, 0);
    const gains = gainsOf(house, temperatures, run.outdoorC, second / 3600);
    rooms.forEach(({ capacity }, i) => {
      const given = on && whole > 0 ? (watts * shares[i]!) / whole : 0;
      temperatures[i]! += ((gains[i]! + given) * STEP_S) / capacity;
    });
    if (counts) count(tally, { rooms: temperatures, called, on }, second);
  }
  return dayOf(house, tally);
}

/** What is kept of a day while it is run. */
interface Tally {
  rooms: { sum: number; least: number; most: number }[];
  leads: number[];
  counted: number;
  running: number;
  starts: number;
  samples: RoomSample[];
}

const newTally = (rooms: number, stats: number): Tally => ({
  rooms: Array.from({ length: rooms }, () => ({ sum: 0, least: Infinity, most: -Infinity })),
  leads: Array.from({ length: stats }, () => 0),
  counted: 0,
  running: 0,
  starts: 0,
  samples: [],
});

function count(tally: Tally, { rooms, called, on }: RoomSample, second: number): void {
  tally.counted += STEP_S;
  if (on) {
    tally.running += STEP_S;
    const callers = called.filter((one) => one).length;
    called.forEach((one, i) => {
      if (one) tally.leads[i]! += STEP_S / callers;
    });
  }
  rooms.forEach((one, i) => {
    const seen = tally.rooms[i]!;
    seen.sum += one * STEP_S;
    seen.least = Math.min(seen.least, one);
    seen.most = Math.max(seen.most, one);
  });
  if (second % SAMPLE_S === 0) tally.samples.push({ rooms: [...rooms], called, on });
}

const dayOf = ({ rooms }: House, tally: Tally): RoomDay => ({
  rooms: Object.fromEntries(
    rooms.map(({ id }, i) => {
      const { sum, least, most } = tally.rooms[i]!;
      return [id, { mean: sum / tally.counted, least, most }];
    }),
  ),
  runs: tally.running / tally.counted,
  cyclesPerHour: tally.starts / COUNTED_HOURS,
  leads: tally.leads.map((seconds) => (tally.running > 0 ? seconds / tally.running : 0)),
  samples: tally.samples,
});

/** A month's mean outdoors by the mean of the year and how far summer and winter are from it, °C; January is 0. */
export const monthC = (month: number, { meanC, swingK }: { meanC: number; swingK: number }): number =>
  meanC - swingK * Math.cos((2 * Math.PI * month) / 12);

export interface Leading {
  mode: 'heat' | 'cool';
  /** Thermostat that leads, by place in the list of rooms; and what each is set to, °C. */
  leader: number;
  setC: readonly number[];
  day: RoomDay;
  /** How far the rooms are from what is wanted, K: root of the mean square, a room that goes short counted threefold. */
  missK: number;
}

/** A room that goes short is complained of before one that gets too much; judgement. */
const SHORT = 3;
/** Share of the unit's time from which a thermostat leads. */
const LEADS_FROM = 0.95;
/** How far out of the way a follower is set, K. */
const ASIDE_K = [1, 2, 3] as const;

/**
 * Which of several thermostats on one unit should lead at an outdoor temperature, and what the others are set to so that it
 * does: every leader and every distance is run, and the rooms nearest to what is wanted win.
 */
export function leadingAt(house: House, mode: 'heat' | 'cool', wantedC: number, outdoorC: number): Leading {
  const { rooms } = house;
  const tried = rooms.flatMap((_, leader) =>
    ASIDE_K.map((aside): Leading => {
      const setC = rooms.map((_room, i) =>
        i === leader ? wantedC : wantedC + (mode === 'heat' ? -aside : aside),
      );
      const day = runRooms(house, {
        mode,
        stats: rooms.map(({ id }, i) => ({ room: id, setC: setC[i]! })),
        zoned: false,
        outdoorC,
      });
      const square = rooms.reduce((sum, { id }) => {
        const { mean, least, most } = day.rooms[id]!;
        const short = mode === 'heat' ? mean < wantedC : mean > wantedC;
        return sum + (short ? SHORT : 1) * (mean - wantedC) ** 2 + ((most - least) / 2) ** 2;
      }, 0);
      return { mode, leader, setC, day, missK: Math.sqrt(square / rooms.length) };
    }),
  );
  // Set aside too little, a follower calls all the same: that is not leading.
  const led = tried.filter(({ leader, day }) => day.leads[leader]! >= LEADS_FROM);
  return (led.length > 0 ? led : tried).reduce((best, one) => (one.missK < best.missK ? one : best));
}
