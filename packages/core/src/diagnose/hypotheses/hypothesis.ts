/** What may be wrong, as codes; told in `words/`. */
import type { Inputs } from '../../behaviour';
import type { End, TerminalId } from '../../circuit';
import type { Mend, Value, Values } from '../../devices';
import type { Alteration } from '../../network';
import type { WrongLanding } from '../../prove';

export type Failure =
  /** The controls are right: it is the equipment, or nothing at all. */
  | { type: 'none' }
  /** A delay is running: a compressor's rest, a purge, a thermostat's protection. */
  | { type: 'waiting' }
  | { type: 'part'; device: string; mode: string }
  /** A contact or a coil of a device, in a way that none of its modes says. */
  | { type: 'element'; device: string; element: string; fault: 'stays-open' | 'shorted'; nowAndThen?: true }
  /** A safety that has tripped as it should. */
  | { type: 'tripped'; device: string }
  /** Switched off, or a breaker that has tripped. */
  | { type: 'off'; device: string }
  | { type: 'setting'; device: string; name: string; value: Value }
  | { type: 'broken'; conductor: string; nowAndThen?: true }
  /** Not under its screw, or with its insulation under it. */
  | { type: 'loose'; conductor: string; end: End; nowAndThen?: true }
  /** A joint that passes too little. */
  | { type: 'poor-joint'; conductor: string; end: End; nowAndThen?: true }
  | { type: 'touching'; conductor: string; other: string }
  | { type: 'grounded'; conductor: string }
  | { type: 'cut-through'; cable: string }
  | { type: 'landing'; wrong: WrongLanding }
  /** A strand that reaches over to the terminal beside it. */
  | { type: 'strand'; terminals: readonly [TerminalId, TerminalId] }
  | { type: 'no-jumper'; link: string }
  /** More hangs on a transformer than it was made for. */
  | { type: 'overloaded'; device: string }
  /** Left after testing, or put in where none belongs. */
  | { type: 'jumper-left'; terminals: readonly [TerminalId, TerminalId] }
  /** What comes in from the street, or what is left of it, is not what it should be: a share of nominal. */
  | { type: 'line-voltage'; share: number }
  /** Another thermostat of the same unit asks for something of its own. */
  | { type: 'fighting'; device: string; call: 'heat' | 'cool' }
  /** What is landed at a block is not as recorded, in a way that is not among these: two ends lifted, three rotated. */
  | { type: 'otherwise'; device: string }
  /** None of these. */
  | { type: 'unlisted' }
  /** Two of these at once. */
  | { type: 'both'; failures: readonly [Failure, Failure] };

/** What is done about a failure. Failures with the same remedy need not be told apart. */
export type Remedy =
  | { type: 'none' | 'wait' }
  /** Compare what is landed at a device with the record, end by end, and write down what is there. */
  | { type: 'compare'; device: string }
  /** Nothing known fits: look for two at once, or ask. */
  | { type: 'ask' }
  /** A device, or a part of it that is replaced without the whole. */
  | { type: 'part'; device: string; part: string | null; mend: Mend }
  | { type: 'clear'; device: string }
  | { type: 'switch-on'; device: string }
  | { type: 'set'; device: string; name: string }
  | { type: 'land'; conductor: string; end: End }
  | { type: 'replace-conductor'; conductor: string }
  | { type: 'replace-cable'; cable: string }
  | { type: 'tidy'; terminals: readonly [TerminalId, TerminalId] }
  | { type: 'jumper'; link: string }
  | { type: 'take-out-jumper'; terminals: readonly [TerminalId, TerminalId] }
  /** Take loads off a transformer, or fit a bigger one. */
  | { type: 'relieve'; device: string }
  /** Line voltage is put right by an electrician or whoever supplies it. */
  | { type: 'line-voltage' }
  /** Set it to ask for what the others ask for. */
  | { type: 'agree'; device: string }
  | { type: 'both'; remedies: readonly [Remedy, Remedy] };

export interface Hypothesis {
  id: string;
  failure: Failure;
  remedy: Remedy;
  /** How often it is met against the others, before anything is observed. */
  weight: number;
  /** What it does to the network. */
  alteration: Alteration;
  /** Controls it holds, whatever is set. */
  held: Inputs['controls'];
  /** Settings that are not what is recorded, by device. */
  settings: Readonly<Record<string, Values>>;
  /** Line voltage as a share of nominal. */
  line: number;
  /** It was looked at before anything could have settled. */
  early: boolean;
  /** Who looks for it finds it as the hypothesis of this id: whether it stays, or its ohms, cannot be seen. */
  asFound: string | null;
  /** The two it is made of, where it is two at once. */
  of?: readonly [Hypothesis, Hypothesis];
}

/** The single hypotheses one is made of. */
export const singlesOf = (given: Hypothesis): readonly Hypothesis[] => given.of ?? [given];

/** A hypothesis that leaves everything alone but what is given. */
export const hypothesis = (
  given: Pick<Hypothesis, 'id' | 'failure' | 'remedy' | 'weight'> & Partial<Hypothesis>,
): Hypothesis => ({
  alteration: {},
  held: {},
  settings: {},
  line: 1,
  early: false,
  asFound: null,
  ...given,
});

/** Whether it comes and goes. */
export const comesAndGoes = ({ failure }: Pick<Hypothesis, 'failure'>): boolean =>
  'nowAndThen' in failure && failure.nowAndThen === true;

/** What who looks for it finds it to be, by its id. */
export const foundAs = ({ id, asFound }: Hypothesis): string => asFound ?? id;

/** Equal for remedies that are the same work on the same thing. */
export const remedyKey = (remedy: Remedy): string => JSON.stringify(remedy);
