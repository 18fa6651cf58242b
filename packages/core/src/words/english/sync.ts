/** What waits to be sent, and what became of it, told. */
import type { Word } from '../../sync';

const SAID: Readonly<Record<Exclude<Word, 'put-together' | 'not-taken'>, string>> = {
  'no-answer': 'No answer: it is kept here and sent when there is',
  behind: 'Kept here, and sent after what was done before it',
  'no-room': 'No answer, and this browser has no room to keep it: leave this page open until it is sent',
};

interface Called {
  /** At the start of a line. */
  title: string;
  /** What is said where somebody else changed it too. */
  together?: string;
}

/** By name; what has none here is told in general words. */
const CALLED: Readonly<Record<string, Called>> = {
  building: {
    title: 'The building',
    together: 'Somebody else wrote on this building too: both changes are in.',
  },
  change: { title: 'Notes, or whether it is done' },
  circuit: {
    title: 'The wiring',
    together: 'Somebody else changed this job too: both changes are in. Prove it again before power',
  },
  diagnosis: {
    title: 'The search',
    together: 'Somebody else looked for the fault too: everything you both saw counts.',
  },
  entry: { title: 'An entry of the record' },
  job: { title: 'The job itself' },
  photo: { title: 'A photograph' },
  plan: {
    title: 'The plan',
    together: 'Somebody else worked on this list too: everything either of you ticked or took back counts.',
  },
  reading: { title: 'A reading' },
  survey: {
    title: 'The survey',
    together: 'Somebody else worked on the survey too: both changes are in.',
  },
};

/** What something that waits is called. */
export const waitingTitle = (name: string): string => CALLED[name]?.title ?? 'Something';

/**
 * What became of something that was to be sent.
 *
 * @param detail - what the server said, or the name of the document.
 */
export function syncText(word: Word, detail: string): string {
  if (word === 'not-taken') return `Not taken: ${detail}`;
  if (word === 'put-together')
    return CALLED[detail]?.together ?? 'Somebody else changed this too: both changes are in.';
  return SAID[word];
}
