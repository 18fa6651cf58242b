/** What is said of the air of a zoned system. */
import type { AirView, ZoneAir } from '../../behaviour';
import type { AirTexts } from '../../formats';
import type { AirPlan, AirState, AirTrouble, Corrected } from '../../plan';
import { M3S_PER_CFM, MM_PER_INCH, TON_W } from '../../standards';
import { capital, listed } from '../phrases';
import type { Names } from '../names';
import { showDifference, showFlow, showPressure } from '../show';
import type { Units } from '../units';

/** "open", "shut", "40 % open" */
const damperText = (open: number): string =>
  open >= 0.995 ? 'open' : open <= 0.005 ? 'shut' : `${Math.round(open * 100)} % open`;

/** How a zone's dampers stand: its motor's, and one that is set by hand where it is not wide open. */
const dampersText = ({ damper, open, hand }: ZoneAir): string => {
  const driven = damper === null ? 'no damper' : damperText(open);
  return hand < 1 ? `${driven}, by hand ${damperText(hand)}` : driven;
};

/** "10 in." or "254 mm" */
const showDiameter = (metres: number, unit: Units['length']): string =>
  unit === 'm' ? `${Math.round(metres * 1000)} mm` : `${Math.round((metres * 1000) / MM_PER_INCH)} in.`;

/** "Zone 2 · Thermostat above" */
export const zoneTitle = ({ device }: Names, { zone, thermostats }: ZoneAir): string =>
  [`Zone ${zone}`, ...thermostats.map((id) => device(id))].join(' · ');

/** What a zone has, for whoever does not see the drawing. */
export const zoneText = (names: Names, zone: ZoneAir, { length }: Units): string =>
  `${zoneTitle(names, zone)}: ${zone.calls ? 'calls, ' : ''}${dampersText(zone)}, ${showFlow(zone.flow, length)}`;

export const bypassText = (bypass: NonNullable<AirView['bypass']>, { length }: Units): string =>
  bypass.damper === null
    ? 'Bypass duct without a damper: shut here'
    : `Bypass ${damperText(bypass.open)}, ${showFlow(bypass.flow, length)}`;

/** Who calls in a combination: "1 + 2", "all". */
export const callingText = ({ calling }: Pick<AirState['state'], 'calling'>): string => calling.join(' + ');

const TROUBLE: Readonly<Record<AirTrouble, string>> = {
  frost: 'the coil freezes in time',
  hot: 'the high limit trips',
  starved: 'too little air for the coil',
  loud: 'loud, and hard on the fan',
  rushes: 'air rushes in its duct',
};

/** What goes wrong with a combination calling. */
export const airTroubleText = ({ state, troubles }: AirState): string =>
  `Zone ${callingText(state)} alone: ${listed(troubles.map((one) => TROUBLE[one]))}.`;

const bypassSize = ({ diameterM, setPa, kind }: NonNullable<AirPlan['powered']>, { length }: Units): string =>
  `${showDiameter(diameterM, length)}, ${kind === 'powered' ? 'set to' : 'its weight from'} ${showPressure(setPa, length)}`;

/** What may be built: both schools, each with its figure, or that it is no way. */
export function airChoices(plan: AirPlan, units: Units): string[] {
  const { powered, barometric, otherwise } = plan;
  const { leastOpen, speed, wider } = otherwise;
  if (leastOpen === 0) return ['No bypass: none is needed, the dampers may shut.'];
  return [
    powered
      ? `A powered bypass: ${bypassSize(powered, units)}`
      : 'A powered bypass of no size is right: what runs round comes too cold or too hot.',
    barometric
      ? `A bypass with a weight: ${bypassSize(barometric, units)}`
      : 'A bypass with a weight of no size is right.',
    leastOpen === null
      ? 'No bypass: no opening of the shut dampers is enough.'
      : `No bypass: leave shut dampers ${Math.round(leastOpen * 100)} % open`,
    ...(speed !== null && speed < 1 ? [`Or a slower fan: ${Math.round(speed * 100)} % of its speed`] : []),
    ...(wider
      ? [`Or a wider duct for zone ${wider.zone}: ${showDiameter(wider.diameterM, units.length)}`]
      : []),
    ...(powered || barometric || leastOpen !== null || wider
      ? []
      : ['Nothing of these is enough: make the smallest zone larger, or give it a dump zone.']),
  ];
}

/** What is written on the drawing of the air. */
export function airDrawing(names: Names, view: AirView, units: Units): AirTexts {
  const { length } = units;
  const { risesK } = view;
  const difference =
    risesK === null || Math.abs(risesK) < 0.5 ? '' : showDifference(Math.abs(risesK), units.temperature);
  return {
    title: names.circuit.name,
    unit: [
      view.total > 0 ? 'Fan on' : 'Fan off',
      showFlow(view.total, length),
      difference && `${risesK! > 0 ? 'rise' : 'fall'} ${difference}`,
    ],
    zones: Object.fromEntries(
      view.zones.map((zone) => [
        zone.zone,
        {
          name: zoneTitle(names, zone),
          flow: showFlow(zone.flow, length),
          damper: dampersText(zone),
        },
      ]),
    ),
    bypass: view.bypass ? bypassText(view.bypass, units) : '',
    supply: signed(view.supplyPa, length),
    back: signed(view.returnPa, length),
  };
}

/** "+0.41 in. w.c." */
const signed = (pa: number, unit: Units['length']): string => `${pa > 0 ? '+' : ''}${showPressure(pa, unit)}`;

/** How far ducts were off, and how well they fit now. */
export function airFitText({ back, zones, before, after }: Corrected['fit']): string {
  const moved = [
    ...(Math.abs(Math.log(back)) < 0.05 ? [] : [`the return ${back.toFixed(1)} times`]),
    ...Object.entries(zones).flatMap(([zone, factor]) =>
      Math.abs(Math.log(factor)) < 0.05 ? [] : [`zone ${zone} ${factor.toFixed(1)} times`],
    ),
  ];
  const trust =
    after < 1
      ? 'The figures agree within what meter and hood are good for.'
      : 'The figures still do not agree: a filter, a coil or the fan’s table may not be as given, or one of them was misread.';
  return before < 1
    ? 'The model was as near as meter and hood can tell.'
    : `Taken as measured: ${listed(moved) || 'little'} of what was worked out. ${trust}`;
}

/** How far the figures are to be believed. */
export const airCaution = ({ leastFlow }: Pick<AirPlan, 'leastFlow'>, { length }: Units): string =>
  `${capital(showFlow(leastFlow, length))} is ${length === 'ft' ? '350 cfm a ton' : `${Math.round((350 * M3S_PER_CFM * 1e6) / TON_W)} l/s a kW`}, a rule of thumb. Ducts are as they were given: measure the pressure before you trust it.`;
