/** The windings of a capacitor-run motor as elements, how it starts and stalls, and the overload inside: of compressor and fan alike. */
import type { FaultMode } from '../define';
import type { Designation, Mains, Moment, Positions, Senses } from '../context';
import type { Element, Position, SeriesImpedance } from '../element';
import { CLOSED_CONTACT_OHMS, EARTH, contact } from '../element';
import type { ValuesOf } from '../fields';
import { choice, num, seconds } from '../fields';
import type { Stall } from '../traits';
import { openFault } from './faults';
import type { Complex } from './capacitor-motor';
import { modulus, motorAt, motorOf, slipUnder } from './capacitor-motor';

interface LabelDefaults {
  volts: number;
  amps: number;
  mainOhms: number;
  startOhms: number;
  microfarads: number;
}

const figure = (label: string, unit: string, value: number, source: string) =>
  num({ label, unit, default: value, min: value / 100, max: value * 100, source });

/** What the label of such a motor says, and what its windings measure. */
export const windingParams = (usual: LabelDefaults) => ({
  serves: choice('The unit', { cool: 'Cools', pump: 'Heats and cools (heat pump)' }, 'cool'),
  volts: num({
    label: 'Rated volts',
    unit: 'V',
    default: usual.volts,
    min: 100,
    max: 480,
    source: 'read the label',
  }),
  amps: figure('Running', 'A', usual.amps, 'read the label'),
  runOhms: figure('Run winding R–C', 'Ω', usual.mainOhms, 'from memory'),
  startOhms: figure('Start winding S–C', 'Ω', usual.startOhms, 'from memory'),
  microfarads: figure('Its run capacitor', 'µF', usual.microfarads, 'read the label'),
  tripS: seconds('Overload inside opens a stalled motor after', 10, 120),
});

type WindingValues = ValuesOf<ReturnType<typeof windingParams>>;

/** Shares of its own capacitor at which the running motor is worked out; others go by the nearest. */
const SHARES = [0.25, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.1, 1.25, 1.5, 2] as const;
/** It starts against its load with no less than this share of what turns it with its own capacitor; from memory. */
const STARTS_FROM = 0.5;
/** Below this share of its rated volts it stops; from memory. */
const STALL_SHARE = 0.6;
/** Below these it is not fed at all, and a winding takes nothing: V, A. */
const FED_VOLTS = 10;
const LEAST_AMPS = 0.01;
/** The overload inside heats on this many times the amperes of the label; from memory. */
const OVERLOAD_SHARE = 1.7;

interface Worked {
  motor: ReturnType<typeof motorOf>['motor'];
  positions: Readonly<Record<'main' | 'start', Readonly<Record<string, Position>>>>;
  /** Shares at which it carries its load, as indices of `SHARES`. */
  runs: readonly number[];
  capacitive: number;
  startWatts: number;
}

const worked = new Map<string, Worked>();

const seen = (volts: Complex, amps: Complex, hertz: number): SeriesImpedance => {
  const square = modulus(amps) ** 2;
  const ohms = (volts.re * amps.re + volts.im * amps.im) / square;
  const reactance = (volts.im * amps.re - volts.re * amps.im) / square;
  const omega = 2 * Math.PI * hertz;
  return reactance >= 0 ? { ohms, henries: reactance / omega } : { ohms, farads: -1 / (omega * reactance) };
};

/** Both windings as the network sees them: at rest, stalled, and running on each share of its capacitor. */
function work(label: WindingValues, hertz: number): Worked {
  const { motor, load } = motorOf(
    {
      volts: label.volts,
      amps: label.amps,
      mainOhms: label.runOhms,
      startOhms: label.startOhms,
      farads: label.microfarads * 1e-6,
    },
    hertz,
  );
  const capacitive = 1 / (2 * Math.PI * hertz * label.microfarads * 1e-6);
  const supply = { re: label.volts, im: 0 };
  const stalled = motorAt(motor, 1, label.volts, capacitive);
  const main: Record<string, Position> = {
    still: { ohms: label.runOhms, henries: seen(supply, stalled.main, hertz).henries! },
    stalled: seen(supply, stalled.main, hertz),
  };
  const start: Record<string, Position> = {
    still: { ohms: label.startOhms, henries: seen(stalled.startVolts, stalled.start, hertz).henries! },
    stalled: seen(stalled.startVolts, stalled.start, hertz),
  };
  const runs: number[] = [];
  SHARES.forEach((share, i) => {
    const slip = slipUnder(motor, load, label.volts, capacitive / share);
    if (slip === null) return;
    const point = motorAt(motor, slip, label.volts, capacitive / share);
    const [one, other] = [seen(supply, point.main, hertz), seen(point.startVolts, point.start, hertz)];
    // A winding that gives power back is none the network's rest can be told from.
    if (one.ohms <= 0 || other.ohms <= 0) return;
    main[`runs-${i}`] = one;
    start[`runs-${i}`] = other;
    runs.push(i);
  });
  return { motor, positions: { main, start }, runs, capacitive, startWatts: stalled.gapWatts };
}

