/** The devices of a network on their way through time: asked at one point after another what they answer, until all rest. */
import type { Senses, State, Wait } from '../devices';
import type { Choice, Network, OperatingPoint, Solver } from '../network';
import { restingChoice, solveHeld, solveKnown } from '../network';
import type { Actor, Actors } from './actors';
import type { Felt, Given, Heard } from './senses';
import { givenBy, hearing, isAnyFelt, sensesOf, soundsAlike } from './senses';
import type { Chattering, Settled, World } from './world';
import { isSameState } from './world';

/** Iterations after which a circuit that has not repeated itself is taken as chattering. */
const MOST_STEPS = 200;

/** Steps before a circuit is suspected of going round: nearly all are at rest by then. */
const SUSPECT_STEPS = 12;

/** How one was asked last: who stands, feels and hears as then answers the same. */
export interface Asked {
  state: State;
  felt: readonly Felt[];
  heard: readonly Heard[];
  answer: State;
  /** Where it was asked. */
  point: OperatingPoint;
}

/** One step of settling: where it was, and what each device answered to what it felt. In the order of the actors. */
export interface Visit {
  now: number;
  choice: Choice;
  states: readonly State[];
  answers: readonly State[];
  asked: readonly Asked[];
  /** Of several that would open on overload only the quickest was let: how it went on hangs on how quick they are. */
  raced: boolean;
}

/** Told what a circuit goes through while it settles: the moment a coil pulls in is one of its points. */
export interface Watch {
  passes?(point: OperatingPoint): void;
  /** Told where it comes to rest at each instant, on its way through time. */
  rests?(settled: Settled): void;
  visits?(visit: Visit): void;
  /** Where it goes on from, with the world as it was there: who stands, feels and hears as then is not asked again. */
  since?: Visit;
}

/** What one device of a network would answer at a point of it, the others standing as they do. */
export function answerAt(
  network: Network,
  actors: Actors,
  i: number,
  point: OperatingPoint,
  { states, now }: Pick<Visit, 'states' | 'now'>,
): State {
  const { installed, moment } = actors[i]!;
  const hears = hearing(() => actors.map((actor, other) => givenBy(actor, states[other]!, now)));
  const senses = sensesOf(actors[i]!, network, () => point, hears);
  return installed.kind.next(states[i]!, senses, Object.assign(moment, { now }));
}

/**
 * Of devices that would open on overload at the same instant only the quickest does: what it lets through
 * is the least, and once it is open the others carry nothing (a 3 A fuse before a 5 A one on a dead short).
 */
function quickestFirst(
  actors: Actors,
  states: readonly State[],
  next: readonly State[],
  senses: readonly Senses[],
): readonly State[] {
  const opening = actors.flatMap(({ installed: { kind, branches }, moment }, i) => {
    const { protects } = kind;
    if (!protects || !branches.has(protects.element) || states[i]!.open === next[i]!.open) return [];
    if (next[i]!.open !== true) return [];
    return [{ i, seconds: protects.opensIn(senses[i]!.amps(protects.element), moment.params) }];
  });
  if (opening.length < 2) return next;
  const first = Math.min(...opening.map(({ seconds }) => seconds));
  const held = new Set(opening.flatMap(({ i, seconds }) => (seconds > first ? [i] : [])));
  return held.size === 0 ? next : next.map((state, i) => (held.has(i) ? states[i]! : state));
}

/** The contacts of all devices with those of one as they are in a state: the same array where none of them moves. */
function positioned(choice: Choice, { installed, movable, moment }: Actor, state: State): Choice {
  if (movable.length === 0) return choice;
  const positions = installed.kind.positions(state, moment);
  let moved = choice;
  for (const { branch, element, positions: names } of movable) {
    const at = names.indexOf(positions[element]!);
    if (at === choice[branch]) continue;
    if (moved === choice) moved = choice.slice();
    moved[branch] = at;
  }
  return moved;
}

/** A wait with the device that is waiting. */
export interface DeviceWait extends Wait {
  device: string;
}

/** What one device waits for. */
export const waitsAt = (
  { installed: { kind }, id, moment }: Actor,
  state: State,
  now: number,
): DeviceWait[] => kind.waits(state, Object.assign(moment, { now })).map((wait) => ({ ...wait, device: id }));

/** What is still to come of waits, soonest first. */
export const toCome = (waits: readonly DeviceWait[], now: number): DeviceWait[] =>
  waits.filter(({ until }) => until > now).sort((one, other) => one.until - other.until);

/** One network with its devices under unchanged inputs, from a world on. */
export class Round {
  private now: number;
  private states: State[];
  private point!: OperatingPoint;
  private choice: Choice;
  /** What the point was solved for. */
  private solved: Choice | null = null;
  private readonly senses: readonly Senses[];
  /** Kept while everything is noted: the last answers, and what hears of the others. */
  private asked: (Asked | null)[];
  private given: (Given | null)[];
  private hears: Senses['hears'];
  private noted: Felt[] = [];
  private listened: Heard[] = [];

  constructor(
    private readonly network: Network,
    private readonly actors: Actors,
    world: World,
    private readonly solver: Solver,
    private readonly watch: Watch = {},
  ) {
    this.now = world.now;
    this.tellTime();
    this.states = watch.since
      ? [...watch.since.states]
      : actors.map(({ id, installed }) => ({ ...installed.kind.initial, ...world.states[id] }));
    this.choice = restingChoice(network);
    actors.forEach((actor, i) => this.position(actor, this.states[i]!));
    this.asked = watch.since ? [...watch.since.asked] : actors.map(() => null);
    this.given = actors.map(() => null);
    this.hears = this.listening();
    const note = watch.visits ? (one: Felt) => void this.noted.push(one) : undefined;
    this.senses = actors.map((actor) =>
      sensesOf(
        actor,
        network,
        () => this.point,
        (channel) => {
          const signals = this.hears(channel);
          this.listened.push([channel, signals]);
          return signals;
        },
        note,
      ),
    );
  }

