/** The wires of an outdoor unit as a list: typed, read, written, completed. */
export { completions } from './completions';
export { readWireList } from './read';
export type { WireListProblem, WireListRead } from './read';
export { writeWireCsv, writeWireList } from './write';
