import type { Proof } from '../prove';

/** What a proof found to be dangerous or faulty; coils with little to spare left out. */
export const wrongIn = ({ findings }: Proof): string[] =>
  findings
    .filter(({ severity }) => severity !== 'caution')
    .map(({ property, about }) => `${property} ${about}`);
