import { defineDevice } from '../../define';
import type { Actuation } from '../../traits';
import type { Wait } from '../../define';
import type { Moment, Senses } from '../../context';
import type { BranchElement, Element } from '../../element';
import { LOGIC, contact, impedanceOf, inputOf, load, path } from '../../element';
import { choice, num, seconds } from '../../fields';
import type { ValuesOf } from '../../fields';
import { boardParams, calledAt, when } from '../../parts/board';
import { boardFaults, contactFaults } from '../../parts/faults';
import type { ZoneCall, ZoneOutputs, ZoneState } from '../../parts/zone-calls';
import { RESTING, turnsAt, zoneOutputs, zoneStep } from '../../parts/zone-calls';
import { EQUIPMENT, callMarks, numbered, stripParams, zoneCall, zoneStrip } from '../../parts/zone-strip';

/** Its own supply under which it resets, and what it passes that supply on through. From memory. */
const WORKS_FROM_VOLTS = 17;
const THROUGH_OHMS = 0.05;
/** What it feeds its sensor through, and the current between which it believes it: neither open nor shorted. */
const FEED_OHMS = 10_000;
const SENSOR_AMPS = [0.6e-3, 1.8e-3] as const;
/** How far supply air has to come back before a stage goes on, K; from memory. */
const BACK_K = 6;

const OUTPUTS = ['Y', 'Y2', 'G', 'W', 'W2', 'O', 'B'] as const;

const params = {
  ...stripParams,
  hotFrom: choice(
    'Zones’ R comes from',
    { equipment: 'The unit’s R', own: 'The panel’s own 24 V' },
    'equipment',
  ),
  ...boardParams,
};

const settings = {
  unit: choice('The unit is', { conventional: 'Conventional', pump: 'A heat pump' }, 'conventional'),
  valve: choice('O/B is energised in', { O: 'Cooling (O)', B: 'Heating (B)' }, 'O', 'common practice'),
  thermostats: choice('The zones’ thermostats are', { plain: 'Heat and cool', pump: 'Heat pump' }, 'plain'),
  priority: choice(
    'When zones disagree',
    { first: 'Whoever called first', heat: 'Heat', cool: 'Cooling' },
    'first',
  ),
  changeoverS: seconds('From one way to the other', 180, 1800),
  purgeS: seconds('Fan on after a call', 90, 600),
  purgeTo: choice(
    'Its air goes to',
    { served: 'The zones that called', all: 'All zones' },
    'served',
    'read the label',
  ),
  staging: choice(
    'Second stage',
    { time: 'After a time', zones: 'From several zones on', asked: 'As a thermostat asks' },
    'time',
  ),
  stageS: seconds('Second stage after', 600, 3600),
  stageZones: num({
    label: 'Second stage from',
    unit: 'zones',
    default: 2,
    min: 2,
    max: 4,
    source: 'from memory',
  }),
  fanWithHeat: choice('Fan with heat', { unit: 'Run by the unit', panel: 'Run by the panel' }, 'unit'),
  heatLimitC: num({
    label: 'Heat stops at supply air of',
    unit: '°C',
    default: 65,
    min: 40,
    max: 90,
    source: 'from memory',
  }),
  coolLimitC: num({
    label: 'Cooling stops at supply air of',
    unit: '°C',
    default: 6,
    min: 0,
    max: 15,
    source: 'from memory',
  }),
};

type Params = ValuesOf<typeof params>;
type Settings = ValuesOf<typeof settings>;
type Told = Pick<Moment<Params, Settings>, 'params' | 'settings' | 'now'>;

/** What puts an output on: the calls of a zone, any of which does. */
function broughtBy({
  unit,
  thermostats,
  fanWithHeat,
}: Settings): Readonly<Record<(typeof OUTPUTS)[number], readonly string[]>> {
  const fan = ['G', 'Y'];
  if (unit === 'conventional') {
    const [cool, heat] = [['Y'], ['W']];
    return {
      Y: cool,
      Y2: cool,
      G: fanWithHeat === 'panel' ? [...fan, ...heat] : fan,
      W: heat,
      W2: heat,
      O: [],
      B: [],
    };
  }
  const either = ['Y', 'W'];
  const plain = thermostats === 'plain';
  return {
    Y: either,
    Y2: either,
    G: [...fan, 'W'],
    W: plain ? ['W'] : either,
    W2: plain ? ['W'] : either,
    O: ['Y'],
    B: plain ? ['W'] : ['Y'],
  };
}

