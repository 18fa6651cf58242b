/** What is said of a building: what to look at, what the looks say, how its air stands. */
import type { Air, Balance, Building, Look, Seen, Sign, WalkStop } from '../../building';
import { UNDER_SHOWS } from '../../building';
import { inSentence, listed } from '../phrases';

/** What is looked at on a unit, and what is wrong when it is. */
export const LOOK: Readonly<Record<Look, { title: string; seen: Readonly<Record<Seen, string>> }>> = {
  display: { title: 'Its own display', seen: { fine: 'No trip', wrong: 'Shows a trip', none: 'Has none' } },
  belt: { title: 'Belt', seen: { fine: 'On and tight', wrong: 'Off or slack', none: 'Direct drive' } },
  motor: { title: 'Motor', seen: { fine: 'Turns freely', wrong: 'Seized or hot', none: 'Has none' } },
  coil: { title: 'Coil', seen: { fine: 'Clean', wrong: 'Dirty or blocked', none: 'Has none' } },
  frost: { title: 'Frost', seen: { fine: 'None', wrong: 'Frozen', none: 'Does not cool' } },
  drain: { title: 'Drain', seen: { fine: 'Runs', wrong: 'Blocked or wet', none: 'Has none' } },
};

/** What things of a building are called. */
const called = (building: Building, id: string): string => {
  const all = [...building.units, ...building.detectors, ...building.stations, ...building.thermostats];
  return [...all, ...building.air].find((one) => one.id === id)?.label ?? id;
};

const DETECTOR_LOOK = { housing: 'its housing', caps: 'the caps of its tubes', lamp: 'its lamp' } as const;

/** What is still to be looked at. */
export function walkText(building: Building, stop: WalkStop): string {
  const name = called(building, stop.id);
  switch (stop.type) {
    case 'unit':
      return `${name}: ${listed(stop.left.map((look) => LOOK[look].title.toLowerCase()))}`;
    case 'detector':
      return `${name}: ${listed(stop.left.map((look) => DETECTOR_LOOK[look]))}`;
    case 'station':
      return `${name}: which lamp is lit`;
    case 'screen':
      return `${name}: is its screen on`;
    case 'air':
      return `${name}: does it run`;
  }
}

/** What the looks say, and what to do about it. */
export function signText(building: Building, sign: Sign): string {
  const name = (id: string) => called(building, id);
  switch (sign.sign) {
    case 'held':
      return `${name(sign.thermostat)} is blank because ${name(sign.detector)} holds its circuit in alarm. Find what set that off before it is reset.`;
    case 'held-elsewhere': {
      const where =
        sign.suspects.length > 0
          ? `look at ${listed(sign.suspects.map(name))}`
          : 'look for a detector left in the duct';
      return `${name(sign.thermostat)} is blank and ${name(sign.unit)} shows no trip: not that unit holds it; ${where}.`;
    }
    case 'left-in-duct':
      return `${name(sign.detector)} was left in the duct: ${name(sign.own)} is the unit’s own now.`;
    case 'never-commissioned':
      return `${name(sign.detector)} was never commissioned: the caps are still on its tubes, it draws no air.`;
    case 'damaged':
      return sign.housing === 'wet'
        ? `Water in ${name(sign.detector)}: that is a cause, not a nuisance. Find where it comes from.`
        : `The housing of ${name(sign.detector)} is cracked: it draws other air than the duct’s.`;
    case 'not-on-loop':
      return `${name(sign.detector)} is not on the panel’s loop.`;
    case 'does-not-mix':
      return `${name(sign.station)} cannot test or reset ${name(sign.detector)}: they are of different kinds.`;
    case 'red-unexplained':
      return `${name(sign.station)} is red and nothing it hangs on is known to be in alarm: find its detector.`;
    case 'wrong-label': {
      const unit = building.units.find(({ id }) => id === sign.unit)!;
      return `${unit.label} is labelled “${unit.serves}” and serves “${unit.found}”.`;
    }
    case 'unit-wrong': {
      const looks = sign.looks.map(
        (look) => `${LOOK[look].title.toLowerCase()} ${LOOK[look].seen.wrong.toLowerCase()}`,
      );
      return `${name(sign.unit)}: ${listed(looks)}.`;
    }
  }
}

export const AIR_KIND = { exhaust: 'Exhaust', 'make-up': 'Make-up', 'outdoor-air': 'Outdoor air' } as const;

const STATE: Readonly<Record<Balance['state'], string>> = {
  under: 'The building is under pressure: more goes out than comes in.',
  even: 'As much goes out as comes in.',
  over: 'More comes in than goes out.',
};

const SHOWS: Readonly<Record<(typeof UNDER_SHOWS)[number], string>> = {
  'doors-pull': 'doors pull',
  'traps-dry': 'traps dry out',
  smells: 'smells come from odd places',
};

/** How the air stands, what that explains, and what to try. */
export function airTexts(building: Building, { between, running, idle, cured, unseen }: Air): string[] {
  const idleText = idle.map(({ id, runs }) => `${called(building, id)} (${runs})`);
  return [
    unseen.length === 0 ? STATE[between.state] : `If all of it runs: ${inSentence(STATE[between.state])}`,
    ...(between.state === 'under'
      ? [`That explains it when ${listed(UNDER_SHOWS.map((one) => SHOWS[one]))}.`]
      : []),
    ...(between.state === 'under' && running.state !== 'under'
      ? ['Only between calls: with the fans on auto running it would not be.']
      : []),
    ...(cured
      ? [`With ${listed(idleText)} running it would not be. While people are in, these run all the time.`]
      : idle.length > 0
        ? [`Not running all the time: ${listed(idleText)}.`]
        : []),
    ...(unseen.length > 0 ? [`Not looked at: ${listed(unseen.map((id) => called(building, id)))}.`] : []),
  ];
}
