import type { Circuit } from '../circuit';
import { CircuitError, parseCircuit } from '../circuit';

/** A circuit document as text, two spaces deep, ending in a newline. */
export function circuitToJson(circuit: Circuit): string {
  return `${JSON.stringify(circuit, null, 2)}\n`;
}

/** The largest file that is read, bytes: more than any circuit takes. */
const LARGEST_CIRCUIT_FILE = 2 * 1024 * 1024;

/** Refuses a file by its size alone, before it is read. */
export function circuitFileProblem(bytes: number): string | null {
  if (bytes <= LARGEST_CIRCUIT_FILE) return null;
  const mb = (n: number) => (n / 1024 / 1024).toFixed(1);
  return `has ${mb(bytes)} MB: a circuit file has ${mb(LARGEST_CIRCUIT_FILE)} MB at most`;
}

/**
 * Reads a circuit document from text.
 * @throws CircuitError when it is not JSON or too large (path `document`), or not a valid circuit.
 */
export function circuitFromJson(text: string): Circuit {
  const problem = circuitFileProblem(text.length);
  if (problem) throw new CircuitError([{ path: 'document', message: problem }]);
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    const reason = error instanceof Error ? error.message : 'unreadable';
    throw new CircuitError([{ path: 'document', message: `is not JSON: ${reason}` }]);
  }
  return parseCircuit(input);
}
