/** What must hold, and why, in a technician's words. */
import type { PropertyId } from '../../prove';

export const PROPERTY_WORDS: Readonly<Record<PropertyId, { title: string; why: string }>> = {
  short: {
    title: 'Nothing is shorted',
    why: 'A hot that meets its common through nothing blows the fuse, or burns the transformer where there is none.',
  },
  'line-on-control': {
    title: 'No line voltage on a control terminal',
    why: 'Line voltage on a 24 V terminal destroys boards and thermostats, and hurts whoever touches what is taken for 24 V.',
  },
  'over-voltage': {
    title: 'No control terminal above 30 V',
    why: 'Above 30 V a circuit is no Class 2 circuit any more, and boards, valves and thermostats made for 24 V burn out.',
  },
  protected: {
    title: 'Every hot is protected before it leaves',
    why: 'A short in a wall that no fuse or limit ends heats transformer and conductor until something burns.',
  },
  rating: {
    title: 'What protects opens in time',
    why: 'A fuse too large for its transformer carries the short until the transformer burns: it protects nothing.',
  },
  bypassed: {
    title: 'Nothing lies across a fuse, safety or interlock',
    why: 'With a jumper across it a safety may trip as it likes: what it should stop runs on.',
  },
  tied: {
    title: 'No two transformers are tied together',
    why: 'Tied out of phase they short each other; in phase they back-feed each other’s primaries, so a switched-off unit stays live.',
  },
  together: {
    title: 'Heating and cooling never run together',
    why: 'One undoes the other and the compressor works against pressure it was not made for.',
  },
  disagree: {
    title: 'Thermostats on one unit are never of two minds',
    why: 'In parallel neither knows of the other: one on heat and one on cool run burner and compressor together. Set them alike and say so on a label.',
  },
  uncalled: {
    title: 'Nothing heats or cools without its call',
    why: 'A load that runs uncalled is fed by a conductor or contact that should not feed it.',
  },
  'uncalled-fan': {
    title: 'No fan runs without a call',
    why: 'A fan that nobody asked for is fed by a conductor or contact that should not feed it, and wastes what was made.',
  },
  unanswered: {
    title: 'Every call brings its load',
    why: 'A call whose load stays off is open, landed wrong, or asked of a unit that cannot do it.',
  },
  'no-air': {
    title: 'Strips and burners never run without air',
    why: 'Heat that no air carries away trips limits and, in the end, melts what holds it.',
  },
  'no-way': {
    title: 'The fan always has a way for its air',
    why: 'Against dampers that are all shut a coil freezes, an exchanger overheats, and ducts whistle or part.',
  },
  'zone-shut': {
    title: 'Whoever calls has its damper open',
    why: 'A zone that calls into a shut damper gets nothing, and the others get what it asked for.',
  },
  'zone-open': {
    title: 'Whoever does not call has its damper shut',
    why: 'A damper that stands open for nobody heats or cools rooms that did not ask: often OPEN and CLOSE exchanged, or a thermostat on another zone’s strip.',
  },
  'stays-live': {
    title: 'One switch kills everything',
    why: 'Whoever opens the unit’s switch takes it for dead. A panel fed from before that switch keeps 24 V on what they touch, and drives dampers on their hands.',
  },
  'no-purge': {
    title: 'A burner purges after its call',
    why: 'Flue gas left in the exchanger and heat left in the metal are what purge and fan are for.',
  },
  safety: {
    title: 'Every safety stops what it must',
    why: 'A safety that trips and stops too little protects nothing.',
  },
  unfanned: {
    title: 'A leak is aired out',
    why: 'Refrigerant that burns collects where no air moves. Whatever is called and whoever is blank, the fan runs while it is found.',
  },
  blank: {
    title: 'No thermostat loses its power',
    why: 'A blank thermostat makes no calls, and batteries run down where the wire should feed it.',
  },
  overload: {
    title: 'No transformer is overloaded',
    why: 'Over its rated amperes a transformer runs hot and its volts sag until coils let go.',
  },
  'weak-coil': {
    title: 'Every coil that is called pulls in',
    why: 'A coil that is fed and stays out hums, chatters and burns its contacts.',
  },
  'coil-margin': {
    title: 'Every coil has its guaranteed volts',
    why: 'A coil is guaranteed to pull in at 85 % of its rating; most come in at about 75 %, so it usually works, with nothing to spare.',
  },
  never: {
    title: 'Every load answers to some call',
    why: 'A load that no call ever brings is not connected, or the thermostat has nothing for it.',
  },
  'foreign-common': {
    title: 'The hot and the C of a thermostat or a panel belong together',
    why: 'Between two transformers it lives on a bond through the cabinets, reads stray volts, and dies when either is off.',
  },
  'crossed-hots': {
    title: 'Each hot feeds its own side',
    why: 'A call that is fed from a transformer its load does not return to works through the bond of the cabinets, or not at all.',
  },
  reversed: {
    title: 'Hot lands on hot, common on common',
    why: 'With the two exchanged it may well run, until something on its common touches the cabinet, which the transformer’s common is bonded to: then the fuse opens.',
  },
  'live-end': {
    title: 'No conductor ends live and loose',
    why: 'A live free end is a short waiting for a bare edge.',
  },
  'line-on-signal': {
    title: 'Mains never reaches the signal between the halves',
    why: 'The signal is a small direct current. Mains on it makes both halves deaf, and many boards do not live through it.',
  },
  'live-case': {
    title: 'No case is live',
    why: 'From 50 V on a case can kill whoever touches it.',
  },
  unearthed: {
    title: 'Every case of the unit is earthed',
    why: 'Without its earth a case is live as soon as anything inside fails, and nothing opens.',
  },
  'earth-current': {
    title: 'The earth carries no current',
    why: 'A unit that runs over the earth works until the earth is lifted; then every case on it is live.',
  },
  'power-on-data': {
    title: 'The supply never reaches a data pair',
    why: 'Data is a few volts, d.c. With 24 V on it everybody on the pair is deaf, and boards may be lost.',
  },
  'fed-twice': {
    title: 'One supply feeds both halves',
    why: 'Of two supplies one is always forgotten: the unit is live with its breaker off.',
  },
  'fed-elsewhere': {
    title: 'The supply comes in where the label says',
    why: 'The terminals and the board of the other half are not made for what the compressor draws.',
  },
  'run-spliced': {
    title: 'The run between the halves has no joint',
    why: 'A joint is where signal and neutral part first, and where damp comes in.',
  },
  'run-shared': {
    title: 'The run between the halves has a jacket of its own',
    why: 'What shares its jacket couples into the signal, and is at line voltage in one sheath with it.',
  },
  untempered: {
    title: 'Defrost is tempered',
    why: 'A unit that turns over to clear its coil cools the house meanwhile: what can heat besides must be asked to.',
  },
  restless: {
    title: 'Everything comes to rest',
    why: 'A relay whose own action takes away what holds it chatters until it fails.',
  },
};