/** Worked out once for a label: circuits are compiled over and over. */
function workedFor(label: WindingValues, hertz: number): Worked {
  const key = [label.volts, label.amps, label.runOhms, label.startOhms, label.microfarads, hertz].join();
  const known = worked.get(key);
  if (known) return known;
  const made = work(label, hertz);
  worked.set(key, made);
  return made;
}

export const windingMarks = (of: string, serves: string): readonly Designation[] => [
  { mark: 'C', role: 'winding', purpose: `${of} common: where run and start winding meet.` },
  { mark: 'R', role: 'winding', purpose: `${of} run winding.` },
  {
    mark: 'S',
    role: 'winding',
    purpose: `${of} start winding, through its run capacitor.`,
    serves,
  },
];

export const windingElements = (label: WindingValues, { hertz }: Mains): readonly Element[] => {
  const { positions } = workedFor(label, hertz);
  return [
    contact('overload', 'C', '#common'),
    { kind: 'branch', id: 'run', a: 'R', b: '#common', nature: 'load', positions: positions.main },
    { kind: 'branch', id: 'start', a: 'S', b: '#common', nature: 'load', positions: positions.start },
    {
      kind: 'branch',
      id: 'shell',
      a: '#common',
      b: EARTH,
      nature: 'path',
      positions: { on: 'open' },
    },
  ];
};

type WindingState = {
  /** Position of both windings. */
  at: string;
  hotSince: number | null;
  /** The overload inside has opened. */
  open: boolean;
  /** As it last stood stalled: see `Stall`. */
  share: number;
  volts: number;
  draws: boolean;
};

const WINDINGS_AT_REST: WindingState = {
  at: 'still',
  hotSince: null,
  open: false,
  share: 0,
  volts: 0,
  draws: false,
};

const isRunning = ({ at }: WindingState) => at.startsWith('runs-');

/** It is fed and does not turn. */
const stallOf = ({ at, open, share, volts, draws }: WindingState): Stall | null =>
  at === 'stalled' || open ? { at: 'S', element: 'start', share, volts, draws } : null;

const windingPositions = ({ at, open }: WindingState): Positions => ({
  run: at,
  start: at,
  overload: open ? 'open' : 'closed',
});

/** Nearest share at which it runs; `null` where none is near. */
function nearestRun(share: number, { runs }: Worked): number | null {
  if (!(share > 0) || !Number.isFinite(share)) return null;
  const off = (i: number) => Math.abs(Math.log(share / SHARES[i]!));
  const nearest = SHARES.reduce((best, _, i) => (off(i) < off(best) ? i : best), 0);
  return runs.includes(nearest) ? nearest : null;
}

/** What its own current tells of the capacitor before its start winding, over the one of its label; 0 where none is told of. */
function capacitorShare(senses: Senses, { capacitive }: Worked): number {
  const [amps, volts] = [senses.amps('start'), senses.volts('R', 'S')];
  return volts > FED_VOLTS ? (amps * capacitive) / volts : 0;
}

