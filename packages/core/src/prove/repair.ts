/** Looks for the one change that puts a finding right: a setting, two wires exchanged, an end landed or lifted, the next size. */
import type { Circuit, End } from '../circuit';
import { ENDS, exchange, land, lift, pointName, setCable, setValue, splitTerminal } from '../circuit';
import { fill, kindOf } from '../devices';
import { GAUGES, TRANSFORMER_SIZES, colourName } from '../standards';
import type { Finding } from './prove';
import { prove, violationsIn } from './prove';
import { lineTerminals } from './terminals';

export interface Repair {
  /** What to do, in words. */
  text: string;
  circuit: Circuit;
  /** Findings left once it is done. */
  left: number;
}

interface Candidate {
  text: string;
  circuit: () => Circuit;
}

/** Thermostat settings turned to each of their other choices. */
function settings(circuit: Circuit): Candidate[] {
  return circuit.devices.flatMap(({ id, kind, label, settings: given }) => {
    const found = kindOf(kind);
    if (!found.asks) return [];
    const values = fill(found.settings, given);
    return Object.entries(found.settings).flatMap(([name, field]): Candidate[] =>
      field.type !== 'choice'
        ? []
        : Object.entries(field.options).flatMap(([option, words]) =>
            option === values[name]
              ? []
              : [
                  {
                    text: `Set ${label}: ${field.label}: ${words}.`,
                    circuit: () => setValue(circuit, id, 'settings', name, option),
                  },
                ],
          ),
    );
  });
}

/** Every two conductors of a cable exchanged at one end, line voltage left out. */
function exchanges(circuit: Circuit): Candidate[] {
  const line = lineTerminals(circuit);
  return circuit.cables.flatMap(({ conductors, label }) =>
    ENDS.flatMap((end) =>
      conductors.flatMap((one, i) =>
        conductors.slice(i + 1).flatMap((other): Candidate[] => {
          const [here, there] = [one[end], other[end]];
          if (here === null || there === null || here === there || line.has(here) || line.has(there))
            return [];
          return [
            {
              text: `Exchange ${colourName(one.colour)} and ${colourName(other.colour)} of ${label} between ${pointName(circuit, here)} and ${pointName(circuit, there)}.`,
              circuit: () => exchange(circuit, [one.id, end], [other.id, end]),
            },
          ];
        }),
      ),
    ),
  );
}

/** Free ends landed where their mark is, or taken off at the other end too. */
function freeEnds(circuit: Circuit): Candidate[] {
  const terminals = circuit.devices.flatMap(({ id, kind, params }) =>
    kindOf(kind)
      .designations(fill(kindOf(kind).params, params))
      .map(({ mark }) => `${id}.${mark}`),
  );
  return circuit.cables.flatMap(({ conductors, label }) =>
    conductors.flatMap(({ id, colour, from, to }): Candidate[] => {
      const landed = from ?? to;
      if (landed === null || (from !== null && to !== null)) return [];
      const [free, held]: [End, End] = from === null ? ['from', 'to'] : ['to', 'from'];
      const { mark, deviceId } = splitTerminal(landed);
      const same = terminals.filter((terminal) => {
        const other = splitTerminal(terminal);
        return other.mark === mark && other.deviceId !== deviceId;
      });
      const name = `${colourName(colour)} of ${label}`;
      return [
        ...same.map((terminal) => ({
          text: `Land ${name} on ${pointName(circuit, terminal)}.`,
          circuit: () => land(circuit, id, free, terminal),
        })),
        {
          text: `Take ${name} off ${pointName(circuit, landed)} and insulate both ends.`,
          circuit: () => lift(circuit, id, held),
        },
      ];
    }),
  );
}

/** The next sizes of transformer and of wire. */
function sizes(circuit: Circuit): Candidate[] {
  const transformers = circuit.devices.flatMap(({ id, kind, label, params }): Candidate[] => {
    if (kind !== 'control-transformer') return [];
    const va = Number(fill(kindOf(kind).params, params).va);
    return TRANSFORMER_SIZES.filter((size) => size > va).map((size) => ({
      text: `Fit a ${size} VA transformer for ${label}.`,
      circuit: () => setValue(circuit, id, 'params', 'va', size),
    }));
  });
  const cables = circuit.cables.flatMap(({ id, gauge, label }) =>
    GAUGES.filter((thicker) => thicker < gauge && thicker >= 14)
      .reverse()
      .map((thicker): Candidate => ({
        text: `Pull ${label} in ${thicker} AWG.`,
        circuit: () => setCable(circuit, id, { gauge: thicker }),
      })),
  );
  return [...transformers, ...cables];
}

/** Repairs proven whole, so that looking for the best of them ends. */
const MOST_PROVEN = 6;

/**
 * The change that puts a finding right and leaves the least else to be found; `null` when no single one
 * does. Settings are tried before wires, wires before parts: the order of what they cost. A change that
 * trades one finding for another is no repair.
 */
export function repairOf(circuit: Circuit, finding: Finding): Repair | null {
  const { shownBy, property, about } = finding;
  const before = violationsIn(circuit, shownBy).length;
  const mends = (changed: Circuit) => {
    const now = violationsIn(changed, shownBy);
    return now.length < before && !now.some((other) => other.property === property && other.about === about);
  };
  const candidates = [...settings(circuit), ...freeEnds(circuit), ...exchanges(circuit), ...sizes(circuit)];
  let best: Repair | null = null;
  let least = prove(circuit)!.findings.length;
  let proven = 0;
  for (const { text, circuit: make } of candidates) {
    const changed = make();
    if (!mends(changed)) continue;
    const left = prove(changed)!.findings.length;
    if (left < least) {
      best = { text, circuit: changed, left };
      least = left;
    }
    if (left === 0 || ++proven >= MOST_PROVEN) break;
  }
  return best;
}
