/** Conductor against conductor at one strip: what each exchange does, and by which reading it is told. */
import type { Bench } from '../behaviour';
import { makeBench } from '../behaviour';
import type { Circuit, TerminalId } from '../circuit';
import { exchange, findDevice, isSplice, land, marksOf, splitTerminal } from '../circuit';
import { CLASS_2 } from '../standards';
import type { Case } from './cases';
import { stageOf } from './prove';
import type { LandedEnd, Mistake, WrongLanding } from './sweep';
import { fieldConductors, lineTerminals } from './terminals';

type Told = Pick<Mistake, 'wrong' | 'alike'>;

/** The ends within one person's reach at one strip, or in the wire nuts of one place. */
export interface ExchangeGrid<M extends Told> {
  /** The device of the strip; `null` for wire nuts. */
  device: string | null;
  station: string;
  /** In the order of the strip. */
  ends: readonly LandedEnd[];
  /** What exchanging two of them does; `null` where the wiring stays what it was. */
  at(one: LandedEnd, other: LandedEnd): M | null;
}

const keyOf = (one: LandedEnd, other: LandedEnd) =>
  [one, other]
    .map(({ conductor, end }) => `${conductor} ${end}`)
    .sort()
    .join(' ');

/** One for every strip with two ends or more, in the order of the circuit's devices. */
export function exchangeGrids<M extends Told>(
  circuit: Circuit,
  mistakes: readonly M[],
): readonly ExchangeGrid<M>[] {
  const found = new Map<string, M>();
  for (const mistake of mistakes)
    for (const wrong of [mistake.wrong, ...mistake.alike])
      if (wrong.type === 'exchanged') found.set(keyOf(wrong.one, wrong.other), mistake);
  const ends = fieldConductors(circuit).flatMap(({ conductor }) =>
    (['from', 'to'] as const).flatMap((end): LandedEnd[] => {
      const terminal = conductor[end];
      return terminal === null ? [] : [{ conductor: conductor.id, end, terminal }];
    }),
  );
  const strips = new Map<string, { device: string | null; station: string; ends: LandedEnd[] }>();
  for (const device of circuit.devices) {
    const marks = marksOf(device);
    const here = ends
      .filter(({ terminal }) => splitTerminal(terminal).deviceId === device.id)
      .sort((a, b) => marks.indexOf(markOf(a)) - marks.indexOf(markOf(b)));
    const nuts = here[0] !== undefined && isSplice(circuit, here[0].terminal);
    const key = nuts ? `nuts at ${device.station}` : device.id;
    const strip = strips.get(key) ?? { device: nuts ? null : device.id, station: device.station, ends: [] };
    strip.ends.push(...here);
    strips.set(key, strip);
  }
  return [...strips.values()]
    .filter((strip) => strip.ends.length > 1)
    .map((strip) => ({ ...strip, at: (one, other) => found.get(keyOf(one, other)) ?? null }));
}

const markOf = ({ terminal }: LandedEnd) => splitTerminal(terminal).mark;

/** A circuit with something landed wrong. */
export const landedWrong = (circuit: Circuit, wrong: WrongLanding): Circuit =>
  wrong.type === 'moved'
    ? land(circuit, wrong.landed.conductor, wrong.landed.end, wrong.on)
    : exchange(circuit, [wrong.one.conductor, wrong.one.end], [wrong.other.conductor, wrong.other.end]);

/** A reading in volts that tells a wrong landing: between which terminals, and what it is landed right and wrong. */
export interface Telling {
  red: TerminalId;
  black: TerminalId;
  right: number;
  wrong: number;
}

/** Readings that are closer than this tell nothing, V. */
const LEAST_V = 6;

const readerOf = (bench: Bench, circuit: Circuit, subject: Case) => {
  const staged = stageOf(circuit, subject);
  return (red: TerminalId, black: TerminalId): number | null => {
    const probes = { mode: 'ac-volts', red, black, meter: 'low-z' } as const;
    const { reading } = bench.answer({ ...staged, elapse: 0, probes, followed: null });
    return reading?.ok ? reading.value : null;
  };
};

/**
 * The plainest reading at the same strip, in the state that shows the mistake.
 *
 * @returns `null` where no reading there tells the two apart, or line voltage may stand at the strip.
 */
export function tellingOf(circuit: Circuit, wrong: WrongLanding, subject: Case): Telling | null {
  const { terminal } = wrong.type === 'moved' ? wrong.landed : wrong.one;
  const { deviceId } = splitTerminal(terminal);
  const line = lineTerminals(circuit);
  const strip = marksOf(findDevice(circuit, deviceId)!)
    .map((mark) => `${deviceId}.${mark}`)
    .filter((one) => !line.has(one));
  const made = landedWrong(circuit, wrong);
  const [asRight, asWrong] = [circuit, made].map((one) => readerOf(makeBench(one), one, subject));
  const pairs = strip.flatMap((red, i) => strip.slice(i + 1).map((black) => ({ red, black })));
  const read = pairs.flatMap(({ red, black }): Telling[] => {
    const [right, off] = [asRight!(red, black), asWrong!(red, black)];
    return right === null || off === null ? [] : [{ red, black, right, wrong: off }];
  });
  // A strip landed by hand may carry the mains, or a mistake may bring them there: nobody is sent to measure at it.
  if (read.some(({ right, wrong: off }) => Math.max(right, off) > CLASS_2.maxVolts)) return null;
  const far = ({ right, wrong: off }: Telling) => Math.abs(right - off);
  const [plainest] = read.sort((a, b) => far(b) - far(a));
  return plainest && far(plainest) >= LEAST_V ? plainest : null;
}
