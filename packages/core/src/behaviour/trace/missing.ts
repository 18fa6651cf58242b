/**
 * Why a load that should run does not: its way is followed from the supply, and where a contact stops it, the
 * way of whatever moves that contact, until something is found that is good on neither side. Field wiring
 * and unlanded ends come before anything inside a board.
 */
import type { Disagreement, TerminalId } from '../../circuit';
import { disagreementsOf, functionsAgree, landedOn, splitTerminal, terminalFunctions } from '../../circuit';
import type { Installed, Network } from '../../network';
import { ampsThrough, loadPath, passing, pathNets, phasor, polesOf, supplyPath, survey } from '../../network';
import type { Step, Survey } from '../../network';
import { waitsOf } from '../advance';
import { momentOf } from '../moment';
import { primaryTap } from '../primary';
import { CALL_VOLTS } from '../scene';
import type { Inputs, Settled } from '../settle';
import type { Cause } from './cause';
import { gravest } from './cause';

/** A settled circuit with what tracing asks of it again and again. */
export interface Trace {
  network: Network;
  settled: Settled;
  seen: Survey;
  functions: ReturnType<typeof terminalFunctions>;
  disagreements: readonly Disagreement[];
  inputs: Inputs;
  /** Devices that are counting, and those that show they are tripped or locked out. */
  counting: ReadonlySet<string>;
  tripped: ReadonlySet<string>;
  /** What every contact closed would join, but for those in `ownDoing`; and the nets a supply's poles are on. */
  nets: (node: number) => number;
  ownDoing: ReadonlySet<number>;
  poles: ReadonlySet<number>;
}

export function traceOf(network: Network, inputs: Inputs, settled: Settled): Trace {
  const own = ownDoing(network, settled);
  const nets = pathNets(network, own);
  return {
    network,
    settled,
    nets,
    ownDoing: own,
    poles: new Set(polesOf(network).flatMap((pair) => pair.map(nets))),
    seen: survey(settled.point),
    functions: terminalFunctions(network.circuit),
    disagreements: disagreementsOf(network.circuit),
    inputs,
    tripped: trippedIn(network, inputs, settled),
    counting: new Set(
      waitsOf(network, inputs, settled.world).flatMap(({ device, quiet }) => (quiet ? [] : [device])),
    ),
  };
}

/**
 * Open contacts that are nobody's way to a load: what a board closes of itself, and a thermostat's joiner that
 * is out.
 */
function ownDoing(network: Network, { point }: Settled): ReadonlySet<number> {
  return new Set(
    network.devices.flatMap(({ kind, branches, device, context }) => {
      const calls = new Set(
        kind
          .designations(context.params)
          .flatMap(({ mark, role }) => (role === 'call' ? [`${device.id}.${mark}`] : [])),
      );
      return [...branches].flatMap(([element, branch]) => {
        const { nature, nodes, positions } = network.branches[branch]!;
        if (nature !== 'path' || positions.length < 2 || passing(network, point.choice, branch)) return [];
        const known =
          kind.interrupts.includes(element) ||
          kind.protects?.element === element ||
          kind.actuatedBy[element] !== undefined;
        const isCall = kind.asks && nodes.some((node) => node >= 0 && calls.has(network.nodes[node]!));
        return known || isCall ? [] : [branch];
      });
    }),
  );
}

function trippedIn(network: Network, inputs: Inputs, { world }: Settled): ReadonlySet<string> {
  return new Set(
    network.devices.flatMap((installed) => {
      const { kind, device } = installed;
      const face = kind.face(world.states[device.id]!, momentOf(installed, inputs, world.now));
      return face?.tone === 'tripped' ? [device.id] : [];
    }),
  );
}

/** Volts under which a line load, or a primary, has nothing to work with. */
const LINE_VOLTS = 60;
/** Ways of one load looked at before nobody is taken to ask for it. */
const MOST_WAYS = 4;
/** Volts lost on one conductor or contact that are too many. */
const LOST_VOLTS = 4;

