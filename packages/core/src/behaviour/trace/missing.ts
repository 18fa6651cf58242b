/**
 * Why a load that should run does not: its way is followed from the supply, and where a contact stops it, the
 * way of whatever moves that contact, until something is found that is good on neither side. Field wiring
 * and unlanded ends come before anything inside a board.
 */
import type { Step } from '../../network';
import { loadPath, passing, supplyPath, voltsAcross, voltsOf } from '../../network';
import { noticesWater } from '../../devices';
import { primaryTap } from '../primary';
import { CALL_VOLTS } from '../scene';
import type { Cause } from './cause';
import { gravest } from './cause';
import { causeOverAir } from './over-air';
import { causeOfStalled } from './stalled';
import type { Trace } from './trace';
import { HELD_OPEN, endsOf, installedOf, isPlain, isTerminal, terminalsOf, worksAt } from './trace';
import { islandCause, misplacedCall, wiringCause } from './wiring';

/** Volts under which a line load, or a primary, has nothing to work with. */
const LINE_VOLTS = 60;
/** Ways of one load looked at before nobody is taken to ask for it. */
const MOST_WAYS = 4;
/** Volts lost along one cable, there and back, that are too many. */
const LOST_VOLTS = 4;

const positionOf = ({ network, settled }: Trace, branch: number) =>
  network.branches[branch]!.positions[settled.point.choice[branch]!]!;

/** The wiring at a safety that opens though nothing it is there to notice is so. */
function drivenBy({ network, settled, disagreements, inputs }: Trace, device: string): Cause | null {
  const { kind, context } = installedOf({ network }, device);
  if (!kind.safety) return null;
  // Somebody or something has it as it is: its sensor finds what it looks for, or it is put to its test.
  const set = Object.entries(inputs.controls[device] ?? {});
  if (set.some(([name, value]) => value !== kind.controls[name]?.default)) return null;
  // Water rises by itself: what notices it may be right, whatever else is wrong beside it.
  if (noticesWater(kind, context.params)) return null;
  const isHere = (terminal: string | null) => terminal?.startsWith(`${device}.`) === true;
  const wrong = disagreements.find((one) => endsOf(one).terminals.some(isHere));
  if (wrong) return { type: 'wiring', disagreement: wrong };
  const landed = network.circuit.cables.flatMap(({ conductors }) =>
    conductors.filter(({ from, to }) => isHere(from) || isHere(to)),
  );
  const broken = network.branches.findIndex(
    ({ origin }, b) =>
      origin.type === 'conductor' &&
      landed.some(({ id, from, to }) => id === origin.conductor && from !== null && to !== null) &&
      !passing(network, settled.point.choice, b),
  );
  const { origin } = network.branches[broken] ?? {};
  return origin?.type === 'conductor' ? { type: 'broken', conductor: origin.conductor } : null;
}

