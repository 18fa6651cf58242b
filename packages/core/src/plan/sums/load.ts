/** How hard each control transformer works: from the states the circuit really gets into, not from a sum of labels. */
import type { Situation } from '../../prove';
import { primaryTap, readLoads, readTransformers, tapsOf } from '../../behaviour';
import type { Circuit } from '../../circuit';
import { findDevice, setValue } from '../../circuit';
import { fill, kindOf, ratedAmps } from '../../devices';
import type { Network, OperatingPoint } from '../../network';
import { ampsThrough, classifyNodes, makeBase, positionChange, solveChanged, voltsOf } from '../../network';
import { CLASS_2, PLANNED_TRANSFORMER_SHARE, TRANSFORMER_SIZES } from '../../standards';
import type { Worked, Working } from './states';
import { coilsPulledIn, workingStates } from './states';

/** Volt-amperes, volts and amperes of a secondary, and the call that brings them. */
export interface Burden {
  va: number;
  volts: number;
  amps: number;
  situation: Situation;
}

export interface Primary {
  /** Volts on the primary, the tap it is wired to, and what that tap is meant for. */
  volts: number;
  tap: string;
  nominal: number;
  /** The tap meant for these volts. */
  right: string;
  /** Open secondary volts as wired, and on the right tap. */
  openVolts: number;
  rightVolts: number;
}

export interface TransformerLoad {
  device: string;
  label: string;
  nameplate: number;
  /** Everything pulled in; and the moment the coils of a call pull in together. */
  sealed: Burden;
  inrush: Burden;
  /** What makes up the sealed burden, largest first. */
  parts: readonly { title: string; va: number }[];
  /** Amperes, everything pulled in, over rated amperes; and whether that stays within what is planned. */
  share: number;
  planned: boolean;
  class2: { volts: boolean; voltAmperes: boolean };
  /** The same circuit on other sizes. */
  sizes: readonly { va: number; share: number; volts: number }[];
  /** `null` when no tap is wired. */
  primary: Primary | null;
}

const reading = (network: Network, point: OperatingPoint, device: string) =>
  readTransformers(network, point).find((entry) => entry.device === device)!;

const largest = (burdens: readonly Burden[]): Burden =>
  burdens.reduce((worst, burden) => (burden.amps > worst.amps ? burden : worst));

/** The most a transformer carries in a state, dampers on their way included: never a sum of labels. */
function burdenOf(working: Working, { asked, settled, busiest }: Worked, device: string): Burden {
  const { volts, amps } = reading(working.network, (busiest.get(device) ?? settled).point, device);
  return { va: volts * amps, volts, amps, situation: asked.situation };
}

/** The moment all coils of a call pull in, everything else as the call holds it. */
export function inrushPoint(working: Working, worked: Worked): OperatingPoint {
  const { network } = working;
  const { point } = worked.settled;
  const coils = coilsPulledIn(working, worked);
  if (coils.length === 0) return point;
  const choice = point.choice.slice();
  for (const b of coils) choice[b] = network.branches[b]!.positions.indexOf('inrush');
  const base = makeBase(network, point.choice);
  const changed = solveChanged(
    base,
    coils.map((b) => positionChange(base, b, choice[b]!)),
  );
  return { ...point, ...changed, choice };
}

function inrushOf(working: Working, worked: Worked, device: string): Burden {
  const { volts, amps } = reading(working.network, inrushPoint(working, worked), device);
  return { va: volts * amps, volts, amps, situation: worked.asked.situation };
}

/** Less than this is not worth a line, VA. */
const LEAST_VA = 0.05;

/** What the sealed burden is made of: every branch that uses power on this secondary. */
function partsOf({ network }: Working, worked: Worked, device: string): TransformerLoad['parts'] {
  const settled = worked.busiest.get(device) ?? worked.settled;
  const { point } = settled;
  const { reference } = classifyNodes(point);
  const { common } = network.secondaries.find((secondary) => secondary.device === device)!;
  const loads = readLoads(network, settled);
  const parts = new Map<string, number>();
  network.branches.forEach(({ nature, origin, nodes }, b) => {
    if (nature !== 'load' || origin.type !== 'device') return;
    const [a, z] = nodes as [number, number];
    if (![a, z].every((node) => node >= 0 && reference[node] === common)) return;
    const va = voltsOf(point, a, z) * ampsThrough(point, b);
    const title =
      loads.find(({ branch }) => branch === b)?.title ?? findDevice(network.circuit, origin.device)!.label;
    if (va >= LEAST_VA) parts.set(title, (parts.get(title) ?? 0) + va);
  });
  return [...parts].map(([title, va]) => ({ title, va })).sort((one, other) => other.va - one.va);
}

/** The tap the supply is on, and the one it should be on. */
function primaryOf(circuit: Circuit, { network, states }: Working, device: string): Primary | null {
  const wired = primaryTap(network, states[0]!.settled.point, device);
  if (!wired) return null;
  const { volts } = wired;
  const { kind, params } = findDevice(circuit, device)!;
  const values = fill(kindOf(kind).params, params);
  const away = ({ nominal }: { nominal: number }) => Math.abs(Math.log(volts / nominal));
  const right = tapsOf(network, device).reduce((best, tap) => (away(tap) < away(best) ? tap : best));
  const openVolts = (nominal: number) => (Number(values.openVolts) * volts) / nominal;
  return {
    volts,
    tap: wired.mark,
    nominal: wired.nominal,
    right: right.mark,
    openVolts: openVolts(wired.nominal),
    rightVolts: openVolts(right.nominal),
  };
}

/** How hard every control transformer of a circuit works, at nominal mains. */
export function transformerLoads(circuit: Circuit): TransformerLoad[] {
  const working = workingStates(circuit);
  return working.network.secondaries.flatMap(({ device }): TransformerLoad[] => {
    const found = findDevice(circuit, device)!;
    if (!Object.hasOwn(kindOf(found.kind).params, 'va')) return [];
    const values = fill(kindOf(found.kind).params, found.params);
    const nameplate = Number(values.va);
    const rated = ratedAmps(values);
    const sealed = largest(working.states.map((worked) => burdenOf(working, worked, device)));
    const worst = working.states.find(({ asked }) => asked.situation === sealed.situation)!;
    return [
      {
        device,
        label: found.label,
        nameplate,
        sealed,
        inrush: largest(working.states.map((worked) => inrushOf(working, worked, device))),
        parts: partsOf(working, worst, device),
        share: sealed.amps / rated,
        planned: sealed.amps <= PLANNED_TRANSFORMER_SHARE * rated,
        class2: {
          volts:
            Math.max(
              ...working.states.map(({ settled }) => reading(working.network, settled.point, device).volts),
            ) <= CLASS_2.maxVolts,
          voltAmperes: nameplate <= CLASS_2.maxVoltAmperes,
        },
        sizes: TRANSFORMER_SIZES.filter((va) => va !== nameplate).map((va) => {
          // What asks most of one size asks most of another.
          const resized = setValue(circuit, device, 'params', 'va', va);
          const other = workingStates(resized, 1, undefined, [worst.asked]);
          const burden = burdenOf(other, other.states[0]!, device);
          return { va, share: (burden.amps / rated) * (nameplate / va), volts: burden.volts };
        }),
        primary: primaryOf(circuit, working, device),
      },
    ];
  });
}