export const installedOf = ({ network }: Pick<Trace, 'network'>, id: string): Installed =>
  network.devices.find(({ device }) => device.id === id)!;

export function voltsAcross({ network, settled }: Trace, branch: number): number {
  const [a, z] = network.branches[branch]!.nodes as [number, number];
  const { re, im } = phasor(settled.point, a, z);
  return Math.hypot(re, im);
}

/** Whether a load of a device has what it needs to work. */
export function worksAt(trace: Trace, branch: number): boolean {
  const { settled } = trace;
  return (
    passing(trace.network, settled.point.choice, branch) &&
    voltsAcross(trace, branch) >= CALL_VOLTS &&
    ampsThrough(settled.point, branch) > 0
  );
}

/** The terminals nearest to a branch's ends, over what its device joins by itself. */
function terminalsOf({ network }: Trace, branch: number): [TerminalId, TerminalId] {
  const names = network.branches[branch]!.nodes.map((node) => (node < 0 ? '' : network.nodes[node]!));
  return [names[0]!, names[1]!];
}

const isTerminal = (name: string) => name !== '' && !name.includes('#') && !name.includes('~');

/** Whether something the disagreement touches is live. */
function isLive({ network, seen }: Trace, names: readonly string[]): boolean {
  return names.some((name) => seen.standing[network.indexOf(name)] === 'hot');
}

/** Ends of a disagreement: the terminals it lies between, and a free end by its point's name. */
function endsOf(disagreement: Disagreement): { terminals: TerminalId[]; points: string[] } {
  switch (disagreement.type) {
    case 'conductor':
      return {
        terminals: [disagreement.from, disagreement.to],
        points: [disagreement.from, disagreement.to],
      };
    case 'loose':
      return {
        terminals: [disagreement.landed],
        points: [disagreement.landed, `${disagreement.conductor.id}~${disagreement.free}`],
      };
    case 'link':
      return { terminals: [...disagreement.link.joins], points: [...disagreement.link.joins] };
    case 'empty':
      return { terminals: [disagreement.terminal], points: [] };
  }
}

/**
 * The disagreement that keeps a terminal from what it should have: one end of it has the terminal's function.
 * For a call it must be live, or nobody asks.
 */
function disagreementAt(trace: Trace, terminal: TerminalId): Disagreement | undefined {
  const wanted = trace.functions(terminal);
  if (wanted.size === 0) return undefined;
  const plain = wanted.has('hot') || wanted.has('common');
  const own = splitTerminal(terminal).deviceId;
  return trace.disagreements.find((disagreement) => {
    if (disagreement.type === 'empty') return false;
    const { terminals, points } = endsOf(disagreement);
    if (plain && terminals.includes(terminal)) return true;
    const matches = terminals.filter(
      (end) => functionsAgree(trace.functions(end), wanted) && trace.functions(end).size > 0,
    );
    if (matches.length === 0) return false;
    // A call that is not made is no fault, wherever its conductor ends.
    return (
      plain ||
      isLive(
        trace,
        points.filter((point) => splitTerminal(point).deviceId !== own),
      )
    );
  });
}

/** Why a branch between two terminals has nothing: the wiring at either of them first. */
function wiringCause(trace: Trace, branch: number): Cause | null {
  const { network, seen } = trace;
  const [a, z] = terminalsOf(trace, branch);
  const nodes = network.branches[branch]!.nodes as [number, number];
  for (const [name, node] of [
    [a, nodes[0]],
    [z, nodes[1]],
  ] as const) {
    if (!isTerminal(name)) continue;
    const functions = trace.functions(name);
    const standing = node < 0 ? 'return' : seen.standing[node];
    const isWell = functions.has('common') ? standing === 'return' : standing === 'hot';
    if (isWell) continue;
    const disagreement = disagreementAt(trace, name);
    if (disagreement) return { type: 'wiring', disagreement };
  }
  return null;
}

