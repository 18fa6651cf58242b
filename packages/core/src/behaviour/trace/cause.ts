/** Why a load is not as it should be: codes with the parts they name, told in words elsewhere. */
import type { Disagreement, TerminalId } from '../../circuit';

export type Cause =
  /** No call is made that would bring it. */
  | { type: 'unasked' }
  /** A device on its way is counting. */
  | { type: 'waiting'; device: string }
  /** A device on its way serves others first, by rules of its own. */
  | { type: 'held'; device: string }
  /** A safety, switch or fuse on its way is open. */
  | { type: 'opened'; device: string }
  /** The wiring disagrees with its marks where its current should pass. */
  | { type: 'wiring'; disagreement: Disagreement }
  /** A conductor is broken. */
  | { type: 'broken'; conductor: string }
  /** A contact inside a device does not do what everything that moves it asks. */
  | { type: 'inside'; device: string; element: string }
  /** It has its volts and takes no current. */
  | { type: 'dead'; device: string; element: string }
  /** It draws current and does not turn. */
  | { type: 'stalled'; device: string }
  /** A run capacitor has lost some of what its label says, or all: the mark of the side, the share that is left. */
  | { type: 'capacity'; device: string; mark: string; share: number }
  /** Volts are lost on the way, or the supply has too few. */
  | { type: 'weak'; device: string; volts: number }
  /** Volts are lost along conductors of one cable. */
  | { type: 'lossy'; conductors: readonly string[]; volts: number }
  /** Something is fed although its contact is open, or feeds what it should not. */
  | { type: 'stuck'; device: string; element: string }
  /** It takes many times its own current. */
  | { type: 'shorted'; device: string; element: string }
  /** Two conductors of a cable touch. */
  | { type: 'touching'; conductors: readonly string[] }
  /** A thermostat asks for it as it is set up. */
  | { type: 'set-up'; device: string }
  /** What is landed on one terminal leads to another of a different function. */
  | { type: 'astray'; from: string; to: string; conductors: readonly string[] }
  /** Devices that should hear one another over the air and do not. */
  | { type: 'silent'; devices: readonly string[] }
  /** No wiring leads there, or from this hot or common terminal to any supply. */
  | { type: 'unwired'; terminal?: TerminalId };

/** Parts a sentence names: devices, conductors and links, by id. */
export function partsOf(cause: Cause): string[] {
  switch (cause.type) {
    case 'wiring':
      return partsOfDisagreement(cause.disagreement);
    case 'broken':
      return [cause.conductor];
    case 'touching':
    case 'astray':
    case 'lossy':
      return [...cause.conductors];
    case 'silent':
      return [...cause.devices];
    // What gets too little is not what takes it away.
    case 'weak':
    case 'stalled':
    case 'unasked':
    case 'unwired':
      return [];
    default:
      return [cause.device];
  }
}

function partsOfDisagreement(disagreement: Disagreement): string[] {
  switch (disagreement.type) {
    case 'link':
      return [disagreement.link.id];
    case 'empty':
      return [disagreement.terminal];
    default:
      return [disagreement.conductor.id];
  }
}

/** What is worth saying before what: a fault, then what is open, then a wait, then nothing. */
const WEIGHT: Record<Cause['type'], number> = {
  wiring: 0,
  broken: 0,
  touching: 0,
  astray: 1,
  stuck: 1,
  shorted: 1,
  inside: 1,
  dead: 1,
  capacity: 1,
  stalled: 2,
  silent: 1,
  opened: 2,
  lossy: 3,
  weak: 4,
  waiting: 5,
  held: 6,
  unwired: 7,
  'set-up': 8,
  unasked: 9,
};

/** Of several causes the one to say. */
export const gravest = (causes: readonly Cause[]): Cause =>
  causes.reduce<Cause>((worst, one) => (WEIGHT[one.type] < WEIGHT[worst.type] ? one : worst), {
    type: 'unasked',
  });
