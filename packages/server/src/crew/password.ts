/** Passwords: what is taken for one, and how it is kept. Lengths and parameters by OWASP (ASVS 4.0.3 2.1, Password Storage Cheat Sheet), from memory. */
import { hash, verify } from '@node-rs/argon2';
import { string } from 'yup';
import { ENOUGH, strengthOf } from './strength';

const SHORTEST = 12;
export const LONGEST = 128;

/** argon2id is the library's default algorithm. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** What is taken as a new password: long, and none that is guessed by what everybody tries, a name beside it among that. */
export const newPassword = () =>
  string()
    .strict()
    .required('is required')
    .min(SHORTEST, `must have ${SHORTEST} characters or more: a few words in a row are easy to remember`)
    .max(LONGEST, `must have at most ${LONGEST} characters`)
    .test(
      'strong',
      'is one of those that are tried first: take a few words that do not belong together',
      (text, { parent, options }) => {
        // What is too long is refused for that; it is not worth reading.
        if (text.length > LONGEST) return true;
        const { name } = { ...options.context, ...(parent as { name?: unknown }) } as { name?: unknown };
        return strengthOf(text, typeof name === 'string' ? [name] : []) >= ENOUGH;
      },
    );

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Checked against where a name is not known, so that the answer takes as long either way. */
let nobody: Promise<string> | undefined;

/** Whether a password is that of a hash; `undefined` where there is nobody to have one. */
export async function isPassword(kept: string | undefined, password: string): Promise<boolean> {
  nobody ??= hashPassword('nobody goes by this');
  const matches = await verify(kept ?? (await nobody), password);
  return kept !== undefined && matches;
}
