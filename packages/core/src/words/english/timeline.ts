/** A timeline told the way a technician would. */
import type { FedBy, Happening, Moved, Reason, ScriptEvent, Timeline } from '../../behaviour';
import { capital, listed } from '../phrases';
import type { Call } from '../../devices';
import type { Names } from '../names';

const CALLED: Readonly<Record<Call, string>> = {
  cool: 'Cooling is called',
  heat: 'Heating is called',
  fan: 'The fan is called',
};

const eventText = (event: ScriptEvent): string =>
  event.type === 'call' ? CALLED[event.call] : 'The call ends';

const movedText = (moved: readonly Moved[]): string =>
  listed(moved.map(({ title, isClosed }) => `${title} ${isClosed ? 'closes' : 'opens'}`));

/** Why a lane changed. */
export function reasonText(reason: Reason): string {
  switch (reason.type) {
    case 'start':
      return 'at the start';
    case 'ran-out':
      return reason.words;
    case 'set':
      return eventText(reason.event);
    case 'contacts':
      return movedText(reason.moved);
    case 'load-volts':
      return `${reason.load} ${reason.arrive ? 'gets its volts' : 'loses its volts'}`;
    case 'terminal-volts':
      return reason.arrive ? `24 V arrives at ${reason.mark}` : `24 V leaves ${reason.mark}`;
    case 'follows':
      return reason.on ? 'follows at once' : 'ends with it';
  }
}

/** Volts from which a supply is called line voltage in words. */
const LINE_FROM = 60;

/** "24 V from Transformer R through Board fuse and Thermostat R–Y to Contactor, back to Transformer C" */
function wayText({ circuit, device, node }: Names, { hot, through, common, volts }: FedBy, load: string) {
  const name = (at: string) => {
    const [id] = at.split('#') as [string];
    return at.includes('#') && circuit.devices.some((one) => one.id === id) ? device(id) : node(at);
  };
  const from = name(hot);
  const passed = through.filter((title) => title !== from);
  const by = passed.length > 0 ? ` through ${listed(passed)}` : '';
  return `${volts >= LINE_FROM ? 'Line voltage' : '24 V'} from ${from}${by} to ${load}, back to ${name(common)}`;
}

function happeningText(names: Names, happening: Happening): string {
  switch (happening.type) {
    case 'set':
      return `${eventText(happening.event)}.`;
    case 'ran-out':
      return `${names.device(happening.device)}: ${happening.words}.`;
    case 'on': {
      const { load, fedBy } = happening;
      return fedBy ? `${wayText(names, fedBy, load)}: ${load} on.` : `${load} on.`;
    }
    case 'off': {
      const why = movedText(happening.moved);
      return `${capital(happening.load)} off${why ? `: ${why}` : ''}.`;
    }
  }
}

/** How a timeline ended early. */
export const endText = ({ device }: Names, ended: NonNullable<Timeline['ended']>): string =>
  ended.type === 'chattering'
    ? `Chattering: ${ended.devices.map(device).join(', ')}`
    : 'Too many events: it never comes to rest';

/** The sequence of operation: a time and what happens then; instants at which nothing is to be told are left out. */
export function sequenceText(
  names: Names,
  { instants, ended }: Pick<Timeline, 'instants' | 'ended'>,
): { at: number; text: string }[] {
  const lines = instants
    .filter(({ happenings }) => happenings.length > 0)
    .map(({ at, happenings }) => ({
      at,
      text: happenings.map((happening) => happeningText(names, happening)).join(' '),
    }));
  return ended ? [...lines, { at: ended.at, text: `${endText(names, ended)}.` }] : lines;
}
