/** Where the wiring by its own marks keeps something from where it should be: at a terminal, around an island, on a call's way. */
import type { Disagreement, TerminalId } from '../../circuit';
import { functionsAgree } from '../../circuit';
import type { Step } from '../../network';
import type { Cause } from './cause';
import type { Trace } from './trace';
import { endsOf, isLive, isPlain, isTerminal, terminalsOf } from './trace';

/**
 * The disagreement that keeps a terminal from what it should have: one end of it has the terminal's function.
 * For a call it must be live, or nobody asks.
 */
function disagreementAt(trace: Trace, terminal: TerminalId): Disagreement | undefined {
  const wanted = trace.functions(terminal);
  if (wanted.size === 0) return undefined;
  const plain = wanted.has('hot') || wanted.has('common');
  return trace.disagreements.find((disagreement) => {
    if (disagreement.type === 'empty') return false;
    const { terminals, nodes } = endsOf(disagreement);
    if (plain && terminals.includes(terminal)) return true;
    const matches = terminals.some(
      (end) => trace.functions(end).size > 0 && functionsAgree(trace.functions(end), wanted),
    );
    // A call that is not made is no fault, wherever its conductor ends.
    return matches && (plain || isLive(trace, nodes));
  });
}

/** Why a branch between two terminals has nothing: the wiring at either of them first. */
export function wiringCause(trace: Trace, branch: number): Cause | null {
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

/** Marks of every named terminal on a net. */
function netFunctions(trace: Trace, net: number): ReadonlySet<string> {
  const { network, nets, functions } = trace;
  return new Set(
    network.nodes.flatMap((name, node) =>
      nets(node) === net && isTerminal(name) ? [...functions(name)] : [],
    ),
  );
}

/**
 * Two ends that no wiring joins to a supply: the disagreement that touches their island, or that ends where
 * the island should begin.
 */
export function islandCause(trace: Trace, ends: readonly number[]): Cause | null {
  const { network, nets, poles, disagreements } = trace;
  for (const end of ends) {
    const island = nets(end);
    if (poles.has(island)) continue;
    const functions = netFunctions(trace, island);
    const touching = disagreements.find((one) =>
      endsOf(one).nodes.some((node) => nets(network.indexOf(node)) === island),
    );
    if (touching) return { type: 'wiring', disagreement: touching };
    const ending = disagreements.filter(({ type }) => type !== 'empty');
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
export function misplacedCall(trace: Trace, branch: number, steps: readonly Step[] = []): Cause {
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
  }
  return { type: 'unasked' };
}
