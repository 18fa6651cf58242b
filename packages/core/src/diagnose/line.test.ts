/** Nobody is sent to where line voltage stands without being told: in every ready system, by what the solved circuit has there. */
import { splitTerminal } from '../circuit';
import { TEMPLATES } from '../systems';
import type { Dictionary, Step } from '.';
import { hypothesesOf, makeDictionary } from '.';
import { candidatesOf } from './next/candidates';

/** The most that a Class 2 circuit has, V (NFPA 70, chapter 9, table 11(A): 30 V; from memory). */
const CLASS_2_V = 30;

/** Terminals that have more than that against earth in some call. */
function liveIn({ network, states, predict }: Dictionary): ReadonlySet<string> {
  const live = states.flatMap(({ id }) => {
    const { read } = predict(0, id);
    return network.nodes.filter((node) => {
      const reading = read({ mode: 'ac-volts', red: node, black: 'earth', meter: 'low-z' });
      return node !== 'earth' && reading.ok && reading.value > CLASS_2_V;
    });
  });
  return new Set(live);
}

function isBeside(step: Step, live: ReadonlySet<string>, { circuit }: Dictionary): boolean {
  const conductors = circuit.cables
    .flatMap((cable) => cable.conductors)
    .filter(({ from, to }) => [from, to].some((end) => end !== null && live.has(end)));
  switch (step.type) {
    case 'reading':
      return step.mode === 'ac-volts' && (live.has(step.red) || live.has(step.black));
    case 'clamp':
      return conductors.some(({ id }) => id === step.conductor);
    case 'look':
      return conductors.some(({ from, to }) =>
        [from, to].some((end) => end !== null && splitTerminal(end).deviceId === step.device),
      );
    default:
      return false;
  }
}

test.each(TEMPLATES.map(({ id, build }) => [id, build] as const))(
  'in %s whoever comes near line voltage is told',
  (_id, build) => {
    const circuit = build('Line');
    const dictionary = makeDictionary(circuit, [hypothesesOf(circuit)[0]!]);
    const live = liveIn(dictionary);
    expect(live.size).toBeGreaterThan(0);
    const calls = dictionary.states.map(({ id }) => id);
    const beside = candidatesOf(dictionary, calls).filter((step) => isBeside(step, live, dictionary));
    expect(beside.length).toBeGreaterThan(0);
    expect(beside.filter((step) => !('line' in step && step.line))).toEqual([]);
  },
);
