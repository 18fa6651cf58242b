/**
 * Which conductors of a group are broken, by the fewest readings to be expected. Conductors in series pass only where all
 * of them are whole, so one reading tests a group: group testing with adaptive, nested groups, optimal among those, after
 * M. Sobel and P. A. Groll, "Group testing to eliminate efficiently all defectives in a binomial sample", Bell System
 * Technical Journal 38 (1959); from memory.
 */

/** What has come out so far, by conductor in the order they are tested. */
interface Standing {
  whole: readonly number[];
  broken: readonly number[];
  /** What to read next in series; `null` when every conductor is known. */
  next: readonly number[] | null;
}

/** Before anything is read: as if so many conductors had been read, one of them broken; judgement. */
const READ_BEFORE = 5;
const BROKEN_BEFORE = 1;

/** Chance that a conductor is broken, from those known by now. */
const chanceOf = (whole: number, broken: number) => (BROKEN_BEFORE + broken) / (READ_BEFORE + whole + broken);

interface Best {
  tests: number;
  size: number;
}

/** Optimal nested tests for conductors that are each broken with the same chance. */
export class Plan {
  private readonly known = new Map<string, Best>();

  /** @param chance - that a conductor is broken, 0 to 1. */
  constructor(private readonly chance: number) {}

  /**
   * Expected readings, and how many conductors the next of them takes.
   *
   * @param suspect - the size of a group that is known to hold a broken one; 0 when there is none.
   * @param left - conductors not known yet, the group among them.
   */
  best(suspect: number, left: number): Best {
    if (left === 0) return { tests: 0, size: 0 };
    if (suspect === 1) return this.best(0, left - 1);
    const key = `${suspect} ${left}`;
    const known = this.known.get(key);
    if (known) return known;
    const made = this.search(suspect, left);
    this.known.set(key, made);
    return made;
  }

  private search(suspect: number, left: number): Best {
    const sound = 1 - this.chance;
    const most = suspect === 0 ? left : suspect - 1;
    let best: Best = { tests: Infinity, size: 0 };
    for (let size = 1; size <= most; size++) {
      const passes =
        suspect === 0 ? sound ** size : (sound ** size - sound ** suspect) / (1 - sound ** suspect);
      const after = this.best(suspect === 0 ? 0 : suspect - size, left - size).tests;
      const tests = 1 + passes * after + (1 - passes) * this.best(size, left).tests;
      if (tests < best.tests - 1e-12) best = { tests, size };
    }
    return best;
  }
}

const plans = new Map<number, Plan>();

function planFor(whole: number, broken: number): Plan {
  const chance = chanceOf(whole, broken);
  const known = plans.get(chance) ?? new Plan(chance);
  plans.set(chance, known);
  return known;
}

/**
 * Where a test of so many conductors stands.
 *
 * @param passed - of each reading in turn, whether the group it asked for passed.
 */
export function follow(count: number, passed: readonly boolean[]): Standing {
  const whole: number[] = [];
  const broken: number[] = [];
  let suspect: number[] = [];
  let left = Array.from({ length: count }, (_, i) => i);
  const next = () => {
    if (suspect.length === 1) {
      broken.push(suspect[0]!);
      suspect = [];
    }
    const { size } = planFor(whole.length, broken.length).best(suspect.length, suspect.length + left.length);
    return (suspect.length > 0 ? suspect : left).slice(0, size);
  };
  for (const isPassed of passed) {
    const group = next();
    if (group.length === 0) break;
    const rest = (from: readonly number[]) => from.filter((one) => !group.includes(one));
    if (isPassed) {
      whole.push(...group);
      if (suspect.length > 0) suspect = rest(suspect);
      else left = rest(left);
    } else {
      left = [...rest(suspect), ...rest(left)];
      suspect = group;
    }
  }
  const group = next();
  return { whole, broken, next: group.length > 0 ? group : null };
}

/**
 * The most readings that can be needed, whatever is broken.
 *
 * @param suspect - the size of a group that is known to hold a broken one; 0 when there is none.
 * @param left - conductors not known yet, the group among them.
 */
export function mostReadings(left: number, suspect = 0, whole = 0, broken = 0): number {
  if (suspect === 1) return mostReadings(left - 1, 0, whole, broken + 1);
  if (left === 0) return 0;
  const { size } = planFor(whole, broken).best(suspect, left);
  const passes = mostReadings(left - size, suspect === 0 ? 0 : suspect - size, whole + size, broken);
  return 1 + Math.max(passes, mostReadings(left, size, whole, broken));
}

/**
 * The fewest readings any way of testing can be sure to do with: each has two outcomes, and every set of broken
 * conductors must come out by itself.
 *
 * @param broken - at most so many are broken.
 */
export function fewestReadings(count: number, broken: number): number {
  let sets = 0;
  let choose = 1;
  for (let k = 0; k <= Math.min(broken, count); k++) {
    sets += choose;
    choose = (choose * (count - k)) / (k + 1);
  }
  return Math.ceil(Math.log2(sets));
}
