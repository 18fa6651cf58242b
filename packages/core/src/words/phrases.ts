/** How names are put into a sentence. */

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A name inside a sentence: its capital goes, a unit or an abbreviation stays. */
export const inSentence = (text: string) =>
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;

export const listed = (items: readonly string[]) =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;
