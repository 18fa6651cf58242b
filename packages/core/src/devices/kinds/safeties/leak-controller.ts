import type { FaultMode } from '../../define';
import { defineDevice } from '../../define';
import type { Designation, Senses } from '../../context';
import type { Element } from '../../element';
import { LOGIC, contact, impedanceOf, inputOf, load, path } from '../../element';
import { choice, num, seconds } from '../../fields';
import { boardParams, when } from '../../parts/board';
import { boardFaults, contactFaults } from '../../parts/faults';

/** Supply under which it resets, and volts at an input that count as a call. From memory. */
const WORKS_FROM_VOLTS = 17;
const CALL_VOLTS = 12;
const THROUGH_OHMS = 0.05;

/** Calls it lets through or drops, plain and with everything there may be. */
const PLAIN = ['Y', 'W'] as const;
const STAGED = ['Y', 'Y2', 'W', 'W2', 'O'] as const;
const MOIST = [...STAGED, 'H'] as const;

type Calls = 'plain' | 'staged' | 'moist';
const CALLS: Readonly<Record<Calls, readonly (typeof MOIST)[number][]>> = {
  plain: PLAIN,
  staged: STAGED,
  moist: MOIST,
};
const callsOf = (takes: Calls) => CALLS[takes];

/** Everything it passes on: the fan too, which it runs by itself meanwhile. */
const passedOf = (takes: Calls): readonly string[] => [...callsOf(takes), 'G'];

const PURPOSE: Readonly<Record<(typeof MOIST)[number], string>> = {
  Y: 'cooling, or the compressor',
  Y2: 'the second stage of it',
  W: 'heat',
  W2: 'the second stage of heat',
  O: 'the reversing valve',
  H: 'the humidifier',
};
const ALIASES: Readonly<Partial<Record<string, readonly string[]>>> = { W: ['W1', 'AUX'], O: ['O/B', 'B'] };

/** One end of what it passes on: the thermostat's strip, or a lead of the harness to the unit. */
const row = (takes: Calls, end: 'T' | ''): Designation[] => {
  const to = end === 'T' ? 'the thermostat' : 'the unit';
  const mark = (name: string) => `${end}${name}`;
  const onward = end === 'T' ? ({ onward: true } as const) : {};
  const aliasesOf = (name: string) =>
    end === 'T' ? [name, ...(ALIASES[name] ?? [])] : (ALIASES[name] ?? []);
  return [
    {
      mark: mark('R'),
      role: 'hot',
      purpose: `Hot, ${end === 'T' ? 'on to' : 'from'} ${to}.`,
      aliases: aliasesOf('R'),
      ...onward,
    },
    {
      mark: mark('C'),
      role: 'common',
      purpose: `Common of ${to}.`,
      aliases: aliasesOf('C'),
      ...onward,
    },
    {
      mark: mark('G'),
      role: 'call',
      purpose: `Fan, ${end === 'T' ? 'from' : 'to G of'} ${to}.`,
      aliases: aliasesOf('G'),
    },
    ...callsOf(takes).map((name): Designation => ({
      mark: mark(name),
      role: 'call',
      purpose: `Call for ${PURPOSE[name]}, ${end === 'T' ? 'from' : 'on to'} ${to}.`,
      aliases: aliasesOf(name),
    })),
  ];
};

type LeakState = {
  powered: boolean;
  leak: boolean;
  /** When the last leak was over, seconds; `null` once all it asks for is done. Kept without power too. */
  ended: number | null;
  /** Its Y is called. */
  cools: boolean;
};

interface Times {
  restartS: number;
  fanS: number;
}

/** Whether calls still wait after a leak, and whether the fan still clears the air. */
const after = (ended: number | null, { restartS, fanS }: Times, now: number) => ({
  waits: ended !== null && now < ended + restartS,
  clears: ended !== null && now < ended + fanS,
});

/**
 * A controller for flammable refrigerant, between thermostat and unit: while its sensor finds none it passes every call on; when
 * it does, every call for heat and cooling drops and the fan runs, whatever the thermostat says, until the air is clean and a
 * delay is over. A jumper tells it to run or to act as if it had found some; in neither place it holds everything off.
 */
