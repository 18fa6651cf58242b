import { defineDevice } from '../../define';
import type { Wait } from '../../define';
import type { Designation, Moment, Senses } from '../../context';
import type { BranchElement, Element } from '../../element';
import { LOGIC, contact, impedanceOf, inputOf, load, path } from '../../element';
import { choice, num, seconds } from '../../fields';
import type { ValuesOf } from '../../fields';
import { boardParams, calledAt, when } from '../../parts/board';
import { boardFaults, contactFaults } from '../../parts/faults';
import type { ZoneCall, ZoneOutputs, ZoneRules, ZoneState } from '../../parts/zone-calls';
import { RESTING, turnsAt, zoneOutputs, zoneStep } from '../../parts/zone-calls';

/** Its own supply under which it resets, and what it passes that supply on through. From memory. */
const WORKS_FROM_VOLTS = 17;
const THROUGH_OHMS = 0.05;

const COUNT = { two: 2, three: 3, four: 4 } as const;
const ZONE_CALLS = ['Y', 'G', 'W'] as const;
const OUTPUTS = ['Y', 'Y2', 'G', 'W', 'W2'] as const;

const numbered = (zones: keyof typeof COUNT) => Array.from({ length: COUNT[zones] }, (_, i) => String(i + 1));

/** A zone's strip: a thermostat lands there as it would at a unit. */
const zoneStrip = (n: string): Designation[] => [
  { mark: `${n}R`, role: 'hot', purpose: `Hot for the thermostat of zone ${n}.` },
  { mark: `${n}C`, role: 'common', purpose: `Common for the thermostat of zone ${n}.` },
  { mark: `${n}Y`, role: 'call', purpose: `Zone ${n} calls for cooling.`, aliases: ['Y'] },
  { mark: `${n}G`, role: 'call', purpose: `Zone ${n} calls for the fan.`, aliases: ['G'] },
  { mark: `${n}W`, role: 'call', purpose: `Zone ${n} calls for heat.`, aliases: ['W'] },
  { mark: `${n}OPEN`, role: 'contact', purpose: `Power that opens the damper of zone ${n}.` },
  { mark: `${n}CLOSE`, role: 'contact', purpose: `Power that closes the damper of zone ${n}.` },
  { mark: `${n}COM`, role: 'common', purpose: `Common of the damper of zone ${n}.` },
];

const EQUIPMENT: readonly Designation[] = [
  { mark: 'R', role: 'hot', purpose: 'Hot from the unit.' },
  { mark: 'C', role: 'common', purpose: 'Common from the unit.' },
  { mark: 'Y', role: 'contact', purpose: 'Cooling, to Y of the unit.' },
  { mark: 'Y2', role: 'contact', purpose: 'Second cooling stage, to Y2 of the unit.' },
  { mark: 'G', role: 'contact', purpose: 'Fan, to G of the unit.' },
  { mark: 'W', role: 'contact', purpose: 'Heat, to W of the unit.' },
  { mark: 'W2', role: 'contact', purpose: 'Second heating stage, to W2 of the unit.' },
  { mark: '24H', role: 'hot', purpose: 'Its own 24 V, hot: from a transformer of its own.' },
  { mark: '24C', role: 'common', purpose: 'Its own 24 V, common.' },
];

const params = {
  zones: choice('Zones', { two: 'Two', three: 'Three', four: 'Four' }, 'two'),
  hotFrom: choice(
    'Zones’ R comes from',
    { equipment: 'The unit’s R', own: 'The panel’s own 24 V' },
    'equipment',
  ),
  ...boardParams,
};

const settings = {
  priority: choice(
    'When zones disagree',
    { first: 'Whoever called first', heat: 'Heat', cool: 'Cooling' },
    'first',
  ),
  changeoverS: seconds('From one way to the other', 180, 1800),
  purgeS: seconds('Fan on after a call', 90, 600),
  staging: choice('Second stage', { time: 'After a time', zones: 'From several zones on' }, 'time'),
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
};

type Params = ValuesOf<typeof params>;
type Settings = ValuesOf<typeof settings>;
type Told = Pick<Moment<Params, Settings>, 'params' | 'settings' | 'now'>;

const rulesOf = (given: Settings): ZoneRules => given;

/** The calls it has taken in, as a digit a zone and call: its outputs follow from them. */
type PanelState = ZoneState & { powered: boolean; calls: string };

const callsIn = (calls: string): ZoneCall[] =>
  calls === ''
    ? []
    : calls.split('|').map((one) => ({
        cool: one.includes('Y'),
        heat: one.includes('W'),
        fan: one.includes('G'),
      }));

