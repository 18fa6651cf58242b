/** What is said of putting in a leak controller. */
import type { FanMotor, LeakObstacle, LeakPlan } from '../../plan';
import type { Names } from '../names';
import { capital, listed } from '../phrases';
import { showDuration } from '../show';
import { situationText } from './situation';

export const FAN_MOTORS: Readonly<Record<FanMotor, string>> = {
  taps: 'With taps',
  pins: 'With many pins',
};

/** How to tell, where no diagram shows the unit. */
export const MOTOR_HINT =
  'Count what goes to the indoor fan’s motor. Three to five wires on taps, one of them used: taps. A plug of many pins, or two plugs: many pins. The simplest unit is often the one no diagram shows: count on it.';

export const LEAK_OBSTACLE: Readonly<Record<LeakObstacle, string>> = {
  'there-already': 'There is a leak controller here already.',
  'no-refrigerant': 'There is no compressor here: nothing can leak refrigerant.',
  'several-thermostats':
    'There is more than one thermostat here: its place is between the zone panel, or where their cables meet, and the unit. Plan that by hand on the loom.',
  talks:
    'Thermostat and boards talk over a data pair: no conductor carries a call that could be dropped. Only what the maker gives for it does that.',
  'two-hots':
    'The thermostat has hots of two transformers, and a controller passes one. Bring it to one transformer first.',
  'no-unit': 'The thermostat’s conductors lead nowhere that runs: survey them to the unit first.',
  'no-common': 'No common of the unit was found for the controller’s own supply.',
  'no-fan': 'Nothing here can call the fan by itself: the controller could not clear the air.',
};

/** A conductor that goes up to the strip, as it is done. */
export const movedUpText = (
  { conductor, node }: Names,
  { conductor: id, from, to }: LeakPlan['moved'][number],
): string => `${capital(conductor(id))}: off ${node(from)}, onto ${node(to)}`;

/** A lead of the harness, landed. */
export const harnessText = ({ node }: Names, { mark, to }: LeakPlan['harness'][number]): string =>
  to === null ? `${mark}: stays free` : `${mark}: on ${node(to)}`;

/** What is done with the leads nothing needs; both schools, and which is recommended. */
export function freeLeadsText({ harness }: Pick<LeakPlan, 'harness'>): string | null {
  const free = harness.filter(({ to }) => to === null).map(({ mark }) => mark);
  return free.length === 0
    ? null
    : `${listed(free)} of the harness ${free.length === 1 ? 'stays' : 'stay'} free: insulate each end by itself. Some cut them off flush where nothing can touch; insulated they can still be used.${
        free.includes('LK') ? ' Where the board has a terminal of its own for a leak, LK goes there.' : ''
      }`;
}

/** What is landed on the same screws and does not go up. */
export const stayingText = ({ conductor }: Names, { stays }: Pick<LeakPlan, 'stays'>): string | null =>
  stays.length === 0
    ? null
    : `Stays where it is: ${listed(stays.map((one) => conductor(one.conductor)))}. Only the thermostat’s conductors go up.`;

/** How it is set, and why. */
export const leakSettingText = ({ value, because }: LeakPlan['settings'][number]): string =>
  because === 'taps'
    ? `Set it to add G to Y (${value}): a motor with taps runs only where a tap is called.`
    : `Set it not to add G to Y (${value}): a motor with many pins is told its speed by Y already.`;

/** One test with its jumper, in a call. */
export function leakTestText({ situation, stops, goesOn, againS }: LeakPlan['tests'][number]): string {
  const runs =
    goesOn.length === 0
      ? 'the fan must start'
      : `${listed(goesOn)} ${goesOn.length === 1 ? 'runs' : 'run'} on`;
  const again = againS === null ? '' : `; back in RUN all runs again after ${showDuration(againS)}`;
  return `${capital(situationText(situation))}, jumper in TEST: ${listed(stops)} ${stops.length === 1 ? 'stops' : 'stop'}, ${runs}${again}.`;
}

export const LEAK_CAUTIONS: readonly string[] = [
  'Flammable refrigerant: no flame, no spark, no open coil box near it until the air is proven clean. Work on the refrigerant’s side is for who is licensed for it.',
  'The sensor goes where the maker’s sheet says, low in the coil’s case and not in water. Never leave it unplugged to get a call through.',
];
