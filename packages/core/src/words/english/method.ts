/** Ways of doing it: what they are called, what they take, what to look out for. */
import type { Method, Part, RunMethod, SpareUsed } from '../../plan';
import { colourName } from '../../standards';
import { showGauge, showLength } from '../show';
import type { Units } from '../units';

const spareNames = (spares: readonly SpareUsed[]) =>
  spares.map(({ colour, mark }) => `${colourName(colour)} for ${mark}`).join(', ');

/** What a way of landing a thermostat is called. */
export function methodTitle(method: Method): string {
  switch (method.id) {
    case 'as-is':
      return 'Every conductor has its place';
    case 'spare':
      return `Use a spare: ${spareNames(method.spares)}`;
    case 'share':
      return `${method.calls.join(' and ')} share one conductor`;
    case 'fan-to-common':
      return 'Give up G for C';
    case 'plug-in':
      return 'Plug-in transformer at the thermostat';
    case 'isolation-relay':
      return 'Isolation relay for the heating call';
    case 'new-cable':
      return `Pull a new ${method.conductors}-conductor cable`;
    case 'wireless':
      return 'Wireless thermostat with a receiver at the unit';
    case 'batteries':
      return 'Stay on batteries';
  }
}

/** What a way to put a run right is called. */
export function runMethodTitle(method: RunMethod): string {
  if (method.id === 'link') return 'Wireless link, no conductor outdoors';
  return method.id === 'spare' && method.spares.length > 1
    ? `Use spares: ${spareNames(method.spares)}`
    : methodTitle(method);
}

const PROVE_SPARE = 'Prove the spare first: ends joined at one place, ohms at the other.';
const PULLING: readonly string[] = [
  'Tie it to the old cable only if that is not stapled.',
  'Leave the spare insulated at both ends.',
];

const LOOK_OUT: Readonly<Record<Method['id'], readonly string[]>> = {
  'as-is': [],
  spare: [PROVE_SPARE, 'Land it at both ends.'],
  share: [
    'Follow the adapter’s own sheet: which half goes where is not interchangeable.',
    'Tag the shared conductor at both ends: it carries neither Y nor G as such.',
  ],
  'fan-to-common': [
    'Insulate nothing by halves: the old G conductor moves to C at both ends.',
    'Tell the people there that Fan On does nothing any more.',
  ],
  'plug-in': ['Switching the unit off leaves the thermostat live: prove dead at the plug too.'],
  'isolation-relay': [
    'The relay’s contact is on the heating transformer, its coil on the other: keep them apart.',
  ],
  'new-cable': PULLING,
  wireless: [
    'Check its range with the doors shut before anything is screwed on.',
    'Insulate the old cable at both ends.',
  ],
  batteries: ['A coin cell only keeps the clock: it never powers the thermostat.'],
};

/** What to look out for while it is done. */
export function methodCautions(method: Method): readonly string[] {
  if (method.id !== 'plug-in') return LOOK_OUT[method.id];
  const sources = method.apart
    ? 'Two sources: unit on RH, plug on RC, joiner out. In, it would tie them.'
    : 'Two sources meet on R: join nothing else. A second joint, or a bonded common, ties the transformers.';
  return [sources, ...LOOK_OUT['plug-in']];
}

const RUN_CAUTIONS: Readonly<Record<RunMethod['id'], readonly string[]>> = {
  spare: [PROVE_SPARE],
  share: [
    'Follow the adapter’s own sheet: which half goes indoors is not interchangeable.',
    'Tag the shared conductor at both ends: it carries neither call as such, and no meter reads 24 V on it.',
    'The half outdoors makes the calls from the unit’s own R and C: a float must still break Y indoors, ahead of the adapter.',
  ],
  'new-cable': PULLING,
  link: [
    'Try its range with the doors shut before anything is screwed on: some hundreds of feet in the open, far less through walls, metal and earth.',
    'Its transformer goes on the line side of the contactor. On the load side it has nothing until the contactor is in, and never wakes up. That side is live with the unit off: open the disconnect.',
    'Its common joins the outdoor unit’s common; its hot joins the hot of no other transformer. The jumper from R to K feeds its relays.',
    'Set it to the valve as the board is: O or B. Floats must still break R or Y indoors, ahead of the indoor module: where they break R, the outdoor unit runs on until silence counts as lost, half a minute as set.',
    'Insulate the old cable at both ends: nothing of it stays landed.',
  ],
};

export const runMethodCautions = ({ id }: RunMethod): readonly string[] => RUN_CAUTIONS[id];

/** What must be brought, as it is asked for at the counter. */
export function partText(part: Part, units: Units): string {
  switch (part.type) {
    case 'cable':
      return `${part.conductors}-conductor ${showGauge(part.gauge, units.gauge)} cable, ${showLength(Math.ceil(part.lengthM), units.length)}`;
    case 'plug-in-transformer':
      return `Plug-in transformer, 24 V, ${part.va} VA`;
    case 'panel-of-zones':
      return `Zone panel for ${part.zones} zones`;
    case 'new-thermostat':
      return part.count === 1 ? 'Thermostat' : `${part.count} thermostats`;
    case 'zone-damper':
      return part.count === 1 ? 'Zone damper' : `${part.count} zone dampers`;
    case 'relief':
      return 'Bypass damper';
    case 'link-set':
      return 'Wireless link, indoor and outdoor module';
    case 'leak-set':
      return 'Leak controller with its sensor and harness';
    case 'transformer':
      return `Transformer, ${part.va} VA, with its fuse`;
    case 'connector':
      return `Twist-on connector for ${part.conductors}`;
    case 'jumper':
      return 'Jumper at the unit';
    case 'isolation-relay':
      return '24 V relay';
    case 'sharing-adapter':
      return 'Sharing adapter, two halves';
    case 'wireless-thermostat':
      return 'Wireless thermostat and receiver';
    case 'batteries':
      return 'Batteries';
  }
}
