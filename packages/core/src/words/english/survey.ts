/** What a survey asks for, and what was seen. */
import { listed } from '../phrases';
import type { Contradiction, Evidence, Feature } from '../../survey';

interface QuestionWords {
  text: string;
  /** How to tell, standing in front of it. */
  tell: string;
  /** What it is called when it was seen, and when it was seen not to be there. */
  seen: string;
  unseen: string;
}

export const QUESTION_WORDS: Readonly<Record<Feature, QuestionWords>> = {
  lineThermostat: {
    text: 'Is it a line-voltage thermostat?',
    tell: 'Two or four thick wires under wire nuts in a deep box, marked 120, 208 or 240 V: not thin ones on screws.',
    seen: 'a line-voltage thermostat',
    unseen: 'a 24 V thermostat',
  },
  outdoorUnit: {
    text: 'Is there a unit outdoors joined by refrigerant lines?',
    tell: 'Two copper lines leave the indoor unit, the thick one insulated, and end at a cabinet with a fan outside.',
    seen: 'a line set to an outdoor unit',
    unseen: 'no line set',
  },
  reversingValve: {
    text: 'Is there a reversing valve?',
    tell: 'A wire on O, B or O/B at the thermostat, or a brass valve with three pipes on one side in the outdoor unit.',
    seen: 'a reversing-valve wire',
    unseen: 'no reversing-valve wire',
  },
  burner: {
    text: 'Does something burn gas or oil?',
    tell: 'A gas pipe with a cock, or an oil line, and a flue.',
    seen: 'a burner',
    unseen: 'no burner',
  },
  strips: {
    text: 'Are there electric strips?',
    tell: 'A breaker of 30 A or more for the indoor unit and wires as thick as a pencil.',
    seen: 'electric strips',
    unseen: 'no electric strips',
  },
  water: {
    text: 'Does water carry the heat or the cold?',
    tell: 'Pipes with motor valves, a circulator, or radiators.',
    seen: 'water pipes',
    unseen: 'no water pipes',
  },
  boiler: {
    text: 'Is there a boiler?',
    tell: 'Hot water is made here, with a pressure gauge and a relief valve; not piped in from elsewhere.',
    seen: 'a boiler',
    unseen: 'no boiler',
  },
  twoTransformers: {
    text: 'Are there two control transformers?',
    tell: 'Follow the hot wires: two hots at the thermostat may still come from one. Count the transformers.',
    seen: 'two transformers',
    unseen: 'one transformer',
  },
  oneCabinet: {
    text: 'Is everything in one cabinet, often on the roof?',
    tell: 'Compressors, indoor fan and heat behind the doors of one box; ducts go straight in.',
    seen: 'one cabinet',
    unseen: 'separate cabinets',
  },
  hangingHeater: {
    text: 'Is it a heater hung from the ceiling with no ducts?',
    tell: 'A gas-fired box with its own fan that blows into the room.',
    seen: 'a hanging heater',
    unseen: 'no hanging heater',
  },
  secondStage: {
    text: 'Are Y2 or W2 in use?',
    tell: 'A conductor on Y2 or W2 at the thermostat. On a heat pump W2 may be the back-up heat.',
    seen: 'second-stage wires',
    unseen: 'no second-stage wires',
  },
  commonAtThermostat: {
    text: 'Is C landed at the thermostat?',
    tell: 'A conductor on C (X on some old sub-bases), and the same colour on C at the unit.',
    seen: 'C at the thermostat',
    unseen: 'no C at the thermostat',
  },
  twoThermostats: {
    text: 'Are there two thermostats on this one unit?',
    tell: 'Two thermostat cables end on the same terminals and there are no dampers.',
    seen: 'two thermostats',
    unseen: 'one thermostat',
  },
  fireLoop: {
    text: 'Does a smoke detector of it go to a fire panel?',
    tell: 'A station with a red and a green lamp on a wall, or two conductors from a duct detector to a fire panel.',
    seen: 'a fire panel’s loop',
    unseen: 'no fire panel’s loop',
  },
  zonePanel: {
    text: 'Is there a zone panel, with dampers in the ducts?',
    tell: 'A board by itself near the unit where every thermostat’s cable ends, and small motors on the ducts.',
    seen: 'a zone panel',
    unseen: 'no zone panel',
  },
  leakController: {
    text: 'Is there a controller for refrigerant leaks?',
    tell: 'A small board beside the indoor unit, with a sensor’s lead into the coil and a jumper marked RUN and TEST, where the thermostat’s cable ends.',
    seen: 'a leak controller',
    unseen: 'no leak controller',
  },
  ductless: {
    text: 'Is it a ductless unit in two halves?',
    tell: 'A case on the wall or in the ceiling that blows into the room itself, told by a remote, with a cable of four conductors to the outdoor half marked 1 2 3 or S1 S2 S3.',
    seen: 'a ductless unit',
    unseen: 'no ductless unit',
  },
  wirelessLink: {
    text: 'Do the calls go outdoors over a wireless link?',
    tell: 'Two small modules, one beside the indoor board and one in the outdoor unit, where the cable between them is dead or missing.',
    seen: 'a wireless link',
    unseen: 'no wireless link',
  },
  dataPair: {
    text: 'Do thermostat and boards talk over two data conductors?',
    tell: 'Four conductors on thermostat and boards of one make, R, C and two marked for data; nothing is landed on Y, W or G.',
    seen: 'a data pair',
    unseen: 'no data pair',
  },
  fedIndoors: {
    text: 'Does its supply come in at the indoor half?',
    tell: 'Find where the cable from the breaker ends: on L and N of the indoor half, or of the outdoor one.',
    seen: 'a supply indoors',
    unseen: 'no supply at the indoor half',
  },
};

export const evidenceText = ({ feature, seen }: Evidence): string =>
  QUESTION_WORDS[feature][seen ? 'seen' : 'unseen'];

export const contradictionText = (contradiction: Contradiction): string =>
  contradiction.type === 'line-voltage'
    ? 'A line-voltage thermostat switches its load itself: nothing here is 24 V, and no system below fits. It belongs to whoever is licensed for line voltage where you are.'
    : `No system known here fits everything: ${contradiction.nearest} comes nearest, but you saw ${listed(contradiction.against.map(evidenceText))}.`;
