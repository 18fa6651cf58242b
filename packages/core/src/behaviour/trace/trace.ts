/** A settled circuit as tracing looks at it, and the small questions it asks of it again and again. */
import type { Disagreement, TerminalId } from '../../circuit';
import { disagreementsOf, terminalFunctions } from '../../circuit';
import type { Installed, Network, NodeClasses } from '../../network';
import { ampsThrough, passing, classifyNodes, pathNets, polesOf, voltsAcross } from '../../network';
import { waitsOf } from '../advance';
import { momentOf } from '../moment';
import { CALL_VOLTS } from '../scene';
import type { Inputs } from '../inputs';
import type { Settled } from '../world';

/** A settled circuit with what tracing asks of it again and again. */
export interface Trace {
  network: Network;
  settled: Settled;
  seen: NodeClasses;
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

/** Positions in which an element does not pass because its device holds it so. */
export const HELD_OPEN: ReadonlySet<string> = new Set(['open', 'blown', 'opened', 'off']);

/** What the marks of a network say, whatever its contacts do: worked out once. */
const known = new WeakMap<Network, Pick<Trace, 'functions' | 'disagreements'>>();

function marksOf(network: Network): Pick<Trace, 'functions' | 'disagreements'> {
  const found = known.get(network) ?? {
    functions: terminalFunctions(network.circuit),
    disagreements: disagreementsOf(network.circuit),
  };
  known.set(network, found);
  return found;
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
    seen: classifyNodes(settled.point),
    ...marksOf(network),
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
      const actuated = kind.actuatedBy(context);
      return [...branches].flatMap(([element, branch]) => {
        const { nature, nodes } = network.branches[branch]!;
        if (nature !== 'path' || passing(network, point.choice, branch)) return [];
        // What its device holds closed and passes nothing all the same is broken, and nobody's doing.
        if (!HELD_OPEN.has(network.branches[branch]!.positions[point.choice[branch]!]!)) return [];
        const known =
          kind.interrupts.includes(element) ||
          kind.protects?.element === element ||
          kind.radio?.heeds[element] !== undefined ||
          actuated[element] !== undefined;
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

export const installedOf = ({ network }: Pick<Trace, 'network'>, id: string): Installed =>
  network.devices.find(({ device }) => device.id === id)!;

/** Whether a load of a device has what it needs to work. */
export function worksAt(trace: Trace, branch: number): boolean {
  const { settled } = trace;
  return (
    passing(trace.network, settled.point.choice, branch) &&
    voltsAcross(settled.point, branch) >= CALL_VOLTS &&
    ampsThrough(settled.point, branch) > 0
  );
}

/** The terminals nearest to a branch's ends, over what its device joins by itself. */
export function terminalsOf({ network }: Trace, branch: number): [TerminalId, TerminalId] {
  const names = network.branches[branch]!.nodes.map((node) => (node < 0 ? '' : network.nodes[node]!));
  return [names[0]!, names[1]!];
}

export const isTerminal = (name: string) => !name.includes('#') && !name.includes('~');

/** Whether something the disagreement touches is live. */
export function isLive({ network, seen }: Trace, names: readonly string[]): boolean {
  return names.some((name) => seen.standing[network.indexOf(name)] === 'hot');
}

/** Ends of a disagreement: the terminals it lies between, and a free end by its point's name. */
export function endsOf(disagreement: Disagreement): { terminals: TerminalId[]; nodes: string[] } {
  switch (disagreement.type) {
    case 'conductor':
      return {
        terminals: [disagreement.from, disagreement.to],
        nodes: [disagreement.from, disagreement.to],
      };
    case 'loose':
      return {
        terminals: [disagreement.landed],
        nodes: [disagreement.landed, `${disagreement.conductor.id}~${disagreement.free}`],
      };
    case 'link':
      return { terminals: [...disagreement.link.joins], nodes: [...disagreement.link.joins] };
    case 'empty':
      return { terminals: [disagreement.terminal], nodes: [] };
  }
}

export const isPlain = (functions: ReadonlySet<string>) =>
  functions.size === 0 || functions.has('hot') || functions.has('common');
