import type { Proof } from '../../prove';

/** "78 states, 22 properties: nothing found" */
export function proofText({ states, properties, findings }: Proof): string {
  const cautions = findings.filter(({ severity }) => severity === 'caution').length;
  const wrong = findings.length - cautions;
  const said = cautions === 0 ? '' : `, ${cautions} ${cautions === 1 ? 'caution' : 'cautions'}`;
  const found = wrong > 0 ? `${wrong} found${said}` : `nothing ${said ? 'wrong' : 'found'}${said}`;
  return `${states} states, ${properties} properties: ${found}`;
}
