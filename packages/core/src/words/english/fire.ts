/** What is said of a fire panel, its loop and the jackets at a detector. */
import type { JacketFunction, Loop, Lost, LoopPoint, ShortedStretch } from '../../fire';
import type { LoopMove } from '../../plan';
import type { JacketEnd, PanelStep } from '../../record';
import type { Names } from '../names';
import { capital, inSentence, listed } from '../phrases';
import { showQuantity, showVolts } from '../show';

/** A step that was done, and with whom. */
export const PANEL_DONE: Readonly<Record<PanelStep, (who: string) => string>> = {
  monitoring: (who) => `Monitoring company called: ${who}`,
  'on-test': (who) => `Panel on test, by ${who}`,
  told: (who) => `${who} told, for the building`,
  alarm: (who) => `Alarm seen at the panel and by monitoring: ${who}`,
  reset: (who) => `Reset at the panel, seen by ${who}`,
  trouble: (who) => `Trouble with the resistor lifted, seen by ${who}`,
  normal: (who) => `Normal again, seen by ${who}`,
  'off-test': (who) => `Panel off test, by ${who}`,
};

/** What to do for a step, and what to write down. */
export const PANEL_STEP: Readonly<Record<PanelStep, { title: string; how: string; who: string }>> = {
  monitoring: {
    title: 'Call the monitoring company',
    how: 'Before a wire is touched. Give the account, say what will be worked on and for how long.',
    who: 'Who you spoke to',
  },
  'on-test': {
    title: 'Have the panel put on test',
    how: 'Signals no longer call anybody out. It has a time limit: when it is over, an alarm is an alarm again.',
    who: 'Who put it on test',
  },
  told: {
    title: 'Tell the building’s contact',
    how: 'Sounders may go off, and until it is off test nobody comes for a real fire: somebody has to watch.',
    who: 'Who was told',
  },
  alarm: {
    title: 'Alarm',
    how: 'Trip the detector from its station, or with test smoke. See it at the unit and at the panel; ask monitoring whether they have it.',
    who: 'Who has it at monitoring',
  },
  reset: {
    title: 'Reset',
    how: 'Reset from the station, then at the unit, then the panel.',
    who: 'Who saw it clear',
  },
  trouble: {
    title: 'Trouble',
    how: 'Lift one lead of the resistor at the last device. The panel must say trouble.',
    who: 'Who has it at monitoring',
  },
  normal: {
    title: 'Normal',
    how: 'Land it again. The panel must be normal with nothing left to reset.',
    who: 'Who saw it clear',
  },
  'off-test': {
    title: 'Have it taken off test',
    how: 'Ask for the names and times monitoring has. Tell the contact that the building is watched again.',
    who: 'Who took it off',
  },
};

/** What a jacket is there for. */
export const JACKET_DOES: Readonly<Record<JacketFunction, string>> = {
  power: 'the supply',
  on: 'the way on to another detector',
  loop: 'the panel’s loop',
  hold: 'the thermostat’s circuit',
  station: 'the remote station',
  calls: 'calls of the unit',
  nothing: 'nothing any more',
};

/** What became of it. */
export const JACKET_BECAME: Readonly<Record<JacketEnd, string>> = {
  back: 'Landed again where it was',
  moved: 'Landed elsewhere',
  retired: 'Out of use: every conductor insulated at both ends',
};

/** Milliamperes with two digits that count. */
export const milliampsText = (amps: number): string => `${(amps * 1000).toFixed(2)} mA`;

/** Ohms as a meter shows them; an open loop is OL. */
export function loopOhmsText(ohms: number): string {
  const { figure, unit } = showQuantity(ohms, 'Ω');
  return figure === 'OL' ? figure : `${figure} ${unit}`;
}

/** What is to be read across a device of the loop, with the panel connected and lifted off. */
export const loopPointText = (point: LoopPoint): string =>
  `${showVolts(point.volts)} V d.c. with the panel on, ${loopOhmsText(point.ohms)} with the loop lifted`;

/** What the panel does not watch, in a sentence each. */
export function unwatchedTexts(names: Names, { reads, unwatched, unheard }: Loop): string[] {
  const cut = new Map<string, string[]>();
  for (const { conductor, cutOff } of unwatched) {
    const key = cutOff.map((id) => names.device(id)).join(' and ');
    cut.set(key, [...(cut.get(key) ?? []), names.conductor(conductor)]);
  }
  return [
    ...(reads === 'normal'
      ? []
      : [`While it reads ${reads} nothing along it is watched: put that right first.`]),
    ...[...cut].map(
      ([devices, conductors]) =>
        `${capital(listed(conductors))} may break and the panel stays normal: ${devices} would not be heard. The resistor belongs at the last device.`,
    ),
    ...unheard.map(
      (id) => `${names.device(id)} is not on the loop: the panel does not hear its own contact.`,
    ),
  ];
}

/** What of the detectors' protection is gone. */
export function lostText(names: Names, lost: readonly Lost[]): string {
  if (lost.length === 0) return 'Nothing is left unprotected.';
  const of = (what: Lost['lost']) =>
    lost.filter((one) => one.lost === what).map(({ device }) => names.device(device));
  const [stops, panel] = [of('stops'), of('panel')];
  return [
    ...(stops.length > 0 ? [`${listed(stops)} no longer stops what it should.`] : []),
    ...(panel.length > 0 ? [`The panel no longer hears ${listed(panel)}.`] : []),
  ].join(' ');
}

/** Where two conductors touch, metres told by whoever knows the person's unit. */
export const shortText = (
  names: Names,
  { cable, from, nearM, farM }: ShortedStretch,
  length: (metres: number) => string,
): string => `${names.cable(cable)}, ${length(nearM)} to ${length(farM)} from ${names.node(from)}`;

export const moveTitle = ({ way }: LoopMove): string =>
  way === 'on'
    ? 'Keep the old one: take the loop on'
    : 'Take the old one out: bring its loop and station over';

/** What a move uses and comes to; and what is wrong with it. `after` names things of the circuit it makes. */
export function moveTexts(
  names: Names,
  after: Names,
  { reused, pulled, retired, deadStations, loops, lost }: LoopMove,
): { good: string[]; bad: string[] } {
  const unwatched = loops.flatMap((loop) => unwatchedTexts(after, loop));
  return {
    good: [
      ...reused.map((label) => `${label} is used again.`),
      ...pulled.map((label) => `Pull ${inSentence(label)}, marked at both ends before it is pulled.`),
      ...(retired.length > 0
        ? [`${listed(retired)}: out of use, every conductor insulated at both ends.`]
        : []),
      'The resistor goes to the last device.',
      ...(unwatched.length === 0 ? ['All of the loop is supervised then.'] : []),
    ],
    bad: [
      ...unwatched,
      ...(lost.length > 0 ? [lostText(names, lost)] : []),
      ...deadStations.map(
        (id) =>
          `${after.device(id)} cannot test or reset it: they are of different kinds. Change the station.`,
      ),
    ],
  };
}
