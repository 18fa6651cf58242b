/** Operating points of the catalogue's circuits, right and wrong, for the checks against ngspice. */
import type { Inputs } from '../behaviour';
import { NEW_WORLD, advance } from '../behaviour';
import type { Circuit } from '../circuit';
import { addDevice, addLink, land, lift, setCable, setValue } from '../circuit';
import type { Value } from '../devices';
import type { Fault, OperatingPoint } from '../network';
import { compile } from '../network';
import { TEMPLATES, furnaceAirConditioner } from '../systems';
import { device } from '../systems/build';

export interface Scenario {
  name: string;
  circuit: Circuit;
  inputs: Inputs;
  /** Seconds let pass before the point is taken. */
  after: number;
  faults: readonly Fault[];
}

/** Long enough for compressor protection and every blower delay. */
const SETTLED_S = 400;

const WARM = { indoorC: 26, outdoorC: 31 };
const COLD = { indoorC: 18, outdoorC: 2 };

type Controls = Record<string, Record<string, Value>>;

export const calling = (mode: 'off' | 'cool' | 'heat' | 'emergency', more: Controls = {}): Inputs => ({
  controls: { ...more, stat: { mode, setC: 22, ...more.stat } },
  conditions: mode === 'heat' || mode === 'emergency' ? COLD : WARM,
});

const good = furnaceAirConditioner('Check');

const scenario = (
  name: string,
  circuit: Circuit,
  inputs: Inputs,
  more: Partial<Pick<Scenario, 'after' | 'faults'>> = {},
) => ({
  name,
  circuit,
  inputs,
  after: SETTLED_S,
  faults: [],
  ...more,
});

/** A second transformer on the same feed, its secondary tied to the first one's. */
function tied(phase: 'normal' | 'reversed'): Circuit {
  const second = addDevice(
    good,
    device('second', 'control-transformer', 'plant', 'Second transformer', {}, { phase, bond: 'floating' }),
  );
  const joins = [
    ['board.L1', 'second.P120'],
    ['board.N', 'second.PC'],
    ['xfmr.R', 'second.R'],
    ['xfmr.C', 'second.C'],
  ];
  return joins.reduce(
    (circuit, pair, i) => addLink(circuit, { id: `tie${i}`, kind: 'jumper', joins: pair }),
    second,
  );
}

const shorted = land(land(good, 'statY', 'from', 'stat.R'), 'statY', 'to', 'board.C');

/** Every ready system but the first, whose points are listed by hand, in every call. */
const SYSTEM_SCENARIOS: readonly Scenario[] = TEMPLATES.slice(1).flatMap(({ id, build }) =>
  (
    [
      ['idle', calling('off')],
      ['fan', calling('off', { stat: { fan: 'on' } })],
      ['heat', calling('heat')],
      ['cool', calling('cool')],
      ['emergency', calling('emergency')],
    ] as const
  ).map(([call, inputs]) => scenario(`${id} ${call}`, build('Check'), inputs)),
);

export const SCENARIOS: readonly Scenario[] = [
  scenario('no call', good, calling('off')),
  scenario('fan only', good, calling('off', { stat: { fan: 'on' } })),
  scenario('cooling held by its protection', good, calling('cool'), { after: 10 }),
  scenario('cooling', good, calling('cool')),
  scenario('cooling with the float up', good, calling('cool', { float: { level: 'wet' } })),
  scenario('heating, igniter warming up', good, calling('heat'), { after: 30 }),
  scenario('heating, blower on', good, calling('heat')),
  scenario(
    'short R to C behind a fuse that holds',
    setValue(shorted, 'fuse', 'params', 'rating', 20),
    calling('off'),
  ),
  scenario('short R to C, fuse blown', shorted, calling('off')),
  scenario('open Y conductor', good, calling('cool'), { faults: [{ target: 'statY', mode: 'open' }] }),
  scenario('W pinched to G', good, calling('cool'), { faults: [{ target: 'statW', mode: 'short:statG' }] }),
  scenario('low mains', { ...good, mains: { volts: 96, hertz: 60 } }, calling('cool')),
  scenario('120 V on the 240 V tap', land(good, 'leadPrimary', 'to', 'xfmr.P240'), calling('cool')),
  scenario('120 V on the 208 V tap', land(good, 'leadPrimary', 'to', 'xfmr.P208'), calling('cool')),
  scenario('two transformers in phase', tied('normal'), calling('cool')),
  scenario('two transformers out of phase', tied('reversed'), calling('off')),
  scenario(
    'floating conductors in a jacket',
    lift(lift(furnaceAirConditioner('Check', false), 'statG', 'from'), 'statG', 'to'),
    calling('off'),
  ),
  scenario('long thin run', setCable(good, 'yardCable', { gauge: 22, lengthM: 150 }), calling('cool')),
  scenario('breaker off', good, calling('off', { furnaceBreaker: { handle: 'off' } })),
  ...SYSTEM_SCENARIOS,
];

/** The operating point a scenario comes to. */
export function pointOf({ circuit, inputs, after, faults }: Scenario): OperatingPoint {
  return advance(compile(circuit, faults), inputs, NEW_WORLD, after).point;
}
