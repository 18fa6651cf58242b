/** Tests that take longest run first, so that neither core waits for the other at the end. */
import sequencer from '@jest/test-sequencer';

/** The longest first, by a part of their path; the rest as Jest would have it. */
const LONGEST = [
  'testing/tables.test',
  'repair/repair.test',
  'swap/swap.test',
  'features/plan/plan.test',
  'prove/zones.test',
  'diagnose/diagnose.test',
];

const rank = ({ path }) => {
  const at = LONGEST.findIndex((part) => path.replaceAll('\\', '/').includes(part));
  return at < 0 ? LONGEST.length : at;
};

const Sequencer = sequencer.default ?? sequencer;

export default class LongestFirst extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((one, other) => rank(one) - rank(other));
  }
}
