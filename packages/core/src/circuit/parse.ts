import { marksOf } from './terminals';
import type { Schema } from 'yup';
import { ValidationError } from 'yup';
import { ALL_FAULTS } from '../validation';
import type { FieldSet } from '../devices';
import { complaint, fill, findKind } from '../devices';
import type { Problem } from './problem';
import { problemsOf } from './problem';
import { circuitReadIn } from './read-in';
import { circuitSchema, deviceSchema } from './schema';
import type { Circuit, Device } from './types';

/** Thrown by `parseCircuit` with every problem found. */
export class CircuitError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map(({ path, message }) => `${path} ${message}`).join('; '));
    this.name = 'CircuitError';
  }
}

function shapeProblems(input: unknown, schema: Schema = circuitSchema, whole = 'document'): Problem[] {
  if (typeof input !== 'object' || input === null) return [{ path: whole, message: 'must be a JSON object' }];
  try {
    schema.validateSync(input, ALL_FAULTS);
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return problemsOf(error, whole);
  }
}

function duplicateProblems(entries: readonly (readonly [path: string, id: string])[]): Problem[] {
  const seen = new Set<string>();
  const problems: Problem[] = [];
  for (const [path, id] of entries) {
    if (seen.has(id)) problems.push({ path, message: `repeats the id "${id}"; every id must be its own` });
    seen.add(id);
  }
  return problems;
}

function valueProblems(path: string, fields: FieldSet, given: Record<string, unknown>): Problem[] {
  return Object.entries(given).flatMap(([name, value]) => {
    const field = Object.hasOwn(fields, name) ? fields[name] : undefined;
    if (!field)
      return [
        {
          path: `${path}.${name}`,
          message: `is not one of ${Object.keys(fields).join(', ') || 'no fields'}`,
        },
      ];
    const message = complaint(field, value);
    return message ? [{ path: `${path}.${name}`, message }] : [];
  });
}

function deviceProblems(device: Device, path: string, stations: ReadonlySet<string>): Problem[] {
  const kind = findKind(device.kind);
  const problems: Problem[] = [];
  if (!stations.has(device.station))
    problems.push({ path: `${path}.station`, message: `names no station "${device.station}"` });
  if (!kind)
    return [...problems, { path: `${path}.kind`, message: `"${device.kind}" is not in the catalogue` }];
  const wrong = [
    ...valueProblems(`${path}.params`, kind.params, device.params),
    ...valueProblems(`${path}.settings`, kind.settings, device.settings),
  ];
  const conflict = wrong.length === 0 ? kind.conflict(fill(kind.params, device.params)) : undefined;
  return conflict
    ? [...problems, { path: `${path}.params.${conflict.param}`, message: conflict.message }]
    : [...problems, ...wrong];
}

/** What would be refused of a device if it came in a document with these stations. */
export function problemsOfDevice(device: Device, stations: readonly { id: string }[]): Problem[] {
  const shape = shapeProblems(device, deviceSchema, 'device');
  return shape.length > 0 ? shape : deviceProblems(device, 'device', new Set(stations.map(({ id }) => id)));
}

function referenceProblems(circuit: Circuit): Problem[] {
  const stations = new Set(circuit.stations.map(({ id }) => id));
  const problems = circuit.devices.flatMap((device, i) => deviceProblems(device, `devices[${i}]`, stations));
  const terminals = new Map(circuit.devices.map((device) => [device.id, marksOf(device)]));
  const checkTerminal = (path: string, terminal: string): Problem[] => {
    const [deviceId = '', mark = ''] = terminal.split('.');
    const marks = terminals.get(deviceId);
    if (!marks) return [{ path, message: `names no device "${deviceId}"` }];
    return marks.includes(mark) ? [] : [{ path, message: `"${mark}" is not one of ${marks.join(', ')}` }];
  };
  circuit.cables.forEach((cable, c) =>
    cable.conductors.forEach(({ from, to }, k) => {
      const path = `cables[${c}].conductors[${k}]`;
      if (from !== null) problems.push(...checkTerminal(`${path}.from`, from));
      if (to !== null) problems.push(...checkTerminal(`${path}.to`, to));
      if (from !== null && from === to)
        problems.push({ path: `${path}.to`, message: 'lands on the terminal its other end is on' });
    }),
  );
  circuit.links.forEach(({ joins }, l) => {
    joins.forEach((terminal, k) => problems.push(...checkTerminal(`links[${l}].joins[${k}]`, terminal)));
    if (new Set(joins).size < joins.length)
      problems.push({ path: `links[${l}].joins`, message: 'names a terminal twice' });
  });
  return problems;
}

/**
 * Reads a circuit document from anything; one of an older version is read in.
 * @throws CircuitError naming the path of every problem: shape, unknown fields and
 *   versions, duplicate ids, references to nothing, unknown designations, values out of range.
 */
export function parseCircuit(given: unknown): Circuit {
  const input = circuitReadIn(given);
  const shape = shapeProblems(input);
  if (shape.length > 0) throw new CircuitError(shape);
  const circuit = input as Circuit;
  const conductors = circuit.cables.flatMap(({ conductors }, c) =>
    conductors.map(({ id }, k) => [`cables[${c}].conductors[${k}].id`, id] as const),
  );
  const ids = (list: readonly { id: string }[], name: string) =>
    list.map(({ id }, i) => [`${name}[${i}].id`, id] as const);
  const problems = [
    ...duplicateProblems(ids(circuit.stations, 'stations')),
    ...duplicateProblems(ids(circuit.devices, 'devices')),
    ...duplicateProblems(ids(circuit.cables, 'cables')),
    ...duplicateProblems(conductors),
    ...duplicateProblems(ids(circuit.links, 'links')),
    ...referenceProblems(circuit),
  ];
  if (problems.length > 0) throw new CircuitError(problems);
  return circuit;
}