/** Why a contact is open. */
function openContact(trace: Trace, branch: number, visited: ReadonlySet<number>): Cause {
  const { network, settled } = trace;
  const { origin } = network.branches[branch]!;
  if (origin.type === 'conductor') return { type: 'broken', conductor: origin.conductor };
  if (origin.type !== 'device') return { type: 'unwired' };
  const { device, element } = origin;
  const { kind, branches, context } = installedOf(trace, device);
  const inside: Cause = { type: 'inside', device, element };
  if (!HELD_OPEN.has(positionOf(trace, branch))) return inside;
  if (kind.asks) {
    if (settled.world.states[device]!.powered !== true) {
      const supply = kind.livesOn && branches.get(kind.livesOn.wire);
      return supply === undefined ? { type: 'unasked' } : causeOfMissing(trace, supply, visited);
    }
    return trace.counting.has(device) ? { type: 'waiting', device } : { type: 'unasked' };
  }
  if (kind.interrupts.includes(element) || kind.protects?.element === element) {
    // Nothing has tripped it any more: what it still counts is the delay it keeps after that.
    if (trace.counting.has(device) && !trace.tripped.has(device)) return { type: 'waiting', device };
    return drivenBy(trace, device) ?? { type: 'opened', device };
  }
  const overAir = causeOverAir(trace, device, element, (one) => causeOfMissing(trace, one, visited));
  if (overAir) return overAir;
  if (trace.tripped.has(device)) return { type: 'opened', device };
  const groups = kind.actuatedBy(context)[element];
  if (!groups) return trace.counting.has(device) ? { type: 'waiting', device } : { type: 'unasked' };
  // A group that names what this one does not have moves nothing.
  const own = groups.filter((group) => group.every((id) => branches.has(id)));
  const causes = own.map((group): Cause => {
    const moving = group.map((id) => branches.get(id)!);
    const idle = moving.filter((one) => !worksAt(trace, one));
    if (idle.length === 0) {
      if (trace.counting.has(device)) return { type: 'waiting', device };
      if (kind.decides) return { type: 'held', device };
      const out = moving.find((one) => positionOf(trace, one) === 'inrush');
      return out === undefined ? inside : causeOfWeak(trace, device, out);
    }
    return gravest(idle.map((one) => causeOfMissing(trace, one, visited)));
  });
  return gravest(causes);
}

/** Where the volts go that a branch of a device is short of: the cable on its way that takes most of them. */
function causeOfWeak(trace: Trace, device: string, branch: number): Cause {
  const { network, settled } = trace;
  const steps = loadPath(network, settled.point.choice, branch)?.steps ?? [];
  const lost = new Map<string, { conductors: string[]; volts: number }>();
  for (const { branch: step } of steps) {
    const { origin } = network.branches[step]!;
    if (origin.type !== 'conductor') continue;
    const cable = network.circuit.cables.find(({ conductors }) =>
      conductors.some(({ id }) => id === origin.conductor),
    )!.id;
    const before = lost.get(cable) ?? { conductors: [], volts: 0 };
    lost.set(cable, {
      conductors: [...before.conductors, origin.conductor],
      volts: before.volts + voltsAcross(trace.settled.point, step),
    });
  }
  const [worst] = [...lost.values()].sort((one, other) => other.volts - one.volts);
  return worst && worst.volts >= LOST_VOLTS
    ? { type: 'lossy', ...worst }
    : { type: 'weak', device, volts: voltsAcross(trace.settled.point, branch) };
}

/** Terminals a transformer's primary is fed at; `null` where no tap is wired. */
function primaryNodes({ network, settled }: Trace, device: string): [number, number] | null {
  const tap = primaryTap(network, settled.point, device);
  const { primary } = network.devices.find((entry) => entry.device.id === device)!.kind;
  if (tap && primary)
    return [network.indexOf(`${device}.${tap.mark}`), network.indexOf(`${device}.${primary.common}`)];
  const branch = network.branches.findIndex(
    ({ nature, origin }) => nature === 'transformer' && origin.type === 'device' && origin.device === device,
  );
  const [, , one, other] = network.branches[branch]!.nodes;
  const named = [one!, other!].every((node) => isTerminal(network.nodes[node]!));
  return named ? [one!, other!] : null;
}

/** Why a transformer gives nothing: its primary's own way, or itself. */
function deadSource(trace: Trace, device: string, visited: ReadonlySet<number>): Cause {
  const { network, settled, disagreements } = trace;
  const ends = primaryNodes(trace, device);
  if (!ends) {
    const loose = disagreements.find(({ type }) => type === 'loose');
    return loose ? { type: 'wiring', disagreement: loose } : { type: 'unwired' };
  }
  const steps = supplyPath(network, settled.point.choice, ends);
  if (!steps) return islandCause(trace, ends) ?? { type: 'unwired' };
  const open = steps.find(({ closed }) => !closed);
  if (open) return openContact(trace, open.branch, visited);
  const volts = voltsOf(settled.point, ends[0], ends[1]);
  return volts >= LINE_VOLTS
    ? { type: 'inside', device, element: 'secondary' }
    : { type: 'weak', device, volts };
}

