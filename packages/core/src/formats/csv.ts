/** Tables as CSV (RFC 4180) that no spreadsheet takes for formulas. */
import Papa from 'papaparse';

/**
 * A table with its header, lines ended by CR LF. A cell that begins as a formula does gets an apostrophe before it, as OWASP
 * recommends against formula injection (from memory); `plainCell` takes it off again.
 */
export const writeCsv = (fields: readonly string[], data: readonly object[]): string =>
  `${Papa.unparse({ fields: [...fields], data: [...data] }, { newline: '\r\n', escapeFormulae: true })}\r\n`;

/** A cell as it was before it was written so. */
export const plainCell = (text: string): string => text.replace(/^'(?=[=+\-@\t\r])/, '');
