import { coolingWater, depthOf, flueWater, litresAt } from '../../../standards';
import type { PanShape } from '../../../standards';
import { flow, heard } from '../../channels';
import type { Signal } from '../../channels';
import { defineDevice } from '../../define';
import type { Moment, Senses } from '../../context';
import { choice, num } from '../../fields';
import type { ValuesOf } from '../../fields';
import type { Holding } from '../../parts/vessel';
import { held, isEmpty, isFull, reaches, soonest } from '../../parts/vessel';

/** What a clear drain carries, and one that is nearly blocked, l/s. From memory. */
const DRAIN_LPS = 0.03;
const SLOW_LPS = 0.0002;

const params = {
  leadsTo: choice('The drain runs', { outside: 'Outside', pump: 'Into a condensate pump' }, 'outside'),
  coilAreaCm2: num({
    label: 'Floor of the coil’s pan',
    unit: 'cm²',
    default: 1500,
    min: 100,
    max: 20_000,
    source: 'from memory',
  }),
  coilRimMm: num({
    label: 'It runs over at',
    unit: 'mm',
    default: 30,
    min: 5,
    max: 150,
    source: 'from memory',
  }),
  below: choice('Under the unit', { pan: 'A pan', nothing: 'Nothing' }, 'pan'),
  panAreaCm2: num({
    label: 'Floor of the pan below',
    unit: 'cm²',
    default: 7000,
    min: 500,
    max: 40_000,
    source: 'from memory',
  }),
  panRimMm: num({
    label: 'The pan below runs over at',
    unit: 'mm',
    default: 35,
    min: 5,
    max: 150,
    source: 'from memory',
  }),
  tiltMm: num({
    label: 'The pan below is out of level by',
    unit: 'mm',
    default: 0,
    min: 0,
    max: 100,
    source: 'common practice',
  }),
};

const controls = {
  drain: choice(
    'Drain',
    { runs: 'Runs', slow: 'Nearly blocked', blocked: 'Blocked', off: 'Off its stub' },
    'runs',
  ),
  water: choice('Water', { comes: 'As it comes', wiped: 'Sucked out, wiped dry' }, 'comes'),
};

type Params = ValuesOf<typeof params>;
type PanMoment = Moment<Params, object, ValuesOf<typeof controls>>;

type Water = {
  at: number;
  /** In the coil's pan, in the pan below, and let out of both, l; and how each changes, l/s. */
  coil: number;
  coilRate: number;
  below: number;
  belowRate: number;
  out: number;
  outRate: number;
  /** Down the drain, l/s. */
  drained: number;
};

const dry: Water = { at: 0, coil: 0, coilRate: 0, below: 0, belowRate: 0, out: 0, outRate: 0, drained: 0 };

const coilShape = ({ coilAreaCm2 }: Params): PanShape => ({ areaM2: coilAreaCm2 / 1e4, tiltMm: 0 });
const panShape = ({ panAreaCm2, tiltMm }: Params): PanShape => ({ areaM2: panAreaCm2 / 1e4, tiltMm });

/** What either pan holds when it runs over, l: at its lowest edge. */
const coilHolds = (params: Params) => litresAt(coilShape(params), params.coilRimMm);
const panHolds = (params: Params) =>
  params.below === 'pan' ? litresAt(panShape(params), params.panRimMm) : 0;

const coilOf = ({ coil, coilRate, at }: Water): Holding => ({ litres: coil, rate: coilRate, at });
const belowOf = ({ below, belowRate, at }: Water): Holding => ({ litres: below, rate: belowRate, at });
const outOf = ({ out, outRate, at }: Water): Holding => ({ litres: out, rate: outRate, at });

/** Water there is at the coil and in the exchanger, l/s. A heat pump makes it while its valve stands for cooling. */
function madeOf(senses: Senses): number {
  const pumped = heard(senses, 'turned') < 0 ? heard(senses, 'pumps') : 0;
  return coolingWater(heard(senses, 'chills') + pumped) + flueWater(heard(senses, 'condenses'));
}

