/** What follows from where a person is, by the likely subtags of Unicode CLDR. */

/** @param tag - of a browser (BCP 47); the United States where it is none ("en-US@posix"). */
export function regionOf(tag: string): string {
  try {
    return new Intl.Locale(tag).maximize().region ?? 'US';
  } catch {
    return 'US';
  }
}

/** English as it is written where a person is. */
export const englishOf = (tag: string): string => `en-${regionOf(tag)}`;