function actuation(given: Params, set: Settings): Actuation {
  const zones = numbered(given.zones);
  const brought = broughtBy(set);
  const by = (n: string, call: string) => [inputOf(`${n}${call}`), LOGIC];
  return Object.fromEntries([
    ...OUTPUTS.map((mark) => [`out-${mark}`, zones.flatMap((n) => brought[mark].map((call) => by(n, call)))]),
    ...zones.map((n) => [`open-${n}`, ['Y', 'W', 'G'].map((call) => by(n, call))]),
    ...zones.map((n) => [`close-${n}`, [[LOGIC]]]),
  ]) as Actuation;
}

/** Marks that are live on its zones' strips, zone by zone; and whether supply air went past a limit, and when it will. */
type PanelState = ZoneState & {
  powered: boolean;
  calls: string;
  over: boolean;
  overAt: number | null;
  sensor: 'none' | 'works';
};

const OFF: PanelState = {
  ...RESTING,
  powered: false,
  calls: '',
  over: false,
  overAt: null,
  sensor: 'none',
};

const callsOf = ({ calls }: PanelState, { params: { zones }, settings: habit }: Told): ZoneCall[] => {
  const strips = calls.split('|');
  return numbered(zones).map((_, i) =>
    zoneCall(new Set((strips[i] ?? '').split(' ').filter((mark) => mark)), habit),
  );
};

const outputsOf = (state: PanelState, told: Told): ZoneOutputs =>
  zoneOutputs(state, callsOf(state, told), told.settings, told.now);

/** What it puts on the unit's terminals. */
function equipment(
  state: PanelState,
  { unit, valve, fanWithHeat }: Settings,
  { heat, cool, second, fan }: ZoneOutputs,
): Record<(typeof OUTPUTS)[number], boolean> {
  const [heats, cools] = [heat && !state.over, cool && !state.over];
  if (unit === 'conventional')
    return {
      Y: cools,
      Y2: cools && second,
      G: fan || (heat && (fanWithHeat === 'panel' || state.over)),
      W: heats,
      W2: heats && second,
      O: false,
      B: false,
    };
  // Between calls the valve stays as it was: it is not moved for nothing.
  const turned = state.way === 'off' ? state.last : state.way;
  return {
    Y: heats || cools,
    Y2: (heats || cools) && second,
    G: fan || heat,
    W: heats && second,
    W2: heats && second,
    O: valve === 'O' && turned === 'cool',
    B: valve === 'B' && turned === 'heat',
  };
}

/** Whether supply air is past what the way it runs allows, and when it will be. */
function limitOf(
  { way, last, over }: Pick<PanelState, 'way' | 'last' | 'over'>,
  senses: Senses,
  { heatLimitC, coolLimitC }: Settings,
  now: number,
): Pick<PanelState, 'over' | 'overAt'> {
  const heating = (way === 'off' ? last : way) === 'heat';
  const [air] = senses.hears('supply-air');
  if (!air || (way === 'off' && !over)) return { over: false, overAt: null };
  const limit = heating ? heatLimitC : coolLimitC;
  const back = heating ? limit - BACK_K : limit + BACK_K;
  const past = (celsius: number) => (heating ? air.amount >= celsius : air.amount <= celsius);
  // Time comes to the very edge and no further: what was waited for has happened.
  const edge = (celsius: number) => Math.abs(air.amount - celsius) < 1e-6;
  const isOver = over ? past(back) && !edge(back) : past(limit) || edge(limit);
  const at = air.reaches?.(isOver ? back : limit) ?? Infinity;
  return { over: isOver, overAt: at > now && Number.isFinite(at) ? at : null };
}

/**
 * A zone panel: it repeats the zones' calls to the unit, opens the dampers of whoever calls and closes the others, holds
 * whoever wants the other way, purges between, and stops a stage when its sensor finds the supply air too warm or too cold.
 */
