/** What happens to conductors: broken, loose, worn through, pinched, and joints that pass too little. */
import type { Circuit, End, TerminalId } from '../../circuit';
import { ENDS, lift } from '../../circuit';
import { EARTH } from '../../devices';
import type { Random, Run } from './pick';
import { between, controlTerminals, deviceOf, fieldRunsOf, pickOf, runsOf } from './pick';
import type { Truth } from './truth';
import { truth } from './truth';

/** Ohms of each, drawn evenly over decades: what a meter of the trade has found. From memory. */
const JOINT = [8, 300] as const;
const TO_METAL = [0.05, 20] as const;
const TOUCHING = [0.05, 60] as const;
const STRAND = [0.05, 2] as const;

const replacing = ({ cable, conductor }: Run) => [
  { type: 'replace-conductor', conductor: conductor.id },
  { type: 'replace-cable', cable: cable.id },
];

export function broken(circuit: Circuit, random: Random): Truth | null {
  const run = pickOf(random, fieldRunsOf(circuit));
  if (!run) return null;
  const { id } = run.conductor;
  return truth({
    kind: 'conductor broken',
    text: `${id} is broken inside`,
    circuit,
    branches: { [`wire:${id}`]: 'open' },
    found: [{ by: 'wires', at: run.cable.id, as: [{ type: 'broken', conductor: id }] }],
    mends: replacing(run),
  });
}

interface AtEnd {
  run: Run;
  end: End;
  terminal: TerminalId;
}

function anyEnd(circuit: Circuit, random: Random): AtEnd | null {
  const run = pickOf(random, runsOf(circuit));
  const end = pickOf(random, ENDS)!;
  return run ? { run, end, terminal: run.conductor[end] } : null;
}

export function loose(circuit: Circuit, random: Random): Truth | null {
  const at = anyEnd(circuit, random);
  if (!at) return null;
  const { run, end, terminal } = at;
  const { id } = run.conductor;
  const as = [{ type: 'loose', conductor: id, end }];
  return truth({
    kind: 'conductor loose',
    text: `${id} is off ${terminal}`,
    circuit: lift(circuit, id, end),
    found: [{ by: 'look', at: deviceOf(terminal), as }],
    mends: [{ type: 'land', conductor: id, end }],
  });
}

/** Lifted, and held on its terminal by a few ohms. */
export function joint(circuit: Circuit, random: Random): Truth | null {
  const at = anyEnd(circuit, random);
  if (!at) return null;
  const { run, end, terminal } = at;
  const { id } = run.conductor;
  const ohms = between(random, ...JOINT);
  return truth({
    kind: 'ohms in a joint',
    text: `${ohms.toFixed(0)} Ω between ${id} and ${terminal}`,
    circuit: lift(circuit, id, end),
    bridges: [{ red: `${id}~${end}`, black: terminal, ohms }],
    found: [{ by: 'look', at: deviceOf(terminal), as: [{ type: 'poor-joint', conductor: id, end }] }],
    mends: [{ type: 'land', conductor: id, end }],
  });
}

export function toMetal(circuit: Circuit, random: Random): Truth | null {
  const run = pickOf(random, fieldRunsOf(circuit));
  if (!run) return null;
  const { id, from } = run.conductor;
  const ohms = between(random, ...TO_METAL);
  return truth({
    kind: 'conductor to metal',
    text: `${id} touches metal, ${ohms.toPrecision(2)} Ω`,
    circuit,
    bridges: [{ red: from, black: EARTH, ohms }],
    found: [{ by: 'wires', at: run.cable.id, as: [{ type: 'grounded', conductor: id }] }],
    mends: replacing(run),
  });
}

export function touching(circuit: Circuit, random: Random): Truth | null {
  const run = pickOf(random, fieldRunsOf(circuit));
  if (!run) return null;
  const { cable, conductor } = run;
  const others = fieldRunsOf(circuit).filter(
    (other) => other.cable.id === cable.id && other.conductor.from !== conductor.from,
  );
  const other = pickOf(random, others);
  if (!other) return null;
  const ohms = between(random, ...TOUCHING);
  const [one, two] = [conductor.id, other.conductor.id];
  return truth({
    kind: 'conductors touching',
    text: `${one} touches ${two}, ${ohms.toPrecision(2)} Ω`,
    circuit,
    bridges: [{ red: conductor.from, black: other.conductor.from, ohms }],
    found: [
      {
        by: 'wires',
        at: cable.id,
        as: [
          { type: 'touching', conductor: one, other: two },
          { type: 'touching', conductor: two, other: one },
        ],
      },
    ],
    mends: [...replacing(run), ...replacing(other)],
  });
}

/** Between any two terminals of a block that something is landed on: a strand beside it, a jumper across. */
export function strand(circuit: Circuit, random: Random): Truth | null {
  const landed = new Set(fieldRunsOf(circuit).flatMap(({ conductor: { from, to } }) => [from, to]));
  const device = pickOf(
    random,
    circuit.devices.filter(
      (one) => controlTerminals(circuit, one).filter((mark) => landed.has(mark)).length > 1,
    ),
  );
  if (!device) return null;
  const marks = controlTerminals(circuit, device).filter((mark) => landed.has(mark));
  const at = Math.floor(random() * (marks.length - 1));
  const other = random() < 0.5 ? at + 1 : at + 1 + Math.floor(random() * (marks.length - 1 - at));
  const pair = [marks[at]!, marks[other]!];
  const either = [pair, [...pair].reverse()];
  return truth({
    kind: 'strand or jumper',
    text: `${pair.join(' and ')} are joined`,
    circuit,
    bridges: [{ red: pair[0]!, black: pair[1]!, ohms: between(random, ...STRAND) }],
    found: [
      {
        by: 'look',
        at: device.id,
        as: either.flatMap((terminals) => [
          { type: 'strand', terminals },
          { type: 'jumper-left', terminals },
        ]),
      },
    ],
    mends: [
      ...either.flatMap((terminals) => [
        { type: 'tidy', terminals },
        { type: 'take-out-jumper', terminals },
      ]),
      { type: 'compare', device: device.id },
    ],
  });
}
