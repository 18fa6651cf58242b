/**
 * What each conductor at a thermostat does, found by trying it in the model: the thermostat is taken
 * off, 24 V is put on one conductor after another, and whatever runs tells. Colours and old screws are
 * not asked, so a wire that sat on the wrong screw is still named by what it does.
 */
import type { Inputs, LoadReading } from '../../behaviour';
import { NEW_WORLD, readLoads, untilSteady } from '../../behaviour';
import type { Cable, Circuit, Conductor, End, TerminalId } from '../../circuit';
import { ENDS, endNode, findDevice, otherEnd, removeDevice, splitTerminal } from '../../circuit';
import { fill, kindOf } from '../../devices';
import type { Network, OperatingPoint } from '../../network';
import { compile, classifyNodes } from '../../network';

/** What a conductor between thermostat and unit is for. */
export type ConductorFunction = 'hot' | 'common' | 'Y' | 'Y2' | 'G' | 'W' | 'W2' | 'valve' | 'none';

export interface Lead {
  cable: Cable;
  conductor: Conductor;
  /** The end at the thermostat, and the screw it was on. */
  end: End;
  mark: string;
  /** Where the other end is landed; `null` when it is free. */
  far: TerminalId | null;
  role: ConductorFunction;
  /** Common of the transformer it belongs to, by point; `null` when it belongs to none. */
  domain: string | null;
  /** Titles of what runs with 24 V on it. */
  runs: readonly string[];
}

export interface Facts {
  leads: readonly Lead[];
  heatPump: boolean;
  /** What the reversing valve is energised in; `null` without one. */
  valve: 'O' | 'B' | null;
  /** Whether there is a fan at all, and whether it runs with heat and with cooling without being asked to by G. */
  hasFan: boolean;
  fanWithHeat: boolean;
  fanWithCool: boolean;
  backUp: 'strips' | 'furnace';
}

/** A conductor is tried as long as burners and sequencers need to come on, seconds. */
const TRIAL_S = 600;
const TRIAL_OHMS = 0.01;
const MILD: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };

/** Kinds of load by what starts them; `pump` stays `pump` whichever way the valve stands. */
type Class = 'compressor' | 'heat' | 'fan' | 'valve';

interface Trial {
  on: readonly LoadReading[];
  classes: ReadonlySet<Class>;
  turns: 'cool' | 'heat' | null;
}

function classOf(network: Network, { device, id, element }: LoadReading): Class | null {
  const { kind, context } = network.devices.find((installed) => installed.device.id === device)!;
  const serves = kind.loads(context).find((load) => load.id === id && load.element === element)!.serves;
  if (serves === 'pump' || serves === 'cool') return 'compressor';
  return serves;
}

/** Runs the circuit without its thermostat, with 24 V held on some points. */
function tryOut(
  circuit: Circuit,
  hot: string | null,
  fed: readonly string[],
): { trial: Trial; point: OperatingPoint } {
  const bridges = hot === null ? [] : fed.map((point) => ({ red: hot, black: point, ohms: TRIAL_OHMS }));
  const network = compile(circuit, [], bridges);
  const settled = untilSteady(network, MILD, NEW_WORLD, TRIAL_S);
  const on = readLoads(network, settled).filter(({ energised }) => energised);
  const valve = network.devices.find(({ kind }) => kind.turns);
  return {
    point: settled.point,
    trial: {
      on,
      classes: new Set(on.flatMap((load) => classOf(network, load) ?? [])),
      turns: valve?.kind.turns?.(settled.world.states[valve.device.id]!, valve.context) ?? null,
    },
  };
}

/** The conductors landed on a device. */
export function leadsOn(
  circuit: Circuit,
  deviceId: string,
): Pick<Lead, 'cable' | 'conductor' | 'end' | 'mark' | 'far'>[] {
  return circuit.cables.flatMap((cable) =>
    cable.conductors.flatMap((conductor) =>
      ENDS.flatMap((end) => {
        const terminal = conductor[end];
        if (terminal === null || splitTerminal(terminal).deviceId !== deviceId) return [];
        const { mark } = splitTerminal(terminal);
        return [{ cable, conductor, end, mark, far: conductor[otherEnd(end)] }];
      }),
    ),
  );
}

const roleOf = ({ classes }: Trial): ConductorFunction =>
  classes.has('compressor')
    ? 'Y'
    : classes.has('heat')
      ? 'W'
      : classes.has('valve')
        ? 'valve'
        : classes.has('fan')
          ? 'G'
          : 'none';

/** Old screws in the order in which they name first stages. */
const FIRST_MARKS = ['Y', 'Y1', 'W', 'W1', 'AUX', 'W2', 'Y2', 'E'];
const place = ({ mark }: Lead) => {
  const at = FIRST_MARKS.indexOf(mark);
  return at < 0 ? FIRST_MARKS.length : at;
};