/** Positions in which an element does not pass because its device holds it so. */
const HELD_OPEN: ReadonlySet<string> = new Set(['open', 'blown', 'opened', 'off']);

const positionOf = ({ network, settled }: Trace, branch: number) =>
  network.branches[branch]!.positions[settled.point.choice[branch]!]!;

/** Why a contact is open. */
function openContact(trace: Trace, branch: number, visited: ReadonlySet<number>): Cause {
  const { network, settled } = trace;
  const { origin } = network.branches[branch]!;
  if (origin.type === 'conductor') return { type: 'broken', conductor: origin.conductor };
  if (origin.type !== 'device') return { type: 'unwired' };
  const { device, element } = origin;
  const { kind, branches } = installedOf(trace, device);
  const inside: Cause = { type: 'inside', device, element };
  if (!HELD_OPEN.has(positionOf(trace, branch))) return inside;
  if (kind.asks) {
    if (settled.world.states[device]!.powered !== true) {
      const supply = branches.get('supply');
      return supply === undefined ? { type: 'unasked' } : causeOfMissing(trace, supply, visited);
    }
    return trace.counting.has(device) ? { type: 'waiting', device } : { type: 'unasked' };
  }
  if (kind.interrupts.includes(element) || kind.protects?.element === element)
    return { type: 'opened', device };
  if (trace.tripped.has(device)) return { type: 'opened', device };
  const groups = kind.actuatedBy[element];
  if (!groups) return trace.counting.has(device) ? { type: 'waiting', device } : { type: 'unasked' };
  const causes = groups.map((group): Cause => {
    const idle = group.flatMap((id) => branches.get(id) ?? []).filter((one) => !worksAt(trace, one));
    if (idle.length === 0) return trace.counting.has(device) ? { type: 'waiting', device } : inside;
    return gravest(idle.map((one) => causeOfMissing(trace, one, visited)));
  });
  return gravest(causes);
}

/** Terminals a transformer's primary is fed at; `null` where no tap is wired. */
function primaryNodes({ network, settled }: Trace, device: string): [number, number] | null {
  const tap = primaryTap(network, settled.point, device);
  if (tap) return [network.indexOf(`${device}.${tap.mark}`), network.indexOf(`${device}.PC`)];
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
  const { re, im } = phasor(settled.point, ends[0], ends[1]);
  const volts = Math.hypot(re, im);
  return volts >= LINE_VOLTS
    ? { type: 'inside', device, element: 'secondary' }
    : { type: 'weak', device, volts };
}

/** Why a hot has nothing: its way from the transformer it belongs to, or that transformer itself. */
export function causeOfDeadHot(trace: Trace, node: number): Cause {
  const { network, settled, nets } = trace;
  for (const { device, hot, common } of network.secondaries) {
    if (nets(hot) !== nets(node)) continue;
    const { re, im } = phasor(settled.point, hot, common);
    if (Math.hypot(re, im) < CALL_VOLTS) return deadSource(trace, device, new Set());
    const open = supplyPath(network, settled.point.choice, [node, common])?.find(({ closed }) => !closed);
    if (open) return openContact(trace, open.branch, new Set());
  }
  return islandCause(trace, [node]) ?? { type: 'unasked' };
}

/** Marks of every named terminal on a net. */
function netFunctions(trace: Trace, net: number): ReadonlySet<string> {
  const { network, nets, functions } = trace;
  return new Set(
    network.nodes.flatMap((name, node) =>
      nets(node) === net && isTerminal(name) ? [...functions(name)] : [],
    ),
  );
}

const isPlain = (functions: ReadonlySet<string>) =>
  functions.size === 0 || functions.has('hot') || functions.has('common');

/** Whether somebody asks for what an island of wiring is there for: a live call of its function elsewhere. */
function isAsked(trace: Trace, island: number, functions: ReadonlySet<string>): boolean {
  if (isPlain(functions)) return true;
  const { network, nets, seen } = trace;
  return network.nodes.some(
    (name, node) =>
      nets(node) !== island &&
      seen.standing[node] === 'hot' &&
      isTerminal(name) &&
      trace.functions(name).size > 0 &&
      !trace.functions(name).has('hot') &&
      functionsAgree(trace.functions(name), functions),
  );
}

