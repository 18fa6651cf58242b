/** Text as a person may write it: characters that break a line where there is one, or that no file can hold, are none of it. */

/** Control characters (Cc), halves of a pair (Cs), and what ends a line or a paragraph. */
const NOT_ON_A_LINE = /[\p{Cc}\p{Cs}\u2028\u2029]/u;
/** The same, but for ends of lines and tabs. */
const NOT_IN_TEXT = /(?![\n\r\t])[\p{Cc}\p{Cs}]/u;

export const isOneLine = (text: string): boolean => !NOT_ON_A_LINE.test(text);
export const isPlainText = (text: string): boolean => !NOT_IN_TEXT.test(text);

/** What is said of a text that is none. */
export const ONE_LINE = 'must be one line, without control characters';
export const PLAIN_TEXT = 'must not have control characters';

/** Control, format, private and unassigned characters, and those that are shown as nothing. */
const UNSEEN = /[\p{C}\p{Default_Ignorable_Code_Point}\u2028\u2029]/u;

/** Whether there is something in a name that nobody can see. */
export const hasUnseen = (text: string): boolean => UNSEEN.test(text);
