/** Units a person may choose, the first of each the default. */
export const UNITS = {
  temperature: ['F', 'C'],
  length: ['ft', 'm'],
  gauge: ['awg', 'mm2'],
} as const;

export type Units = { [K in keyof typeof UNITS]: (typeof UNITS)[K][number] };