/** Where the windings go from here: by the volts they get, and by the capacitor. */
function turning(state: WindingState, senses: Senses, label: WindingValues, hertz: number): string {
  const share = senses.volts('R', 'C') / label.volts;
  const fed = senses.volts('R', 'C') >= FED_VOLTS || senses.volts('S', 'C') >= FED_VOLTS;
  if (!fed || senses.amps('overload') < LEAST_AMPS) return 'still';
  if (state.at === 'still') return 'stalled';
  const known = workedFor(label, hertz);
  const capacitor = capacitorShare(senses, known);
  const run = nearestRun(capacitor, known);
  if (run === null || share < STALL_SHARE || senses.amps('run') < LEAST_AMPS) return 'stalled';
  if (isRunning(state)) return `runs-${run}`;
  const { motor, capacitive, startWatts } = known;
  const pull = motorAt(motor, 1, label.volts * share, capacitive / capacitor).gapWatts;
  return pull >= STARTS_FROM * startWatts ? `runs-${run}` : 'stalled';
}

const hundredths = (value: number) => Math.round(value * 100) / 100;

function windingNext(
  state: WindingState,
  senses: Senses,
  { params, mains, now }: Pick<Moment<WindingValues>, 'params' | 'mains' | 'now'>,
): WindingState {
  const fed = senses.volts('R', 'C') >= FED_VOLTS || senses.volts('S', 'C') >= FED_VOLTS;
  // It cools while nothing is asked of it: how long that takes is nobody's to wait for here.
  if (state.open) return fed ? state : WINDINGS_AT_REST;
  const at = turning(state, senses, params, mains.hertz);
  const hot = at !== 'still' && senses.amps('overload') > OVERLOAD_SHARE * params.amps;
  const hotSince = hot ? (state.hotSince ?? now) : null;
  const stalled =
    at === 'stalled'
      ? {
          share: hundredths(capacitorShare(senses, workedFor(params, mains.hertz))),
          volts: Math.round(senses.volts('R', 'S')),
          draws: senses.amps('start') >= LEAST_AMPS,
        }
      : { share: 0, volts: 0, draws: false };
  return hotSince !== null && now >= hotSince + params.tripS
    ? { ...state, at: 'still', hotSince: null, open: true }
    : { at, hotSince, open: false, ...stalled };
}

const windingWaits = ({ hotSince }: WindingState, { tripS }: WindingValues) =>
  hotSince === null
    ? []
    : [{ until: hotSince + tripS, text: 'it hums, and its overload opens', done: 'overload open' }];

const windingFace = (state: WindingState) =>
  state.open
    ? {
        text: 'overload open',
        tone: 'tripped' as const,
        detail:
          'It drew too much and did not turn; its overload inside has opened. It closes once it has cooled, an hour or more.',
      }
    : state.at === 'stalled'
      ? {
          text: 'hums',
          tone: 'tripped' as const,
          detail: 'It is fed and does not turn: its capacitor, a winding, or leads on the wrong pins.',
        }
      : isRunning(state)
        ? { text: 'running', tone: 'busy' as const }
        : { text: 'stopped', tone: 'ok' as const };

/** Whether it turns. */
export const windingRuns = isRunning;

/** What every motor with such windings is, whatever it drives. */
export const WINDING_KIND = {
  sealed: true,
  settings: {},
  controls: {},
  interrupts: ['overload'],
  stalls: stallOf,
  initial: WINDINGS_AT_REST,
  positions: windingPositions,
  next: windingNext,
  waits: (state: WindingState, { params }: { params: WindingValues }) => windingWaits(state, params),
  face: windingFace,
} as const;

/** A winding to the shell, ohms; from memory. */
const GROUNDED_OHMS = 0.2;

/** How such a motor fails; `deferred` where another is refrigerant work. */
export const windingFaults = (part: string, deferred: boolean): FaultMode[] => {
  const mend = deferred ? { mend: 'defer' as const } : {};
  return [
    { ...openFault('run', 'Run winding open', 2, part), ...mend },
    { ...openFault('start', 'Start winding open', 1, part), ...mend },
    { ...openFault('overload', 'Overload inside open', 1, part), ...mend },
    {
      mode: 'shorted',
      title: 'Run winding shorted',
      likelihood: 0.5,
      elements: { run: { ohms: CLOSED_CONTACT_OHMS } },
      part,
      ...mend,
    },
    {
      mode: 'grounded',
      title: 'Winding to earth',
      likelihood: 1,
      elements: { shell: { ohms: GROUNDED_OHMS } },
      part,
      ...mend,
    },
  ];
};
