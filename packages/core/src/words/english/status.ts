/** The status line: what the circuit is doing, and what to do next. */
import type { News, Status } from '../../behaviour';
import { capital, inSentence, listed } from '../phrases';
import { findDevice } from '../../circuit';
import type { Call } from '../../devices';
import { kindOf } from '../../devices';
import { CLASS_2, COLD_COOLING_LIMIT_C } from '../../standards';
import type { Names } from '../names';
import { showTemperature } from '../show';
import type { Units } from '../units';
import type { Faces, Told } from './cause';
import { causeText } from './cause';

const CALLS: Readonly<Record<Call, string>> = { cool: 'Cooling', heat: 'Heating', fan: 'Fan' };
const DOES: Readonly<Record<Call, string>> = { cool: 'cools', heat: 'heats', fan: 'moves the air' };
const CHECK_SET_UP = 'Check its set-up against what the unit is.';
const CLEAR_FIRST = 'Clear the short before fitting another fuse or resetting.';

const PAIR_READS = {
  nothing: '',
  reversed: ': the pair is the wrong way round',
  mains: ': the 24 V stand on the pair',
} as const;

const loadsText = (loads: readonly string[]) => listed(loads.map(inSentence));

type Of<Type extends News['type']> = Extract<News, { type: Type }>;
type Teller = { [Type in News['type']]: (news: Of<Type>, known: Known) => Told };

interface Known {
  names: Names;
  faces: Faces;
  units: Units;
  /** There is a cause, which is told after it. */
  isExplained: boolean;
}

/** What to do about a supply that does not fit its tap. */
function afterOffTap({ volts, nominal, better }: Of<'off-tap'>): string {
  if (better !== null)
    return `Open the breaker, prove dead, and move its supply to the tap made for it: ${better} V.`;
  return volts > nominal
    ? 'No tap of it is made for that: open the breaker before boards and thermostats suffer, and read the supply.'
    : 'No tap of it is made for that: the supply is low. Read it at the breaker, under load.';
}

function openedText({ device }: Of<'opened'>, { names, isExplained }: Known): Told {
  const { kind, label } = findDevice(names.circuit, device)!;
  const event = kindOf(kind).protects?.event ?? `${label} tripped`;
  return { text: isExplained ? event : `${event}: more was asked than it carries`, next: CLEAR_FIRST };
}

function waitingText({ device, wait, call }: Of<'waiting'>, { names }: Known): Told {
  const ownCall = kindOf(findDevice(names.circuit, device)!.kind).asks !== undefined;
  const subject = ownCall ? wait : `${names.device(device)}: ${wait}`;
  return {
    text: call ? `${CALLS[call]} called; ${subject}` : subject,
    next: ownCall ? 'Wait, it is not a fault.' : 'The board is timing; nothing to do.',
  };
}

function readyText({ dead, off }: Of<'ready'>, { names: { device }, faces }: Known): Told {
  const open = [
    ...dead.map((id) => `${device(id)} gives nothing`),
    ...off.map((id) => `${device(id)} ${faces[id]?.text ?? ''}`),
  ];
  return open.length === 0
    ? { text: '24 V present, no call', next: 'Make a call: fan first, then heat, then cool.' }
    : {
        text: `24 V at the transformer, no call; ${listed(open)}`,
        next: 'A call goes no further than what is open.',
      };
}

