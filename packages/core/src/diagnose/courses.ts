/**
 * How a circuit with a fault comes to an operating state. Many faults lead the same way, so ways already gone are kept as
 * a tree: at every stop the devices that feel something else are asked what they would answer, and only where they answer
 * what none has answered there before is the circuit run by itself. What comes out is the same as without the tree.
 */
import type { Actors, Inputs, Settled, Visit, Watch, World } from '../behaviour';
import {
  NEW_WORLD,
  actorsOf,
  advance,
  answerAt,
  holding,
  isAnyFelt,
  isSameState,
  untilSteady,
} from '../behaviour';
import type { State } from '../devices';
import type { Choice, Network, Overlay, Solver } from '../network';
import { solveHeld } from '../network';
import { LONGEST_S, REST_S } from '../prove';
import type { Hypothesis } from './hypotheses';
import type { OperatingState } from './states';

/** What a hypothesis leaves otherwise beside the network. */
export type Condition = Pick<Hypothesis, 'held' | 'settings' | 'line' | 'early'>;

/** Seconds since power came back, and since the call, for who looks before anything has settled. */
const JUST_ON_S = 5;
const AT_ONCE_S = 10;

/** Where a way ends. */
interface End {
  settled: Omit<Settled, 'point'>;
  /** The devices' own choice there, before anything is held. */
  choice: Choice;
}

interface Stop {
  visit: Visit;
  ways: Way[];
}

/** On from a stop, for who is answered the same there; `null` where how it goes on must be run. */
interface Way {
  answers: readonly State[];
  to: Stop | End | null;
}

const isEnd = (to: Stop | End): to is End => 'settled' in to;

/** How a circuit is run from a world; whoever watches is shown every step. */
type Run = (world: World, watch: Watch) => Settled;

/** Ways from one world under the same inputs. */
class Ways {
  private first: Stop | null = null;

  constructor(
    private readonly from: World,
    private readonly network: Network,
    private readonly actors: Actors,
    private readonly solver: Solver,
  ) {}

  /** Where a circuit with branches held comes to: by ways already gone, and on from where they part by running it. */
  arrive(overlay: Overlay, run: Run): End {
    let way: Way | null = null;
    let parted: Visit | null = null;
    let at = this.first;
    while (at) {
      parted = at.visit;
      const next = wayOf(at.ways, this.answersAt(at, overlay));
      if (!next?.to) break;
      if (isEnd(next.to)) return next.to;
      way = next;
      at = next.to;
    }
    const visits: Visit[] = [];
    const world = parted ? { now: parted.now, states: this.asRecord(parted.states) } : this.from;
    const settled = run(world, {
      visits: (visit) => void visits.push(visit),
      ...(parted && { since: parted }),
    });
    const end = { settled, choice: visits[visits.length - 1]!.choice };
    this.add(way, visits, end);
    return end;
  }

  private asRecord(states: readonly State[]): World['states'] {
    return Object.fromEntries(this.actors.map(({ id }, i) => [id, states[i]!]));
  }

  /** What every device would answer at a stop with branches held. */
  private answersAt({ visit }: Stop, overlay: Overlay): readonly State[] {
    const point = solveHeld(this.solver, visit.choice, overlay);
    let answers: State[] | null = null;
    for (let i = 0; i < this.actors.length; i++) {
      if (!isAnyFelt(visit.asked[i]!.felt, point)) continue;
      answers ??= [...visit.answers];
      answers[i] = answerAt(this.network, this.actors, i, point, visit);
    }
    return answers ?? visit.answers;
  }

  /** Takes in what was run, from where it parted. */
  private add(parted: Way | null, visits: readonly Visit[], end: End): void {
    let way = parted;
    for (const visit of visits) {
      const stop: Stop = ((way ? way.to : this.first) as Stop | null) ?? { visit, ways: [] };
      if (way) way.to = stop;
      else this.first = stop;
      let next = wayOf(stop.ways, visit.answers);
      if (!next) stop.ways.push((next = { answers: visit.answers, to: null }));
      if (visit.raced) return;
      way = next;
    }
    if (way) way.to = end;
  }
}

const wayOf = (ways: readonly Way[], answers: readonly State[]): Way | undefined =>
  ways.find(
    (way) => way.answers === answers || way.answers.every((answer, i) => isSameState(answer, answers[i]!)),
  );

