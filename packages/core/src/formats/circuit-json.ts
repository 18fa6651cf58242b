import type { Circuit } from '../circuit';
import { CircuitError, parseCircuit } from '../circuit';

/** A circuit document as text, two spaces deep, ending in a newline. */
export function circuitToJson(circuit: Circuit): string {
  return `${JSON.stringify(circuit, null, 2)}\n`;
}

/**
 * Reads a circuit document from text.
 * @throws CircuitError when it is not JSON (path `document`) or not a valid circuit.
 */
export function circuitFromJson(text: string): Circuit {
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    const reason = error instanceof Error ? error.message : 'unreadable';
    throw new CircuitError([{ path: 'document', message: `is not JSON: ${reason}` }]);
  }
  return parseCircuit(input);
}
