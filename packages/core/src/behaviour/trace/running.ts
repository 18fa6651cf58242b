/** Why a load runs that should not: what feeds it is followed back to the contact or conductor that should not pass. */
import { LOGIC } from '../../devices';
import { loadPath, passing } from '../../network';
import type { Cause } from './cause';
import { gravest } from './cause';
import { spokenBy } from './over-air';
import { plainFault, touchingAt } from './plain';
import type { Trace } from './trace';
import { HELD_OPEN, installedOf, worksAt } from './trace';
import { leadsAstray } from './wiring';

/** What a branch on a load's way says about it. */
function causeOfStep(trace: Trace, branch: number, visited: Set<number>): Cause[] {
  const { network, settled } = trace;
  const { origin, positions } = network.branches[branch]!;
  if (origin.type === 'bridge') return [touchingAt(network, branch)];
  if (origin.type === 'link') {
    const link = network.circuit.links.find(({ id }) => id === origin.link)!;
    const own = trace.disagreements.find((one) => one.type === 'link' && one.link.id === link.id);
    return own ? [{ type: 'wiring', disagreement: own }] : [];
  }
  if (origin.type === 'conductor') {
    const own = trace.disagreements.find(
      (one) => one.type === 'conductor' && one.conductor.id === origin.conductor,
    );
    return own ? [{ type: 'wiring', disagreement: own }] : [];
  }
  if (origin.type !== 'device') return [];
  const { device, element } = origin;
  const { kind, branches, context } = installedOf(trace, device);
  if (HELD_OPEN.has(positions[settled.point.choice[branch]!]!))
    return [
      passing(network, settled.point.choice, branch) ? { type: 'stuck', device, element } : strayFeed(trace),
    ];
  if (kind.asks) return [{ type: 'set-up', device }];
  const spoken = spokenBy(trace, device, element);
  if (spoken) return causesOfRunning(trace, spoken.branch, visited);
  const groups = kind.actuatedBy(context)[element] ?? [];
  const working = groups.filter((group) =>
    group.every((id) => {
      const one = branches.get(id);
      return one !== undefined && worksAt(trace, one);
    }),
  );
  // Which of several calls it answers is its own affair: any of them may be the one that is wrong.
  return working.slice(0, kind.decides ? undefined : 1).flatMap((moving) =>
    moving.flatMap((id) => {
      const one = branches.get(id)!;
      return id === LOGIC ? [] : causesOfRunning(trace, one, visited);
    }),
  );
}

/**
 * What feeds a load though its own way is open, or though no wiring leads back from it: current that finds no
 * common to return to goes on through other loads or the cabinet.
 */
const strayFeed = (trace: Trace): Cause => plainFault(trace) ?? { type: 'unwired' };

function causesOfRunning(trace: Trace, branch: number, visited: Set<number>): Cause[] {
  if (visited.has(branch)) return [];
  visited.add(branch);
  const { network, settled } = trace;
  const way = loadPath(network, settled.point.choice, branch);
  if (!way) return [strayFeed(trace)];
  const own = way.steps.findIndex((step) => step.branch === branch);
  const astray = leadsAstray(trace, network.nodes[way.steps[own]!.from]!, way.steps.slice(0, own));
  return [
    ...(astray ? [astray] : []),
    ...way.steps.flatMap((step) => (step.branch === branch ? [] : causeOfStep(trace, step.branch, visited))),
  ];
}

/** Why a load runs. */
export const causeOfRunning = (trace: Trace, branch: number): Cause =>
  gravest(causesOfRunning(trace, branch, new Set()));
