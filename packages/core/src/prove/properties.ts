/** What must hold in every state, each with why. */

export type Severity = 'danger' | 'fault' | 'caution';

/** The graver the less. */
export const GRAVITY: Record<Severity, number> = { danger: 0, fault: 1, caution: 2 };

export interface Property {
  id: string;
  title: string;
  severity: Severity;
  /** Why it must hold, in a technician's words. */
  why: string;
}

const PROPERTY_LIST = [
  {
    id: 'short',
    title: 'Nothing is shorted',
    severity: 'danger',
    why: 'A hot that meets its common through nothing blows the fuse, or burns the transformer where there is none.',
  },
  {
    id: 'line-on-control',
    title: 'No line voltage on a control terminal',
    severity: 'danger',
    why: 'Line voltage on a 24 V terminal destroys boards and thermostats, and hurts whoever touches what is taken for 24 V.',
  },
  {
    id: 'over-voltage',
    title: 'No control terminal above 30 V',
    severity: 'danger',
    why: 'Above 30 V a circuit is no Class 2 circuit any more, and boards, valves and thermostats made for 24 V burn out.',
  },
  {
    id: 'protected',
    title: 'Every hot is protected before it leaves',
    severity: 'danger',
    why: 'A short in a wall that no fuse or limit ends heats transformer and conductor until something burns.',
  },
  {
    id: 'rating',
    title: 'What protects opens in time',
    severity: 'danger',
    why: 'A fuse too large for its transformer carries the short until the transformer burns: it protects nothing.',
  },
  {
    id: 'bypassed',
    title: 'Nothing lies across a fuse, safety or interlock',
    severity: 'danger',
    why: 'With a jumper across it a safety may trip as it likes: what it should stop runs on.',
  },
  {
    id: 'tied',
    title: 'No two transformers are tied together',
    severity: 'danger',
    why: 'Tied out of phase they short each other; in phase they back-feed each other’s primaries, so a switched-off unit stays live.',
  },
  {
    id: 'together',
    title: 'Heating and cooling never run together',
    severity: 'fault',
    why: 'One undoes the other and the compressor works against pressure it was not made for.',
  },
  {
    id: 'disagree',
    title: 'Thermostats on one unit are never of two minds',
    severity: 'caution',
    why: 'In parallel neither knows of the other: one on heat and one on cool run burner and compressor together. Set them alike and say so on a label.',
  },
  {
    id: 'uncalled',
    title: 'Nothing heats or cools without its call',
    severity: 'fault',
    why: 'A load that runs uncalled is fed by a conductor or contact that should not feed it.',
  },
  {
    id: 'uncalled-fan',
    title: 'No fan runs without a call',
    severity: 'fault',
    why: 'A fan that nobody asked for is fed by a conductor or contact that should not feed it, and wastes what was made.',
  },
  {
    id: 'unanswered',
    title: 'Every call brings its load',
    severity: 'fault',
    why: 'A call whose load stays off is open, landed wrong, or asked of a unit that cannot do it.',
  },
  {
    id: 'no-air',
    title: 'Strips and burners never run without air',
    severity: 'danger',
    why: 'Heat that no air carries away trips limits and, in the end, melts what holds it.',
  },
  {
    id: 'no-purge',
    title: 'A burner purges after its call',
    severity: 'danger',
    why: 'Flue gas left in the exchanger and heat left in the metal are what purge and fan are for.',
  },
  {
    id: 'safety',
    title: 'Every safety stops what it must',
    severity: 'danger',
    why: 'A safety that trips and stops too little protects nothing.',
  },
  {
    id: 'blank',
    title: 'No thermostat loses its power',
    severity: 'fault',
    why: 'A blank thermostat makes no calls, and batteries run down where the wire should feed it.',
  },
  {
    id: 'overload',
    title: 'No transformer is overloaded',
    severity: 'fault',
    why: 'Over its rated amperes a transformer runs hot and its volts sag until coils let go.',
  },
  {
    id: 'weak-coil',
    title: 'Every coil that is called pulls in',
    severity: 'fault',
    why: 'A coil that is fed and stays out hums, chatters and burns its contacts.',
  },
  {
    id: 'coil-margin',
    title: 'Every coil has its guaranteed volts',
    severity: 'caution',
    why: 'A coil is guaranteed to pull in at 85 % of its rating; most come in at about 75 %, so it usually works, with nothing to spare.',
  },
  {
    id: 'never',
    title: 'Every load answers to some call',
    severity: 'fault',
    why: 'A load that no call ever brings is not connected, or the thermostat has nothing for it.',
  },
  {
    id: 'foreign-common',
    title: 'A thermostat’s hot and C belong together',
    severity: 'fault',
    why: 'Between two transformers it lives on a bond through the cabinets, reads stray volts, and dies when either is off.',
  },
  {
    id: 'crossed-hots',
    title: 'Each hot feeds its own side',
    severity: 'fault',
    why: 'A call that is fed from a transformer its load does not return to works through the bond of the cabinets, or not at all.',
  },
  {
    id: 'live-end',
    title: 'No conductor ends live and loose',
    severity: 'danger',
    why: 'A live free end is a short waiting for a bare edge.',
  },
  {
    id: 'restless',
    title: 'Everything comes to rest',
    severity: 'fault',
    why: 'A relay whose own action takes away what holds it chatters until it fails.',
  },
] as const satisfies readonly Property[];

export type PropertyId = (typeof PROPERTY_LIST)[number]['id'];
export const PROPERTIES: readonly (Property & { id: PropertyId })[] = PROPERTY_LIST;

export const propertyOf = (id: PropertyId) => PROPERTIES.find((property) => property.id === id)!;
