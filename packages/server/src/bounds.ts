/**
 * How large a JSON text may be in every direction, looked at before it is parsed and before anything is known of it: a small body must
 * not keep the server from everybody else.
 */
import { Problem } from './problem';

/** More than any document has. */
const MOST_DEPTH = 40;
const MOST_VALUES = 250_000;
const MOST_IN_A_LIST = 20_000;
const MOST_FIELDS = 3000;

const QUOTE = 0x22;
const ESCAPE = 0x5c;
const COMMA = 0x2c;
const [LIST, LIST_END, OBJECT, OBJECT_END] = [0x5b, 0x5d, 0x7b, 0x7d];

const tooMuch = (detail: string) => new Problem({ status: 413, title: 'Too large', detail });

/** Where the text goes on after a string that begins here. */
function afterString(text: Uint8Array, from: number): number {
  let at = from + 1;
  while (at < text.length && text[at] !== QUOTE) at += text[at] === ESCAPE ? 2 : 1;
  return at;
}

/**
 * @param text - JSON in UTF-8, or what claims to be.
 * @throws Problem 413 where it is nested deeper, or has more values, entries or fields, than anything that is taken here.
 */
export function holdBounds(text: Uint8Array): void {
  /** What each list or object that is open is, and how many commas it had. */
  const kinds = new Uint8Array(MOST_DEPTH + 1);
  const commas = new Uint32Array(MOST_DEPTH + 1);
  let [depth, values] = [0, 0];
  for (let at = 0; at < text.length; at++) {
    const byte = text[at]!;
    if (byte === QUOTE) at = afterString(text, at);
    else if (byte === LIST || byte === OBJECT) {
      if (++depth > MOST_DEPTH) throw tooMuch(`It is nested deeper than ${MOST_DEPTH} levels.`);
      kinds[depth] = byte;
      commas[depth] = 0;
      values++;
    } else if (byte === LIST_END || byte === OBJECT_END) depth = Math.max(0, depth - 1);
    else if (byte === COMMA) {
      values++;
      const most = kinds[depth] === OBJECT ? MOST_FIELDS : MOST_IN_A_LIST;
      if (++commas[depth]! >= most)
        throw tooMuch(
          `It has a list of more than ${MOST_IN_A_LIST} entries, or an object of more than ${MOST_FIELDS} fields.`,
        );
    }
    if (values > MOST_VALUES) throw tooMuch(`It has more than ${MOST_VALUES} values.`);
  }
}