const CARRIES = { runs: DRAIN_LPS, slow: SLOW_LPS, blocked: 0, off: Infinity } as const;

const isDry = ({ at: _at, ...water }: Water) => Object.values(water).every((amount) => amount === 0);

/** How everything changes, from what is there and what comes. */
function ratesOf(coil: number, below: number, made: number, { params, controls }: PanMoment) {
  const carries = CARRIES[controls.drain];
  // A pipe that is off lets everything out under the pan.
  const drained = isEmpty(coil) ? Math.min(made, carries) : Math.min(carries, DRAIN_LPS);
  const gain = made - drained;
  const over = gain > 0 && isFull(coil, coilHolds(params)) ? gain : 0;
  const below0 = over + (controls.drain === 'off' ? drained : 0);
  const full = isFull(below, panHolds(params));
  return {
    coilRate: gain - over,
    belowRate: full ? 0 : below0,
    outRate: full ? below0 : 0,
    drained: controls.drain === 'off' ? 0 : drained,
  };
}

function next(state: Water, senses: Senses, moment: PanMoment): Water {
  const { now } = moment;
  if (moment.controls.water === 'wiped')
    return state.at === now && isDry(state) ? state : { ...dry, at: now };
  const [coil, below, out] = [coilOf(state), belowOf(state), outOf(state)].map((one) => held(one, now));
  const rates = ratesOf(coil!, below!, madeOf(senses), moment);
  const same = (Object.keys(rates) as (keyof typeof rates)[]).every((key) => rates[key] === state[key]);
  return same ? state : { ...rates, at: now, coil: coil!, below: below!, out: out! };
}

/** Depth in a pan, less so many millimetres that its floor lies higher. */
const depthSignal = (shape: PanShape, holding: Holding, now: number, higherMm = 0): Signal => ({
  amount: depthOf(shape, held(holding, now)) - higherMm,
  reaches: (mm) => reaches(holding, litresAt(shape, mm + higherMm)),
});

/**
 * The pan under a cooling coil with its drain, and the pan that may lie under the unit. Cooling and a condensing furnace
 * make water; what the drain does not carry off rises, runs over into the pan below, and then through the ceiling.
 */
export const drainPan = defineDevice({
  kind: 'drain-pan',
  title: 'Pan and drain',
  designations: () => [],
  params,
  settings: {},
  controls,
  elements: () => [],
  initial: dry,
  positions: () => ({}),
  next,
  gives: (state, { params, now }) => ({
    'coil-pan': depthSignal(coilShape(params), coilOf(state), now),
    ...(params.below === 'pan'
      ? {
          'lower-pan': depthSignal(panShape(params), belowOf(state), now),
          'lower-pan-high': depthSignal(panShape(params), belowOf(state), now, params.tiltMm),
        }
      : {}),
    ...(params.leadsTo === 'pump' ? { drains: flow(state.drained) } : {}),
  }),
  drains: { control: 'drain', blocked: 'blocked', slow: 'slow' },
  spilt: (state, { now }) => held(outOf(state), now),
  waits: (state, { params, now }) => {
    const until = soonest(
      [
        reaches(coilOf(state), coilHolds(params)),
        reaches(coilOf(state), 0),
        reaches(belowOf(state), panHolds(params)),
      ],
      now,
    );
    return until === null ? [] : [{ until, text: 'the water comes to a rim', quiet: true }];
  },
  face: (state, { params, now }) => {
    const [coil, below, out] = [coilOf(state), belowOf(state), outOf(state)].map((one) => held(one, now));
    if (out! > 0)
      return {
        text: 'runs over',
        tone: 'tripped',
        detail: 'Water is on the ceiling: stop whatever makes it.',
      };
    if (below! > 0)
      return {
        text: `${Math.round(depthOf(panShape(params), below!))} mm below`,
        tone: 'tripped',
        detail: 'Water stands in the pan under the unit: the drain does not carry it off.',
      };
    const depth = Math.round(depthOf(coilShape(params), coil!));
    return depth > 0 ? { text: `${depth} mm`, tone: 'busy' } : { text: 'dry', tone: 'ok' };
  },
  faults: [],
});