const outputsOf = (state: PanelState, { params: { zones }, settings: given, now }: Told): ZoneOutputs => {
  const calls = callsIn(state.calls);
  const all =
    calls.length > 0 ? calls : numbered(zones).map(() => ({ heat: false, cool: false, fan: false }));
  const out = zoneOutputs(state, all, rulesOf(given), now);
  return { ...out, fan: out.fan || (out.heat && given.fanWithHeat === 'panel') };
};

/**
 * A zone panel: it repeats the zones' calls to the unit, opens the dampers of whoever calls and closes the others, holds
 * whoever wants the other way, and purges between.
 */
export const zonePanel = defineDevice({
  kind: 'zone-panel',
  title: 'Zone panel',
  designations: ({ zones }) => [...EQUIPMENT, ...numbered(zones).flatMap(zoneStrip)],
  params,
  settings,
  controls: {},
  elements: ({ params: given, mains }): readonly Element[] => {
    const own = given.hotFrom === 'own';
    return [
      load(LOGIC, '24H', '24C', impedanceOf(24, given.boardVa, 0.9, mains.hertz)),
      ...OUTPUTS.map((mark): BranchElement => contact(`out-${mark}`, 'R', mark)),
      ...numbered(given.zones).flatMap((n): Element[] => [
        path(`hot-${n}`, own ? '24H' : 'R', `${n}R`, THROUGH_OHMS),
        path(`common-${n}`, own ? '24C' : 'C', `${n}C`, THROUGH_OHMS),
        path(`damper-common-${n}`, '24C', `${n}COM`, THROUGH_OHMS),
        contact(`open-${n}`, '24H', `${n}OPEN`),
        contact(`close-${n}`, '24H', `${n}CLOSE`),
        ...ZONE_CALLS.map((call) =>
          load(inputOf(`${n}${call}`), `${n}${call}`, `${n}C`, { ohms: given.inputOhms }),
        ),
      ]),
    ];
  },
  initial: { ...RESTING, powered: false as boolean, calls: '' } as PanelState,
  positions: (state, moment) => {
    const out = outputsOf(state, moment);
    const live = state.powered;
    return {
      'out-Y': when(live && out.cool),
      'out-Y2': when(live && out.cool && out.second),
      'out-G': when(live && out.fan),
      'out-W': when(live && out.heat),
      'out-W2': when(live && out.heat && out.second),
      ...Object.fromEntries(
        out.open.flatMap((open, i) => [
          [`open-${i + 1}`, when(live && open)],
          [`close-${i + 1}`, when(live && !open)],
        ]),
      ),
    };
  },
  next: (state, senses: Senses, { params: given, settings: set, now }) => {
    const powered = senses.volts('24H', '24C') >= WORKS_FROM_VOLTS && senses.amps(LOGIC) > 0;
    if (!powered) return { ...RESTING, powered, calls: '' };
    const called = calledAt(senses, given);
    const calls = numbered(given.zones)
      .map((n) => ZONE_CALLS.filter((call) => called(`${n}${call}`)).join(''))
      .join('|');
    const { way, since, last, ended, served } = zoneStep(state, callsIn(calls), rulesOf(set), now);
    return { way, since, last, ended, served, powered, calls };
  },
  waits: (state, { settings: set, now }) => {
    const waits: Wait[] = [];
    const rules = rulesOf(set);
    const calls = callsIn(state.calls);
    if (state.way === 'off' && state.ended !== null) {
      if (state.served !== '' && now < state.ended + set.purgeS)
        waits.push({
          until: state.ended + set.purgeS,
          text: 'the panel purges',
          done: 'purged',
        });
      for (const way of ['heat', 'cool'] as const) {
        const at = turnsAt(state, way, rules);
        if (calls.some((call) => call[way]) && now < at)
          waits.push({ until: at, text: 'the panel changes over', done: 'changed over' });
      }
    }
    if (state.way !== 'off' && set.staging === 'time' && now < state.since! + set.stageS)
      waits.push({ until: state.since! + set.stageS, text: 'second stage joins', quiet: true });
    return waits;
  },
  face: (state, moment) => {
    if (!state.powered) return { text: 'no lamp', tone: 'off', detail: 'The panel has no 24 V of its own.' };
    const out = outputsOf(state, moment);
    const calls = callsIn(state.calls);
    const held = calls.flatMap(({ heat, cool }, i) =>
      (heat && !cool && !out.heat) || (cool && !heat && !out.cool) ? [i + 1] : [],
    );
    const way = out.heat ? 'heating' : out.cool ? 'cooling' : out.purging ? 'purging' : out.fan ? 'fan' : '';
    return {
      text:
        [way, held.length > 0 ? `zone ${held.join(', ')} held` : ''].filter((one) => one).join(', ') ||
        'satisfied',
      tone: way === '' && held.length === 0 ? 'ok' : 'busy',
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
  ],
});