/** Why a hot has nothing: its way from the transformer it belongs to, or that transformer itself. */
export function causeOfDeadHot(trace: Trace, node: number): Cause {
  const { network, settled, nets } = trace;
  for (const { device, hot, common } of network.secondaries) {
    if (nets(hot) !== nets(node)) continue;
    if (voltsOf(settled.point, hot, common) < CALL_VOLTS) return deadSource(trace, device, new Set());
    const open = supplyPath(network, settled.point.choice, [node, common])?.find(({ closed }) => !closed);
    if (open) return openContact(trace, open.branch, new Set());
  }
  return islandCause(trace, [node]) ?? { type: 'unasked' };
}

/** That a branch is on no supply's way, with the terminal of its that no supply reaches. */
function unwiredAt(trace: Trace, branch: number): Cause {
  const { network, functions, nets, poles } = trace;
  const terminal = terminalsOf(trace, branch).find(
    (name) =>
      isTerminal(name) &&
      functions(name).size > 0 &&
      isPlain(functions(name)) &&
      !poles.has(nets(network.indexOf(name))),
  );
  return { type: 'unwired', ...(terminal !== undefined && { terminal }) };
}

/**
 * Why a load is without what it needs.
 *
 * @param visited - branches already being asked about.
 */
export function causeOfMissing(
  trace: Trace,
  branch: number,
  visited: ReadonlySet<number> = new Set(),
): Cause {
  if (visited.has(branch)) return { type: 'unasked' };
  const seen = new Set([...visited, branch]);
  const { network, settled } = trace;
  const { origin } = network.branches[branch]!;
  const volts = voltsAcross(trace.settled.point, branch);
  if (!passing(network, settled.point.choice, branch) && volts >= CALL_VOLTS && origin.type === 'device')
    return { type: 'dead', device: origin.device, element: origin.element };
  const wiring = wiringCause(trace, branch);
  if (wiring) return wiring;
  const stalled = origin.type === 'device' ? causeOfStalled(trace, origin.device) : null;
  if (stalled) return stalled;
  const avoid = new Set<number>();
  let way = loadPath(network, settled.point.choice, branch);
  if (!way) {
    const cause = islandCause(trace, network.branches[branch]!.nodes) ?? misplacedCall(trace, branch);
    return cause.type === 'unasked' ? unwiredAt(trace, branch) : cause;
  }
  const first = way;
  // Where one way is closed to it because nobody asks, another may be the one that is asked for.
  for (let ways = 0; way && ways < MOST_WAYS; ways++) {
    const opens = way.steps.filter(({ closed, branch: step }) => !closed && step !== branch);
    const [open] = opens;
    if (!open) break;
    const causeAt = ({ branch: step }: Step): Cause =>
      trace.ownDoing.has(step) ? { type: 'unasked' } : openContact(trace, step, seen);
    const own = causeAt(open);
    // A wait is no reason to keep quiet about a safety that is open further on.
    const cause = own.type === 'waiting' ? gravest(opens.map(causeAt)) : own;
    if (cause.type !== 'unasked') return cause;
    avoid.add(open.branch);
    way = loadPath(network, settled.point.choice, branch, avoid);
  }
  if (!way || avoid.size > 0)
    return islandCause(trace, network.branches[branch]!.nodes) ?? misplacedCall(trace, branch, first.steps);
  const secondary = network.secondaries.find(({ hot }) => hot === way.hot);
  if (secondary && voltsOf(settled.point, way.hot, way.common) < CALL_VOLTS)
    return deadSource(trace, secondary.device, seen);
  return origin.type === 'device' ? causeOfWeak(trace, origin.device, branch) : { type: 'unwired' };
}