export const leakController = defineDevice({
  kind: 'leak-controller',
  title: 'Leak controller',
  designations: ({ takes }) => [
    ...row(takes, 'T'),
    ...row(takes, ''),
    {
      mark: 'LK',
      role: 'contact',
      purpose: 'To the unit’s own leak terminal, where it has one. Insulate it if unused.',
      serves: 'leak',
    },
  ],
  params: {
    takes: choice(
      'It takes',
      { plain: 'R C Y W G', staged: 'R C Y Y2 W W2 O G', moist: 'R C Y Y2 W W2 O H G' },
      'plain',
      'read the label',
    ),
    ...boardParams,
  },
  settings: {
    addsFan: choice(
      'Adds G to a call for cooling',
      { yes: 'Yes: a motor with taps', no: 'No: a motor with many pins' },
      'no',
      'common practice',
    ),
    restartS: seconds('Calls again after a leak in', 300, 1800),
    fanS: num({
      label: 'Fan on after a leak',
      unit: 's',
      default: 300,
      min: 0,
      max: 1800,
      source: 'from memory',
    }),
  },
  controls: {
    sensor: choice(
      'Sensor in the coil',
      { clean: 'Finds nothing', leak: 'Finds refrigerant', dead: 'Sends nothing' },
      'clean',
    ),
    jumper: choice('Test jumper', { run: 'In RUN', test: 'In TEST', missing: 'In neither' }, 'run'),
  },
  elements: ({ params: { takes, boardVa, inputOhms }, mains }): readonly Element[] => [
    load(LOGIC, 'R', 'C', impedanceOf(24, boardVa, 0.9, mains.hertz)),
    path('hot', 'R', 'TR', THROUGH_OHMS),
    path('common', 'C', 'TC', THROUGH_OHMS),
    load(inputOf('TY'), 'TY', 'C', { ohms: inputOhms }),
    contact('fan', 'R', 'G'),
    contact('leak', 'R', 'LK'),
    ...passedOf(takes).map((mark) => contact(`pass-${mark}`, `T${mark}`, mark)),
  ],
  actuatedBy: ({ params: { takes }, settings: { addsFan } }) => ({
    ...Object.fromEntries(passedOf(takes).map((mark) => [`pass-${mark}`, [[LOGIC]]])),
    // On a leak it closes contacts of its own accord: nobody who calls waits for them.
    ...(addsFan === 'yes' && { fan: [[inputOf('TY'), LOGIC]] }),
  }),
  // The fan is passed on too, but it is to run: nothing is guarded by that contact.
  interrupts: MOIST.map((mark) => `pass-${mark}`),
  alarm: 'leak',
  initial: { powered: false, leak: false, ended: null, cools: false } as LeakState,
  positions: (
    { powered, leak, ended, cools },
    { params: { takes }, settings, controls: { jumper }, now },
  ) => {
    const awake = powered && jumper !== 'missing';
    const { waits, clears } = after(ended, settings, now);
    const passes = awake && !leak && !waits;
    return {
      ...Object.fromEntries(passedOf(takes).map((mark) => [`pass-${mark}`, when(passes)])),
      leak: when(awake && leak),
      fan: when(awake && (leak || clears || (passes && cools && settings.addsFan === 'yes'))),
    };
  },
  next: (state, senses: Senses, { settings, controls: { sensor, jumper }, now }) => {
    const powered = senses.volts('R', 'C') >= WORKS_FROM_VOLTS && senses.amps(LOGIC) > 0;
    // What it found before power failed it knows still: a dip is no way round the delay.
    if (!powered) return { ...state, powered, cools: false };
    // A sensor that sends nothing is taken for one that finds some.
    const leak = jumper !== 'missing' && (sensor !== 'clean' || jumper === 'test');
    const ended = leak ? null : state.leak ? now : state.ended;
    const { waits, clears } = after(ended, settings, now);
    return {
      powered,
      leak,
      ended: waits || clears ? ended : null,
      cools: senses.volts('TY', 'C') >= CALL_VOLTS,
    };
  },
  waits: ({ ended }, { settings, now }) => {
    const { waits, clears } = after(ended, settings, now);
    return [
      ...(clears ? [{ until: ended! + settings.fanS, text: 'the fan clears the air', quiet: true }] : []),
      ...(waits
        ? [
            {
              until: ended! + settings.restartS,
              text: 'the leak controller lets calls pass again',
              done: 'calls pass again',
            },
          ]
        : []),
    ];
  },
  face: ({ powered, leak, ended }, { settings, controls: { jumper, sensor }, now }) => {
    if (!powered) return { text: 'no lamp', tone: 'off', detail: 'It has no 24 V: no call passes it.' };
    if (jumper === 'missing')
      return {
        text: 'no lamp, jumper in neither place',
        tone: 'tripped',
        detail:
          'Its jumper is in neither place: it looks dead, holds every call and airs no leak. Put it in RUN.',
      };
    if (leak)
      return {
        // Whoever looks at the lamp sees the jumper beside it.
        text: jumper === 'test' ? 'red, jumper in TEST' : sensor === 'dead' ? 'red, no sensor' : 'red, leak',
        tone: 'tripped',
        detail:
          jumper === 'test'
            ? 'Its jumper is in TEST: it acts as if there were a leak.'
            : 'Flammable refrigerant may be in the house: no spark, no flame, air it, and call whoever is licensed.',
      };
    return after(ended, settings, now).waits
      ? { text: 'green, waits', tone: 'busy' }
      : { text: 'green', tone: 'ok' };
  },
  safety: {
    control: 'sensor',
    notices: () => ['refrigerant'],
    tripped: 'leak',
    stops: ['cool', 'heat'],
    runs: 'fan',
    test: 'Put its jumper in TEST: its lamp goes red. Then put it back in RUN: in neither place it holds everything off.',
  },
  faults: [
    ...boardFaults([]),
    ...PLAIN.flatMap((mark) => contactFaults(`pass-${mark}`, `Relay that passes ${mark}`)),
    ...contactFaults('fan', 'Relay that runs the fan'),
    {
      mode: 'no-sensor',
      title: 'Sensor dead or unplugged',
      likelihood: 1,
      controls: { sensor: 'dead' },
      part: 'Sensor',
    },
    ...(
      [
        ['in-test', 'Jumper left in TEST', 'test'],
        ['no-jumper', 'Jumper in neither place', 'missing'],
      ] as const
    ).map(([mode, title, jumper]): FaultMode => ({
      mode,
      title,
      likelihood: 4,
      controls: { jumper },
      part: 'Jumper in RUN',
      mend: 'refit',
    })),
  ],
});
