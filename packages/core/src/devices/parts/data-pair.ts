/**
 * What the devices of a communicating system have in common: R and C from one transformer, and two data conductors with a polarity
 * of their own. One board holds the pair apart by a small direct voltage, its bias; the others listen to it. Levels are from memory,
 * of the kind that EIA-485 pairs use, and the maker's sheet wins.
 */
import type { Designation, Senses } from '../context';
import type { Face, FaultMode, Wait } from '../define';
import type { BranchElement, Element, SourceElement } from '../element';
import { LOGIC, contact, impedanceOf, load } from '../element';
import { num, seconds } from '../fields';
import { boardPowered } from './board';
import type { DataPair } from '../traits';

const DATA_MARKS = { plus: 'D1', minus: 'D2' } as const;
const { plus, minus } = DATA_MARKS;

const LISTEN = 'listen';
/** What every device of the pair has. */
export const PAIR_ELEMENTS = { lives: LOGIC, listens: LISTEN };
/** The contact through which the bias comes. */
export const DRIVE = 'drive';

export const dataParams = {
  boardVa: num({ label: 'Board draws', unit: 'VA', default: 5, min: 0.5, max: 40, source: 'read the label' }),
  listenOhms: num({
    label: 'Data input',
    unit: 'Ω',
    default: 12_000,
    min: 500,
    max: 100_000,
    source: 'from memory',
  }),
  heardVolts: num({
    label: 'Hears the data from',
    unit: 'V',
    default: 0.8,
    min: 0.1,
    max: 5,
    source: 'from memory',
  }),
};

export const biasParams = {
  biasVolts: num({
    label: 'Bias of the data',
    unit: 'V',
    default: 5,
    min: 1,
    max: 24,
    source: 'from memory',
  }),
  biasOhms: num({
    label: 'Bias, each side',
    unit: 'Ω',
    default: 600,
    min: 50,
    max: 10_000,
    source: 'from memory',
  }),
};

export const dataSettings = { faultS: seconds('No data is told after', 60, 600) };

interface DataValues {
  boardVa: number;
  listenOhms: number;
  heardVolts: number;
}

/** The four terminals; what they are for hangs on which way R and C go. */
export const dataTerminals = (power: 'gives' | 'takes', takes?: number): Designation[] => [
  {
    mark: 'R',
    role: 'hot',
    purpose: power === 'gives' ? '24 V hot out to the others.' : '24 V hot in.',
    ...(takes !== undefined && { takes }),
  },
  {
    mark: 'C',
    role: 'common',
    purpose: 'Common of all of them.',
    ...(takes !== undefined && { takes }),
  },
  {
    mark: plus,
    role: 'contact',
    purpose: 'Data, the side that stands higher.',
    serves: 'data-plus',
    ...(takes !== undefined && { takes }),
  },
  {
    mark: minus,
    role: 'contact',
    purpose: 'Data, the side that stands lower.',
    serves: 'data-minus',
    ...(takes !== undefined && { takes }),
  },
];

/** Its logic, and what listens to the pair. */
export const dataElements = ({ boardVa, listenOhms }: DataValues, hertz: number): BranchElement[] => [
  load(LOGIC, 'R', 'C', impedanceOf(24, boardVa, 0.9, hertz)),
  load(LISTEN, plus, minus, { ohms: listenOhms }),
];

/** What holds the pair apart: a source over one resistor to each side, the lower one on the common. */
export const biasElements = ({ biasVolts, biasOhms }: { biasVolts: number; biasOhms: number }): Element[] => [
  {
    kind: 'source',
    id: 'bias',
    a: '#bias',
    b: 'C',
    volts: biasVolts,
    phaseDegrees: 0,
    frequency: 'dc',
    impedance: { ohms: 1 },
  } satisfies SourceElement,
  contact(DRIVE, '#bias', '#driven'),
  load('bias-plus', '#driven', plus, { ohms: biasOhms }),
  load('bias-minus', minus, 'C', { ohms: biasOhms }),
];

/** How a device of a communicating system stands. */
export type DataState = {
  awake: boolean;
  /** What stands on the pair here: nothing, the bias, the bias the wrong way round, or the 24 V. */
  data: DataPair['reads'];
  /** Since when it has heard nothing, seconds. */
  silentSince: number | null;
};

export const DATA_AT_REST: DataState = { awake: false, data: 'nothing', silentSince: null };

/** More than this of alternating current on the pair is the supply and no data, V. From memory. */
const SUPPLY_VOLTS = 6;

function heardOn(senses: Senses, { heardVolts }: Pick<DataValues, 'heardVolts'>): DataPair['reads'] {
  const stray = Math.max(senses.volts(plus, minus), senses.volts(plus, 'C'), senses.volts(minus, 'C'));
  if (stray > SUPPLY_VOLTS) return 'mains';
  const volts = senses.directVolts(plus, minus);
  if (Math.abs(volts) < heardVolts) return 'nothing';
  return volts > 0 ? 'data' : 'reversed';
}

export function dataAfter(before: DataState, senses: Senses, params: DataValues, now: number): DataState {
  const awake = boardPowered(senses);
  const data = awake ? heardOn(senses, params) : 'nothing';
  const silentSince = awake && data !== 'data' ? (before.silentSince ?? now) : null;
  return { awake, data, silentSince };
}

/** How it stands on the pair, for whoever asks. */
export const pairOf = ({ awake, data }: DataState): DataPair => ({
  awake,
  linked: isLinked({ awake, data }),
  reads: data,
});

/** Awake, and on the pair with the others. */
export const isLinked = ({ awake, data }: Pick<DataState, 'awake' | 'data'>): boolean =>
  awake && data === 'data';

interface Told {
  settings: { faultS: number };
  now: number;
}

const isFault = ({ silentSince }: DataState, { settings, now }: Told) =>
  silentSince !== null && now >= silentSince + settings.faultS;

export const dataWaits = (state: DataState, told: Told): Wait[] =>
  state.silentSince === null || isFault(state, told)
    ? []
    : [{ until: state.silentSince + told.settings.faultS, text: 'waits for the others', done: 'data fault' }];

/** What it shows by itself: dark is no power, no data is no matter of the power. */
export function dataFace(state: DataState, told: Told, text: string): Face {
  if (!state.awake) return { text: 'dark', tone: 'off' };
  if (!isFault(state, told)) return { text, tone: text === 'ready' || text === 'off' ? 'ok' : 'busy' };
  return {
    text: 'no data',
    tone: 'tripped',
    detail: `It has its 24 V and hears none of the others. Read ${plus} against ${minus} here, d.c.: the bias is right, with a minus the two are exchanged, nothing is an open conductor or no bias.`,
  };
}

/** How its electronics fail. */
export const dataFaults: readonly FaultMode[] = [
  { mode: 'dead', title: 'Board dead', likelihood: 1, elements: { [LOGIC]: 'open' } },
  {
    mode: 'data-shorted',
    title: 'Data input shorted',
    likelihood: 0.5,
    elements: { [LISTEN]: { ohms: 5 } },
  },
];