export const zonePanel = defineDevice({
  kind: 'zone-panel',
  title: 'Zone panel',
  designations: (given) => [...EQUIPMENT, ...numbered(given.zones).flatMap((n) => zoneStrip(n, given))],
  params,
  settings,
  controls: {},
  elements: ({ params: given, mains }): readonly Element[] => {
    const own = given.hotFrom === 'own';
    return [
      load(LOGIC, '24H', '24C', impedanceOf(24, given.boardVa, 0.9, mains.hertz)),
      path('sensor-feed', '24H', 'S1', FEED_OHMS),
      path('sensor-back', 'S2', '24C', THROUGH_OHMS),
      ...OUTPUTS.map((mark): BranchElement => contact(`out-${mark}`, 'R', mark)),
      ...numbered(given.zones).flatMap((n): Element[] => [
        path(`hot-${n}`, own ? '24H' : 'R', `${n}R`, THROUGH_OHMS),
        path(`common-${n}`, own ? '24C' : 'C', `${n}C`, THROUGH_OHMS),
        path(`damper-common-${n}`, '24C', `${n}COM`, THROUGH_OHMS),
        contact(`open-${n}`, '24H', `${n}OPEN`),
        contact(`close-${n}`, '24H', `${n}CLOSE`),
        ...callMarks(given).map((call) =>
          load(inputOf(`${n}${call}`), `${n}${call}`, `${n}C`, { ohms: given.inputOhms }),
        ),
      ]),
    ];
  },
  actuatedBy: ({ params: given, settings: set }) => actuation(given, set),
  decides: true,
  ownSupply: { own: ['24H', '24C'], unit: ['R', 'C'] },
  initial: OFF,
  positions: (state, moment) => {
    const live = state.powered;
    const asked = outputsOf(state, moment);
    const out = equipment(state, moment.settings, asked);
    return {
      ...Object.fromEntries(OUTPUTS.map((mark) => [`out-${mark}`, when(live && out[mark])])),
      ...Object.fromEntries(
        asked.open.flatMap((open, i) => [
          [`open-${i + 1}`, when(live && open)],
          [`close-${i + 1}`, when(live && !open)],
        ]),
      ),
    };
  },
  next: (state, senses: Senses, moment) => {
    const { params: given, settings: set, now } = moment;
    const powered = senses.volts('24H', '24C') >= WORKS_FROM_VOLTS && senses.amps(LOGIC) > 0;
    if (!powered) return OFF;
    const called = calledAt(senses, given);
    const calls = numbered(given.zones)
      .map((n) =>
        callMarks(given)
          .filter((call) => called(`${n}${call}`))
          .join(' '),
      )
      .join('|');
    const heard = { ...state, calls };
    const { way, since, last, ended, served } = zoneStep(state, callsOf(heard, moment), set, now);
    const amps = senses.amps('sensor-feed');
    const works = amps >= SENSOR_AMPS[0] && amps <= SENSOR_AMPS[1];
    const limit = works
      ? limitOf({ way, last, over: state.over }, senses, set, now)
      : { over: false, overAt: null };
    return {
      way,
      since,
      last,
      ended,
      served,
      powered,
      calls,
      ...limit,
      sensor: works ? ('works' as const) : ('none' as const),
    };
  },
  waits: (state, moment) => {
    const { settings: set, now } = moment;
    const waits: Wait[] = [];
    const calls = callsOf(state, moment);
    if (state.way === 'off' && state.ended !== null) {
      if (state.served !== '' && now < state.ended + set.purgeS)
        waits.push({ until: state.ended + set.purgeS, text: 'the panel purges', done: 'purged' });
      for (const way of ['heat', 'cool'] as const) {
        const at = turnsAt(state, way, set);
        if (calls.some((call) => call[way]) && now < at)
          waits.push({ until: at, text: 'the panel changes over', done: 'changed over' });
      }
    }
    if (state.way !== 'off' && set.staging === 'time' && now < state.since! + set.stageS)
      waits.push({ until: state.since! + set.stageS, text: 'second stage joins', quiet: true });
    if (state.overAt !== null && now < state.overAt)
      waits.push({
        until: state.overAt,
        text: state.over ? 'supply air comes back' : 'supply air goes to its limit',
        done: state.over ? 'supply air is back' : 'supply air at its limit',
        quiet: !state.over,
      });
    return waits;
  },
  face: (state, moment) => {
    if (!state.powered) return { text: 'no lamp', tone: 'off', detail: 'The panel has no 24 V of its own.' };
    const out = outputsOf(state, moment);
    const held = callsOf(state, moment).flatMap(({ heat, cool }, i) =>
      (heat && !cool && !out.heat) || (cool && !heat && !out.cool) ? [i + 1] : [],
    );
    const way = out.heat ? 'heating' : out.cool ? 'cooling' : out.purging ? 'purging' : out.fan ? 'fan' : '';
    const said = [
      way,
      state.over ? 'stopped by supply air' : '',
      held.length > 0 ? `zone ${held.join(', ')} held` : '',
    ].filter((one) => one);
    return {
      text: said.join(', ') || 'satisfied',
      tone: said.length === 0 ? 'ok' : 'busy',
      ...(held.length > 0 && {
        detail:
          'A zone that wants the other way waits until the others are satisfied and the panel has changed over.',
      }),
    };
  },
  faults: [
    ...boardFaults(['1Y', '1W', '2Y', '2W']),
    ...contactFaults('out-Y', 'Cooling output'),
    ...contactFaults('out-W', 'Heating output'),
    ...contactFaults('out-G', 'Fan output'),
    ...contactFaults('open-1', 'Output that opens zone 1'),
    ...contactFaults('open-2', 'Output that opens zone 2'),
  ],
});
