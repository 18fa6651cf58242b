import type { Case, Situation } from '../../prove';
import type { Names } from '../names';

const CALLS = { heat: 'heat', cool: 'cooling' } as const;
const STAGES = { first: '', 'heat-pump': 'all of the heat pump', all: 'all stages of ' } as const;
const MODES = { off: 'off', heat: 'heating', cool: 'cooling', emergency: 'on emergency heat' } as const;
const FANS = { auto: '', on: ' with its fan on' } as const;
const AFTER = { 'fan-on': ' with the fan already on', 'power-off': ' as power comes back' } as const;

/** "all stages of heat called" */
export function situationText(situation: Situation): string {
  switch (situation.type) {
    case 'off':
      return 'no call';
    case 'fan':
      return 'fan called';
    case 'emergency':
      return 'emergency heat called';
    case 'call': {
      const { call, stages, after } = situation;
      const what = stages === 'heat-pump' ? STAGES[stages] : `${STAGES[stages]}${CALLS[call]}`;
      return `${what} called${after ? AFTER[after] : ''}`;
    }
    case 'satisfied':
      return `set to ${CALLS[situation.call]} and satisfied after a call`;
    case 'occasion':
      return `${CALLS[situation.call]} called, ${situation.occasion} ${situation.phase}`;
    case 'apart':
      return situation.settings
        .map(({ mode, fan }, i) => `${i === 0 ? 'one thermostat' : 'one'} ${MODES[mode]}${FANS[fan]}`)
        .join(', ');
  }
}

/** A state of a proof. */
export function caseText({ device }: Names, { asked, trip, mains }: Case): string {
  const supply = mains === 1 ? '' : mains < 1 ? ', mains 10 % low' : ', mains 10 % high';
  return `${situationText(asked.situation)}${trip ? `, ${device(trip.device)} tripped` : ''}${supply}`;
}
