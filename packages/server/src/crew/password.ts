/** Passwords: what is taken for one, and how it is kept. Lengths and parameters by OWASP (ASVS 4.0.3 2.1, Password Storage Cheat Sheet), from memory. */
import { hash, verify } from '@node-rs/argon2';
import { string } from 'yup';

const SHORTEST = 12;
const LONGEST = 128;

/** argon2id is the library's default algorithm. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** Long ones that are tried first all the same; from memory. */
const COMMON: ReadonlySet<string> = new Set([
  '123456789012',
  '1234567890123',
  'qwertyuiopas',
  'password1234',
  'passwordpassword',
  'iloveyou1234',
  'administrator',
  'letmeinletmein',
]);

const distinct = (text: string) => new Set(text).size;

/** What is taken as a new password: long, of more than a few letters, none that everybody tries. */
export const newPassword = () =>
  string()
    .strict()
    .required('is required')
    .min(SHORTEST, `must have ${SHORTEST} characters or more: a few words in a row are easy to remember`)
    .max(LONGEST, `must have at most ${LONGEST} characters`)
    .test('common', 'is one of those that are tried first', (text) => !COMMON.has(text.toLowerCase()))
    .test('varied', 'must have 5 different characters or more', (text) => distinct(text) >= 5);

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Checked against where a name is not known, so that the answer takes as long either way. */
let nobody: Promise<string> | undefined;

/** Whether a password is that of a hash; `undefined` where there is nobody to have one. */
export async function isPassword(kept: string | undefined, password: string): Promise<boolean> {
  nobody ??= hashPassword('nobody goes by this');
  const matches = await verify(kept ?? (await nobody), password);
  return kept !== undefined && matches;
}
