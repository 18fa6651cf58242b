/** What was found for one system. */
export interface Row {
  system: string;
  mistakes: number;
  /** Mistakes the proof shows; of these repaired clean, and proposals that add a violation. */
  shown: number;
  repaired: number;
  harm: number;
  /** Proven clean, and found harmful by the walk. */
  missed: number;
  slowestMs: number;
  /** States that run otherwise with a fault; of these named right, and another part blamed. */
  states: number;
  named: number;
  blamed: number;
}

export const emptyRow = (system: string): Row => ({
  system,
  mistakes: 0,
  shown: 0,
  repaired: 0,
  harm: 0,
  missed: 0,
  slowestMs: 0,
  states: 0,
  named: 0,
  blamed: 0,
});

/** Rows of one system put together. */
export const merge = (one: Row, other: Row): Row => ({
  system: one.system,
  mistakes: one.mistakes + other.mistakes,
  shown: one.shown + other.shown,
  repaired: one.repaired + other.repaired,
  harm: one.harm + other.harm,
  missed: one.missed + other.missed,
  slowestMs: Math.max(one.slowestMs, other.slowestMs),
  states: one.states + other.states,
  named: one.named + other.named,
  blamed: one.blamed + other.blamed,
});