/**
 * Two ends that no wiring joins to a supply: the disagreement that touches their island, or that ends where
 * the island should begin.
 */
function islandCause(trace: Trace, ends: readonly number[]): Cause | null {
  const { network, nets, poles, disagreements } = trace;
  for (const end of ends) {
    const island = nets(end);
    if (poles.has(island)) continue;
    const functions = netFunctions(trace, island);
    if (!isAsked(trace, island, functions)) continue;
    const touching = disagreements.find((one) =>
      endsOf(one).points.some((point) => nets(network.indexOf(point)) === island),
    );
    if (touching) return { type: 'wiring', disagreement: touching };
    const ending = disagreements.filter((one) => {
      if (one.type === 'empty') return false;
      return isPlain(functions) || isLive(trace, endsOf(one).points);
    });
    const suits = (known: boolean) =>
      ending.find((one) =>
        endsOf(one).terminals.some((terminal) => {
          const own = trace.functions(terminal);
          return known ? own.size > 0 && functionsAgree(own, functions) : own.size === 0;
        }),
      );
    const beyond = (functions.size > 0 ? suits(true) : undefined) ?? suits(false);
    if (beyond) return { type: 'wiring', disagreement: beyond };
  }
  return null;
}

/** The last terminal of another function on the way to a terminal, if what leads on from it is field wiring. */
export function leadsAstray(trace: Trace, terminal: TerminalId, steps: readonly Step[]): Cause | null {
  const { network, functions } = trace;
  const wanted = functions(terminal);
  const at = steps.findIndex(({ to }) => network.nodes[to] === terminal);
  if (wanted.size === 0 || at < 0) return null;
  const conductors: string[] = [];
  for (const { branch, from } of steps.slice(0, at + 1).reverse()) {
    const { origin } = network.branches[branch]!;
    if (origin.type === 'conductor') conductors.unshift(origin.conductor);
    const name = network.nodes[from]!;
    const own = isTerminal(name) ? functions(name) : new Set<string>();
    if (own.size === 0) continue;
    if (functionsAgree(own, wanted)) return null;
    return conductors.length > 0 ? { type: 'astray', from: name, to: terminal, conductors } : null;
  }
  return null;
}

/** A call that is made, and whose conductor ends elsewhere: it is live somewhere with the function of this load's terminal. */
function misplacedCall(trace: Trace, branch: number, steps: readonly Step[] = []): Cause {
  const { network, seen, functions, disagreements } = trace;
  const { origin } = network.branches[branch]!;
  const own = origin.type === 'device' ? `${origin.device}.` : '';
  const passed = steps.map(({ from }) => network.nodes[from]!).filter((name) => name.startsWith(own));
  for (const terminal of new Set([...terminalsOf(trace, branch), ...passed])) {
    if (!isTerminal(terminal) || seen.standing[network.indexOf(terminal)] === 'hot') continue;
    const wanted = functions(terminal);
    if (isPlain(wanted)) continue;
    const agrees = (other: TerminalId) =>
      functions(other).size > 0 && functionsAgree(functions(other), wanted);
    const isMade = network.nodes.some(
      (name, node) =>
        seen.standing[node] === 'hot' && isTerminal(name) && !functions(name).has('hot') && agrees(name),
    );
    const found =
      isMade && disagreements.find((one) => one.type !== 'empty' && endsOf(one).terminals.some(agrees));
    if (found) return { type: 'wiring', disagreement: found };
    const astray = isMade && leadsAstray(trace, terminal, steps);
    if (astray) return astray;
  }
  return { type: 'unasked' };
}