/** Where a circuit came to with a fault held. */
export interface Arrival {
  network: Network;
  inputs: Inputs;
  settled: Settled;
  /** The devices' own choice there, before anything is held. */
  choice: Choice;
}

/** A rest, and the ways from it by the state that is then called. */
interface Rest {
  world: World;
  from: Map<string, Ways>;
  /** The same with protections that have opened before, by which. */
  opened: Map<string, { ways: Ways; rests: Map<End, Rest> }>;
}

const restAt = (world: World): Rest => ({ world, from: new Map(), opened: new Map() });

/** A world in which some protections have opened. */
const withOpened = ({ now, states }: World, devices: readonly string[]): World => ({
  now,
  states: {
    ...states,
    ...Object.fromEntries(devices.map((id) => [id, { ...states[id]!, open: true, opensAt: null }])),
  },
});

/** The courses of all faults that leave the same controls held and the same settings wrong. */
export class Courses {
  private readonly toRest: Ways;
  private readonly restInputs: Inputs;
  private readonly rests = new Map<End, Rest>();
  private readonly restOf = new Map<Overlay, Rest>();
  private readonly inputs = new Map<string, Inputs>();

  /** @param network - with the settings this family has, nothing laid over it. */
  constructor(
    private readonly network: Network,
    private readonly what: Condition,
    private readonly solver: Solver,
    atRest: OperatingState,
  ) {
    this.restInputs = holding(atRest.inputs, what.held);
    this.toRest = new Ways(NEW_WORLD, network, actorsOf(network, this.restInputs), solver);
  }

  /**
   * How the circuit with these branches held comes to a state.
   *
   * @param overlay - held from the beginning.
   * @param held - held once it has rested, with what is tried in the state.
   * @param opened - devices whose protection had opened before.
   */
  arrive(overlay: Overlay, held: Overlay, state: OperatingState, opened: readonly string[]): Arrival {
    const network: Network = { ...this.network, held };
    const { solver } = this;
    const { world, from } = this.restAfter(overlay, opened);
    const inputs = this.inputsFor(state);
    const ways = from.get(state.id) ?? new Ways(world, this.network, actorsOf(network, inputs), solver);
    from.set(state.id, ways);
    const seconds = this.what.early ? AT_ONCE_S : LONGEST_S;
    const pass = this.what.early ? advance : untilSteady;
    const { settled, choice } = ways.arrive(held, (now, watch) =>
      pass(network, inputs, now, world.now + seconds - now.now, solver, watch),
    );
    const point = solveHeld(solver, choice, held);
    return { network, inputs, settled: { ...settled, point }, choice };
  }

  private inputsFor({ id, inputs }: OperatingState): Inputs {
    const known = this.inputs.get(id) ?? holding(inputs, this.what.held);
    this.inputs.set(id, known);
    return known;
  }

  /** A rest with protections open that had opened before. */
  private restAfter(overlay: Overlay, opened: readonly string[]): Rest {
    const rest = this.restWith(overlay);
    if (opened.length === 0) return rest;
    const { network, solver, restInputs } = this;
    const key = opened.join();
    const before = withOpened(rest.world, opened);
    const known = rest.opened.get(key) ?? {
      ways: new Ways(before, network, actorsOf(network, restInputs), solver),
      rests: new Map<End, Rest>(),
    };
    rest.opened.set(key, known);
    const held: Network = { ...network, held: overlay };
    const end = known.ways.arrive(overlay, (now, watch) =>
      advance(held, restInputs, now, before.now + REST_S - now.now, solver, watch),
    );
    const made = known.rests.get(end) ?? restAt(end.settled.world);
    known.rests.set(end, made);
    return made;
  }

  /** Power on and nothing called, until all has rested. */
  private restWith(overlay: Overlay): Rest {
    const known = this.restOf.get(overlay);
    if (known) return known;
    const network: Network = { ...this.network, held: overlay };
    const seconds = this.what.early ? JUST_ON_S : REST_S;
    const end = this.toRest.arrive(overlay, (now, watch) =>
      advance(network, this.restInputs, now, seconds - now.now, this.solver, watch),
    );
    const rest = this.rests.get(end) ?? restAt(end.settled.world);
    this.rests.set(end, rest);
    this.restOf.set(overlay, rest);
    return rest;
  }
}
