/** How wide words are in the type the loom is written in, so that a plate can be made for its words. */

/**
 * Advance widths of Barlow Condensed SemiBold, thousandths of the type's size, from 32 (space) to 126; read from the font
 * that ships with the app (SIL Open Font Licence).
 */
const ADVANCES = [
  200, 269, 306, 606, 434, 772, 581, 152, 279, 279, 361, 439, 199, 325, 211, 386, 450, 274, 425, 426, 459,
  428, 429, 392, 434, 423, 252, 218, 439, 439, 439, 413, 759, 456, 462, 457, 472, 435, 415, 462, 477, 224,
  443, 477, 415, 538, 507, 467, 457, 455, 461, 434, 452, 478, 471, 665, 460, 456, 406, 330, 386, 330, 413,
  405, 206, 434, 437, 422, 437, 426, 291, 431, 439, 215, 211, 433, 199, 665, 439, 432, 441, 441, 313, 398,
  282, 438, 415, 592, 417, 403, 368, 319, 171, 319, 480,
] as const;
const FIRST = 32;
/** Of a letter that is not in the table: rather too wide. */
const OTHER = 600;

/** Width of a line of condensed type, px. */
export function textWidth(text: string, size: number): number {
  return (
    [...text].reduce((sum, letter) => sum + (ADVANCES[letter.codePointAt(0)! - FIRST] ?? OTHER), 0) *
    (size / 1000)
  );
}

/** The longest beginning of a word that fits; at least a letter. */
function fitting(word: string, size: number, width: number): string {
  let end = word.length;
  while (end > 1 && textWidth(word.slice(0, end), size) > width) end--;
  return word.slice(0, end);
}

/** Words in lines no wider than so much; a word that is wider by itself goes on in the next line. */
export function linesOf(text: string, size: number, width: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && textWidth(`${last} ${word}`, size) <= width) {
      lines[lines.length - 1] = `${last} ${word}`;
      continue;
    }
    for (let rest = word; rest !== '' || word === '';) {
      const part = fitting(rest, size, width);
      lines.push(part);
      rest = rest.slice(part.length);
      if (rest === '') break;
    }
  }
  return lines;
}
