/** A thermostat's exchange: why everything goes where it goes, what is lost, what is in the way. */
import type {
  EmptyReason,
  JumperReason,
  LandingReason,
  Loss,
  Obstacle,
  ScrewReason,
  SetUpReason,
} from '../../plan';
import type { Names } from '../names';

function screwText(reason: ScrewReason): string {
  switch (reason.type) {
    case 'valve': {
      const found = `It turns the reversing valve over for ${reason.turnsTo}: this is ${reason.valve}, and the set-up must say so.`;
      return reason.rows ? `${found} The screw is W in the upper row, O/B in the heat-pump row.` : found;
    }
    case 'back-up':
      return 'It brings the back-up heat. On a heat pump it goes to AUX (W2), never to W: there it would run with every heating call.';
    case 'emergency-bank':
      return 'The second bank of back-up heat, brought in by emergency heat.';
    case 'emergency-row':
      return 'Emergency heat: the screw is E in the heat-pump row.';
    case 'shares-first-bank':
      return 'The second bank of back-up heat: there is no E, so it shares the screw of the first.';
    case 'only-hot':
      return 'The only hot there is.';
    case 'only-hot-joined':
      return 'The only hot there is: on RC with the joiner in, so that heating has it too.';
    case 'cooling-hot':
      return 'The hot of the cooling side, which also powers the thermostat.';
    case 'side-hot':
      return `It comes from the ${reason.side} transformer. There really are two: the joiner must be out.`;
    case 'common':
      return 'The other side of the transformer: it powers the thermostat.';
    case 'new-common':
      return 'The new thermostat lives on R and C. Landed at both ends: at one end only it brings nothing.';
    case 'apart-from-plug':
      return 'The unit’s hot, kept apart from the plug’s on RC.';
  }
}

/** Why a conductor goes on its screw; empty where its mark says it all. */
export function landingReasonText({ runs, screw }: LandingReason): string {
  const shown = runs.length > 0 ? `Fed by itself it runs: ${runs.join(', ')}.` : '';
  return `${shown} ${screw ? screwText(screw) : ''}`.trim();
}

const SET_UP: Readonly<Record<SetUpReason, string>> = {
  'compressor-heats':
    'Y runs the compressor in heating too. Set conventional, heat would be asked for on W alone.',
  'heat-by-itself':
    'Heat comes from its own conductor. Set as a heat pump, a heating call would run the cooling.',
  'no-fan': 'There is no fan to run.',
  'unit-runs-fan': 'The unit runs its fan with heat by itself.',
  'no-fan-with-heat': 'With heat alone no fan runs: the thermostat must call it (electric heat).',
  'turned-to-cooling': 'Fed, the valve conductor turned the unit to cooling.',
  'turned-to-heating': 'Fed, the valve conductor turned the unit to heating.',
  'back-up-burns': 'The back-up burns gas: compressor and burner must never run together.',
  'back-up-electric': 'The back-up is electric: it may help the compressor.',
  'two-transformers': 'Two transformers: in, it would tie them together.',
  'one-transformer': 'One transformer feeds cooling and heating alike.',
};

export const setUpReasonText = (reason: SetUpReason): string => SET_UP[reason];

const EMPTY: Readonly<Record<EmptyReason, string>> = {
  'heats-with-every-call': 'Stays empty on a heat pump: it would bring heat with every heating call.',
  'valve-is-O': 'Stays empty: the valve here is O.',
  'valve-is-B': 'Stays empty: the valve here is B.',
  'no-valve': 'Stays empty: there is no reversing valve.',
  'no-valve-conductor': 'Stays empty: no conductor for the reversing valve comes here.',
  'joined-to-hot': 'Stays empty: the joiner brings it its hot.',
  'no-common': 'Stays empty: no common comes here.',
  'emergency-closes-back-up':
    'Stays empty: in emergency heat AUX is closed too. Some thermostats need E joined to it: their sheet says so.',
  'nothing-for-it': 'Stays empty: the unit has nothing for it.',
};

export const emptyReasonText = (reason: EmptyReason): string => EMPTY[reason];

export function jumperReasonText(reason: JumperReason): string {
  switch (reason.type) {
    case 'kept':
    case 'moved': {
      const { from, to, type } = reason;
      const becomes =
        type === 'kept'
          ? 'the jumper is kept'
          : `it was on ${from.join(' and ')} and goes on ${to.join(' and ')}`;
      return `One conductor brings all the back-up heat, and emergency heat asks for it on ${to[0]}: ${becomes}.`;
    }
    case 'no-heat-pump':
      return 'This is no heat pump: E has nothing to do here.';
    case 'no-emergency':
      return 'The new thermostat has no E: in emergency heat it closes AUX by itself.';
    case 'no-back-up-screw':
      return 'The new thermostat has no AUX or W2 to join E to.';
    case 'own-conductor':
      return 'E has a conductor of its own now: joined, every call for back-up heat would bring both banks at once.';
  }
}

/** What keeps the wanted thermostat from doing it. */
export function obstacleText({ node }: Names, obstacle: Obstacle): string {
  switch (obstacle.type) {
    case 'no-hot':
      return `No conductor at ${node(`${obstacle.device}.R`)} is hot: find out why before anything is moved.`;
    case 'talks':
      return 'The one that is there talks to its boards over a data pair, and contacts cannot take its place: only another that talks to these boards does.';
    case 'no-screw':
      return `It has no ${obstacle.mark} for a conductor that is in use.`;
    case 'no-common-screw':
      return 'It is to be powered by R and C, and has no C.';
    case 'no-valve-screw':
      return 'It has no O/B: it cannot turn a heat pump over.';
    case 'no-back-up-screw':
      return 'It has no AUX or W2 for the back-up heat.';
    case 'no-heat-screw':
      return 'It has no W: it can only heat with a heat pump.';
    case 'all-add-harm':
      return 'Every way would add harm.';
    case 'none-works':
      return 'No way known here works.';
  }
}

const LOST: Readonly<Record<Loss, string>> = {
  'second-compressor-stage': 'The second compressor stage stays off: this thermostat has no screw for it.',
  'second-heating-stage': 'The second heating stage stays off: this thermostat has no screw for it.',
  'fan-by-itself': 'The fan by itself: it only follows heating and cooling.',
  'outlet-and-cord': 'An outlet by the thermostat, and a cord on the wall.',
  'wire-to-wall': 'The wire: batteries at the wall to change every year.',
  'wired-power':
    'Wired power: batteries to change every year, and whatever needs C (radio, backlight) is limited.',
};

export const lossText = (loss: Loss): string => LOST[loss];