  /** Moves together until nothing changes; where that goes round, one after another. */
  settle(): Settled {
    this.tellTime();
    let seen = new Map<string, number>();
    let visited: (readonly State[])[] = [];
    let together = true;
    for (;;) {
      const next = this.ask();
      const { states } = this;
      const moved = this.movers(next);
      if (moved.length === 0) return this.settled(null);
      const suspect = visited.length >= SUSPECT_STEPS;
      const key = suspect ? JSON.stringify(states) : '';
      const first = suspect ? seen.get(key) : undefined;
      if (first !== undefined || visited.length >= MOST_STEPS) {
        if (!together) return this.goingRound(visited.slice(first ?? -2), first !== undefined);
        together = false;
        seen = new Map();
        visited = [];
      } else if (suspect) seen.set(key, visited.length);
      visited.push(states);
      this.move(together ? moved : moved.slice(0, 1), next);
    }
  }

  private movers(next: readonly State[]): number[] {
    return next.flatMap((state, i) => (isSameState(this.states[i]!, state) ? [] : [i]));
  }

  /** Left at the same place of its round wherever it was caught: who comes another way sees the same. */
  private goingRound(cycle: readonly (readonly State[])[], isWhole: boolean): Settled {
    const keys = cycle.map((states) => JSON.stringify(states));
    const place = isWhole ? keys.indexOf([...keys].sort()[0]!) : 0;
    for (let step = 0; step < place; step++) {
      const next = this.ask();
      this.move(this.movers(next).slice(0, 1), next);
    }
    if (place > 0) this.ask();
    return this.settled(this.restless(cycle));
  }

  /** Everything that will happen by itself, soonest first. Who waits for something is asked anew whenever time moves on. */
  waits(): DeviceWait[] {
    const all = this.actors.flatMap((actor, i) => {
      const own = waitsAt(actor, this.states[i]!, this.now);
      if (own.length > 0) this.asked[i] = null;
      return own;
    });
    return toCome(all, this.now);
  }

  /** Lets it be another time, everything as it stands. To be called after `waits`. */
  moveTo(now: number): void {
    this.now = now;
    this.tellTime();
    this.actors.forEach((actor, i) => {
      if (!this.asked[i]) this.position(actor, this.states[i]!);
    });
    this.given = this.actors.map(() => null);
    this.hears = this.listening();
  }

  private position(actor: Actor, state: State): void {
    this.choice = positioned(this.choice, actor, state);
  }

  private tellTime(): void {
    for (const { moment } of this.actors) moment.now = this.now;
  }

  private listening(): Senses['hears'] {
    return hearing(() =>
      this.actors.map((actor, i) => (this.given[i] ??= givenBy(actor, this.states[i]!, this.now))),
    );
  }

  /** Solves as the devices stand, and asks them what they answer. */
  private ask(): readonly State[] {
    const { network, solver, watch, actors, states, now } = this;
    const { choice } = this;
    if (choice !== this.solved)
      this.point = network.held ? solveHeld(solver, choice, network.held) : solveKnown(solver, choice);
    this.solved = choice;
    watch.passes?.(this.point);
    const answers = actors.map((_, i) => this.answerOf(i));
    const next = quickestFirst(actors, states, answers, this.senses);
    watch.visits?.({
      now,
      choice,
      states,
      answers,
      asked: [...(this.asked as Asked[])],
      raced: next !== answers,
    });
    return next;
  }

  private answerOf(i: number): State {
    const before = this.asked[i];
    const state = this.states[i]!;
    const { point } = this;
    if (
      before?.state === state &&
      (before.point === point || !isAnyFelt(before.felt, point)) &&
      soundsAlike(before.heard, this.hears)
    )
      return before.answer;
    this.noted = [];
    this.listened = [];
    const { installed, moment } = this.actors[i]!;
    const answer = installed.kind.next(state, this.senses[i]!, moment);
    if (this.watch.visits) this.asked[i] = { state, felt: this.noted, heard: this.listened, answer, point };
    return answer;
  }

  /** Puts some of the devices as they answered. */
  private move(movers: readonly number[], next: readonly State[]): void {
    this.states = [...this.states];
    let heard = false;
    for (const i of movers) {
      this.states[i] = next[i]!;
      this.position(this.actors[i]!, next[i]!);
      this.given[i] = null;
      heard ||= this.actors[i]!.installed.kind.gives !== undefined;
    }
    if (heard) this.hears = this.listening();
  }

  private asRecord(states: readonly State[]): Record<string, State> {
    return Object.fromEntries(this.actors.map(({ id }, i) => [id, states[i]!]));
  }

  private restless(cycle: readonly (readonly State[])[]): Chattering {
    const devices = this.actors.flatMap(({ id }, i) =>
      cycle.every((entry) => isSameState(entry[i]!, cycle[0]![i]!)) ? [] : [id],
    );
    return { devices, between: cycle.map((entry) => this.asRecord(entry)) };
  }

  private settled(chattering: Chattering | null): Settled {
    const { now, point } = this;
    return { world: { now, states: this.asRecord(this.states) }, point, chattering };
  }
}
