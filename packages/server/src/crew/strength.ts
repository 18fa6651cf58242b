/**
 * How soon a password is guessed: by what is tried first, which are common passwords, words, rows of keys, repeats, dates and the
 * name of its own. Estimated by zxcvbn (Wheeler, USENIX Security 2016), with the 49 233 common passwords that come with the library.
 */
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** From here on guessing over the network comes to nothing: 10⁶ guesses and more. */
export const ENOUGH = 2;

/** What comes after it takes longer to estimate than it says of it. */
const LOOKED_AT = 40;

let guesser: ZxcvbnFactory | undefined;

/**
 * From 0, guessed at once, to 4.
 * @param known - what else is tried first, such as the person's name.
 */
export function strengthOf(password: string, known: readonly string[] = []): number {
  // Made when first wanted: reading its lists takes a tenth of a second.
  guesser ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  return guesser.check(password.slice(0, LOOKED_AT), [...known]).score;
}
