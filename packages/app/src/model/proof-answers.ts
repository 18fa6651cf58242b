/** What the model's worker answers of proofs: what is wrong, what would put it right, what wrong landings would do. */
import type { BenchView, Inputs, World } from '@zygostat/core/behaviour';
import { makeBench } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Case, Finding, Mistake, Proof, Repair, Telling, WrongLanding } from '@zygostat/core/prove';
import { landedWrong, prove, repairOf, stageOf, sweep, tellingOf } from '@zygostat/core/prove';

/** States between two words about long work. */
const TELL_EVERY = 6;

/** Says how far long work is, now and then. To stop it, its worker is ended. */
const nowAndThen =
  (tell: (done: number, all: number) => void) =>
  (done: number, all: number): true => {
    if (done % TELL_EVERY === 0 || done === all) tell(done, all);
    return true;
  };

/** A wrong landing without the circuit it makes. */
export type MistakeFound = Omit<Mistake, 'circuit'>;

export const proofAnswers = {
  prove: (circuit: Circuit, tell: (done: number, all: number) => void): Proof =>
    prove(circuit, nowAndThen(tell))!,

  /** What each single wrong landing would do. */
  mistakes: (circuit: Circuit, tell: (done: number, all: number) => void): MistakeFound[] =>
    sweep(circuit, nowAndThen(tell))!.map(({ circuit: _made, ...found }) => found),

  /** By which reading a wrong landing is told, in the state that shows it. */
  telling: (circuit: Circuit, wrong: WrongLanding, subject: Case): Telling | null =>
    tellingOf(circuit, wrong, subject),

  /** A circuit with something landed wrong, live in the state that shows it. */
  landedWrong: (
    circuit: Circuit,
    wrong: WrongLanding,
    subject: Case,
  ): { circuit: Circuit; view: BenchView } => {
    const made = landedWrong(circuit, wrong);
    const { view } = makeBench(made).answer({
      ...stageOf(made, subject),
      elapse: 0,
      probes: null,
      followed: null,
    });
    return { circuit: made, view };
  },

  /** The change that puts a finding right, if one does. */
  repair: (
    circuit: Circuit,
    finding: Finding,
    findings: readonly Finding[],
    tell: (done: number, all: number) => void,
  ): Repair | null => repairOf(circuit, finding, nowAndThen(tell), findings),

  /** The bench in the state that shows a finding. */
  stage: (circuit: Circuit, subject: Case): { inputs: Inputs; world: World } => stageOf(circuit, subject),
};