/** Of conductors that do the same, the one that runs most is the first stage; old screws decide a tie. */
function ranked(leads: readonly Lead[], role: ConductorFunction): Lead[] {
  return leads
    .filter((lead) => lead.role === role)
    .sort((one, other) => other.runs.length - one.runs.length || place(one) - place(other));
}

/** Second stages: conductors that repeat a first stage, or do nothing but beside it. */
function stages(off: Circuit, hot: string, leads: readonly Lead[]): Lead[] {
  const second = new Map<Lead, ConductorFunction>();
  for (const [first, later] of [
    ['Y', 'Y2'],
    ['W', 'W2'],
  ] as const) {
    const [main, ...others] = ranked(leads, first);
    for (const other of others) second.set(other, later);
    if (!main) continue;
    for (const lead of leads.filter(({ role }) => role === 'none')) {
      const both = [main, lead].map(({ conductor, end }) => endNode({ ...conductor, [end]: null }, end));
      const { trial } = tryOut(off, hot, both);
      if (trial.on.length > main.runs.length && !second.has(lead)) second.set(lead, later);
    }
  }
  return leads.map((lead) => ({ ...lead, role: second.get(lead) ?? lead.role }));
}

/**
 * Finds what every conductor at a thermostat does and what follows from it for the set-up.
 *
 * @throws RangeError when there is no such device.
 */
export function factsOf(circuit: Circuit, thermostat: string): Facts {
  if (!findDevice(circuit, thermostat)) throw new RangeError(`There is no device "${thermostat}".`);
  const off = removeDevice(circuit, thermostat);
  const { point, trial: idle } = tryOut(off, null, []);
  const { standing, reference } = classifyNodes(point);
  const { network } = point;
  const nameOf = (node: number) => (node < 0 ? null : network.nodes[node]!);
  const found = leadsOn(circuit, thermostat).map((lead): Lead => {
    const node = network.indexOf(endNode({ ...lead.conductor, [lead.end]: null }, lead.end));
    const role: ConductorFunction =
      standing[node] === 'hot' ? 'hot' : standing[node] === 'return' ? 'common' : 'none';
    return { ...lead, role, domain: nameOf(reference[node]!), runs: [] };
  });
  const hots = found.filter(({ role }) => role === 'hot');
  const running = new Set(idle.on.map(({ title }) => title));
  const trials = new Map<string, Trial>();
  const tried = found.map((lead): Lead => {
    if (lead.role !== 'none' || hots.length === 0) return lead;
    // Each call is tried from the hot of its own transformer.
    const own = hots.find(({ domain }) => domain === lead.domain) ?? hots[0]!;
    const [hot, fed] = [own, lead].map(({ conductor, end }) => endNode({ ...conductor, [end]: null }, end));
    const { trial } = tryOut(off, hot!, [fed!]);
    trials.set(lead.conductor.id, trial);
    const runs = trial.on.map(({ title }) => title).filter((title) => !running.has(title));
    return { ...lead, role: roleOf(trial), runs };
  });
  // Where one conductor brings a heat pump up to cool and another to heat, something turns it by itself: plain calls.
  const turned = (lead: Lead) => (lead.role === 'Y' ? trials.get(lead.conductor.id)?.turns : null);
  const turnedFor =
    tried.some((lead) => turned(lead) === 'heat') && tried.some((lead) => turned(lead) === 'cool');
  const called = tried.map((lead): Lead =>
    turnedFor && turned(lead) === 'heat' ? { ...lead, role: 'W' } : lead,
  );
  const [hot] = hots;
  const leads = hot ? stages(off, endNode({ ...hot.conductor, [hot.end]: null }, hot.end), called) : called;
  const facts = unitFacts(off, leads, trials);
  return { leads, ...facts, heatPump: facts.heatPump && !turnedFor };
}

/** What the unit is, as far as the set-up of a thermostat asks. */
function unitFacts(
  circuit: Circuit,
  leads: readonly Lead[],
  trials: ReadonlyMap<string, Trial>,
): Omit<Facts, 'leads'> {
  const trialOf = (role: ConductorFunction) => {
    const lead = ranked(leads, role)[0];
    return lead ? trials.get(lead.conductor.id) : undefined;
  };
  const [heat, cool, valve] = (['W', 'Y', 'valve'] as const).map(trialOf);
  const moves = (trial: Trial | undefined) =>
    trial?.on.some(({ serves, nature }) => serves === 'fan' && nature === 'motor') ?? false;
  const served = circuit.devices.flatMap(({ kind, params }) => {
    const found = kindOf(kind);
    const context = { params: fill(found.params, params), settings: {}, mains: circuit.mains };
    return found.loads(context).map(({ serves }) => serves);
  });
  return {
    heatPump: served.includes('pump'),
    hasFan: served.includes('fan'),
    valve: valve ? (valve.turns === 'cool' ? 'O' : 'B') : null,
    fanWithHeat: moves(heat),
    fanWithCool: moves(cool),
    backUp: heat?.on.some(({ nature }) => nature === 'flame') ? 'furnace' : 'strips',
  };
}