const TELL: Teller = {
  chattering: ({ devices }, { names: { device } }) => ({
    text: `Chattering: ${listed(devices.map(device))} cannot settle`,
    next: 'Its own action takes away what holds it. Look at the volts under load and at what feeds it.',
  }),
  opened: openedText,
  burning: ({ transformer, amps, share }, { names: { device }, isExplained }) => ({
    text: `${device(transformer)} burns: ${amps.toFixed(1)} A, ${share.toFixed(1)} times what it is rated for, and nothing opens`,
    next: isExplained
      ? 'Open the breaker now. Then find the short, and fit a fuse that opens on it.'
      : 'Open the breaker now. Nothing is shorted: what is on it asks for more than it can give.',
  }),
  'off-tap': (news, { names: { device } }) => ({
    text: `${device(news.transformer)} has ${Math.round(news.volts)} V on its ${news.nominal} V tap and gives ${news.gives.toFixed(0)} V`,
    next: afterOffTap(news),
  }),
  'over-voltage': ({ transformer, volts }, { names: { device } }) => ({
    text: `${device(transformer)} gives ${volts.toFixed(1)} V, above ${CLASS_2.maxVolts} V`,
    next: 'Open the breaker before boards and thermostats suffer; read its primary.',
  }),
  overloaded: ({ transformer, share }, { names: { device } }) => ({
    text: `${device(transformer)} carries ${Math.round(share * 100)} % of what it is rated for`,
    next: 'Take load off it or fit the next size.',
  }),
  blank: ({ thermostat }, { names: { device }, isExplained }) => ({
    text: isExplained
      ? `${device(thermostat)} is blank`
      : `${device(thermostat)} is blank: no good batteries, and no C to live on`,
    next: 'Fit fresh batteries, or bring it a C.',
  }),
  together: () => ({
    text: 'Heating and cooling run together',
    next: 'Thermostats in parallel must be in the same mode. Set them alike and label them.',
  }),
  crossed: ({ asked, runs, loads }) => ({
    text: `${CALLS[asked]} called, but ${CALLS[runs].toLowerCase()} runs (${loadsText(loads)})`,
    next: CHECK_SET_UP,
  }),
  uncalled: ({ loads }) => ({ text: `${capital(loadsText(loads))} on without a call`, next: CHECK_SET_UP }),
  missing: ({ call, load }) => ({
    text: load === null ? `${CALLS[call]} called` : `${CALLS[call]} called, ${inSentence(load)} stays off`,
    next: CHECK_SET_UP,
  }),
  astray: ({ load }) => ({ text: `${capital(load)} is fed astray`, next: CHECK_SET_UP }),
  'closes-nothing': ({ call, thermostats }, { names: { device } }) => ({
    text: `${CALLS[call]} called, but ${listed(thermostats.map(device))} closes nothing that brings it here`,
    next: CHECK_SET_UP,
  }),
  cannot: ({ call }, { isExplained }) => ({
    text: `${CALLS[call]} called, ${isExplained ? 'and nothing' : 'but nothing here'} ${DOES[call]}`,
    next: 'Check the thermostat’s set-up against what the unit can do.',
  }),
  'live-end': ({ conductor: id, landed, volts }, { names: { conductor, node } }) => ({
    text: `${capital(conductor(id))} is loose with ${Math.round(volts)} V on it; its other end is on ${node(landed)}`,
    next: 'Power off and prove dead before you touch it. Then land it where it belongs, or cap it.',
  }),
  tripped: ({ device: id }, { names: { device }, faces }) => ({
    text: `${device(id)}: ${faces[id]?.text ?? ''}`,
    next: faces[id]?.detail ?? 'See what tripped it.',
  }),
  waiting: waitingText,
  cold: ({ outdoorC }, { units: { temperature } }) => ({
    text: `Cooling runs at ${showTemperature(outdoorC, temperature)} outdoors`,
    next: `Too cold for a compressor (under ${showTemperature(COLD_COOLING_LIMIT_C, temperature)}). Open the outdoor disconnect and prove the 24 V side only.`,
  }),
  running: ({ calls, loads, held }) => ({
    text: `${listed(calls.map((call) => CALLS[call])) || 'No call'}: ${loadsText(loads)} on${
      held.length > 0 ? `; ${inSentence(listed(held.map((call) => CALLS[call])))} waits its turn` : ''
    }`,
    next:
      held.length > 0
        ? 'It comes when those that are served are satisfied and the panel has changed over.'
        : 'Put the probes where you want to know.',
  }),
  empty: () => ({
    text: 'Nothing here yet',
    next: 'Survey it: identify the system, then record the landings.',
  }),
  satisfied: ({ mode, indoorC, setC }, { units: { temperature } }) => ({
    text: `Set to ${mode}, no call: ${showTemperature(indoorC, temperature)} indoors is not ${mode === 'cool' ? 'above' : 'below'} ${showTemperature(setC, temperature)}`,
    next: `${mode === 'cool' ? 'Lower' : 'Raise'} the set point to call.`,
  }),
  'live-case': ({ device: id, volts }, { names: { device } }) => ({
    text: `Do not touch: the case of ${device(id)} has ${Math.round(volts)} V on it`,
    next: 'Open the breaker, prove it dead, and put the run right before it is powered again.',
  }),
  burnt: ({ devices }, { names: { device } }) => ({
    text: `Mains went through the signal side of ${listed(devices.map(device))}: it is burnt`,
    next: 'Open the breaker and put the run right. Only then does a new board go in.',
  }),
  'half-dark': ({ device: id, other }, { names: { device } }) => ({
    text: `${device(other)} is awake and ${device(id)} is dark`,
    next: `Read line to neutral at ${device(other)}, then at ${device(id)}: what is lost between is the run.`,
  }),
  'no-signal': ({ devices }, { names: { device } }) => ({
    text: `${listed(devices.map(device))} ${devices.length === 1 ? 'is' : 'are'} awake and ${devices.length === 1 ? 'hears' : 'hear'} nothing over the signal`,
    next: 'Not a matter of the supply: read the signal against neutral, d.c., at one half, then at the other.',
  }),
  'no-link': ({ devices }, { names: { device } }) => ({
    text: `${listed(devices.map(device))} ${devices.length === 1 ? 'hears nothing' : 'do not hear one another'}`,
    next: 'Both have their 24 V: look at the pairing, then at what stands between them.',
  }),
  'no-data': ({ devices, reads }, { names: { device } }) => ({
    text: `${listed(devices.map(device))} ${devices.length === 1 ? 'has' : 'have'} 24 V and no data${PAIR_READS[reads]}`,
    next: 'No matter of the power: read D1 against D2, d.c., at each of them. The bias is right, a minus means exchanged, nothing an open conductor or no bias.',
  }),
  'halves-ready': () => ({
    text: 'Both halves have their supply, no call',
    next: 'Make a call: fan first, then heat, then cool.',
  }),
  'halves-dead': () => ({
    text: 'No supply at either half',
    next: 'Prove it dead with the meter before you touch it.',
  }),
  'no-supply': () => ({
    text: 'No 24 V: the transformer is dead',
    next: 'Prove it dead with the meter before you touch it.',
  }),
  ready: readyText,
};

/** What is said first about a short, whatever explains it. */
const KEEPS_ITS_NEXT: ReadonlySet<News['type']> = new Set(['opened', 'burning']);

/** The line, without its full stop, and what to do. */
export function statusText(
  names: Names,
  faces: Faces,
  { news, cause }: Pick<Status, 'news' | 'cause'>,
  units: Units,
): Told {
  const tell = TELL[news.type] as (news: News, known: Known) => Told;
  const told = tell(news, { names, faces, units, isExplained: cause !== undefined });
  if (!cause) return told;
  const { text, next } = causeText(names, faces, cause);
  return { text: `${told.text}: ${text}`, next: KEEPS_ITS_NEXT.has(news.type) ? told.next : next };
}