/** What is plainly wrong with the wiring, wherever it is: conductors that touch, marks that disagree, a break. */
export function plainFault({ network, settled, seen, disagreements }: Trace): Cause | null {
  const bridge = network.branches.findIndex(({ origin }) => origin.type === 'bridge');
  if (bridge >= 0) return touchingAt(network, bridge);
  const weight = (one: Disagreement) => ['link', 'conductor', 'loose', 'empty'].indexOf(one.type);
  const [worst] = [...disagreements].sort((one, other) => weight(one) - weight(other));
  if (worst) return { type: 'wiring', disagreement: worst };
  const bare = bareHot(network, seen);
  if (bare) return { type: 'wiring', disagreement: { type: 'empty', terminal: bare } };
  for (const [b, { origin }] of network.branches.entries())
    if (origin.type === 'conductor' && !passing(network, settled.point.choice, b)) {
      const conductor = network.circuit.cables
        .flatMap(({ conductors }) => conductors)
        .find(({ id }) => id === origin.conductor)!;
      if (conductor.from !== null && conductor.to !== null)
        return { type: 'broken', conductor: conductor.id };
    }
  return null;
}

/** A thermostat's hot screw that is dead, with nothing landed on it. */
function bareHot({ devices, circuit, indexOf }: Network, { standing }: Survey): TerminalId | undefined {
  const joined = new Set(circuit.links.flatMap(({ joins }) => joins));
  return devices
    .flatMap(({ device, kind, context }) =>
      kind.asks
        ? kind
            .designations(context.params)
            .flatMap(({ mark, role }) => (role === 'hot' ? [`${device.id}.${mark}`] : []))
        : [],
    )
    .find(
      (terminal) =>
        standing[indexOf(terminal)] !== 'hot' &&
        !joined.has(terminal) &&
        landedOn(circuit, terminal).length === 0,
    );
}

/** Conductors that a bridge holds together. */
export function touchingAt(network: Network, branch: number): Cause {
  const names = network.branches[branch]!.nodes.map((node) => network.nodes[node]);
  const conductors = network.circuit.cables.flatMap((cable) =>
    cable.conductors
      .filter(({ id, from, to }) =>
        [from, to, `${id}~from`, `${id}~to`].some((point) => point !== null && names.includes(point)),
      )
      .filter(({ id }) => network.faults.some(({ target, mode }) => target === id || mode === `short:${id}`))
      .map(({ id }) => id),
  );
  return { type: 'touching', conductors };
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
  const volts = voltsAcross(trace, branch);
  if (!passing(network, settled.point.choice, branch) && volts >= CALL_VOLTS && origin.type === 'device')
    return { type: 'dead', device: origin.device, element: origin.element };
  const wiring = wiringCause(trace, branch);
  if (wiring) return wiring;
  const avoid = new Set<number>();
  let way = loadPath(network, settled.point.choice, branch);
  if (!way) {
    const cause = islandCause(trace, network.branches[branch]!.nodes) ?? misplacedCall(trace, branch);
    return cause.type === 'unasked' ? { type: 'unwired' } : cause;
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
  const lossy = way.steps.find(
    ({ branch: step }) =>
      step !== branch && network.branches[step]!.nature === 'path' && voltsAcross(trace, step) >= LOST_VOLTS,
  );
  if (lossy) {
    const { origin: at } = network.branches[lossy.branch]!;
    if (at.type === 'device') return { type: 'inside', device: at.device, element: at.element };
    if (at.type === 'conductor') return { type: 'broken', conductor: at.conductor };
  }
  const secondary = network.secondaries.find(({ hot }) => hot === way.hot);
  const supply = phasor(settled.point, way.hot, way.common);
  if (secondary && Math.hypot(supply.re, supply.im) < CALL_VOLTS)
    return deadSource(trace, secondary.device, seen);
  if (origin.type !== 'device') return { type: 'unwired' };
  if (!passing(network, settled.point.choice, branch))
    return { type: 'dead', device: origin.device, element: origin.element };
  return { type: 'weak', device: origin.device, volts };
}
