/** Units a person may choose. */
export interface Units {
  temperature: 'F' | 'C';
  length: 'ft' | 'm';
  gauge: 'awg' | 'mm2';
}
