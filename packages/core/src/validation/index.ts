/** What is given to the program, checked within bounds. */
export { ALL_FAULTS, listOf } from './list';
export { ONE_LINE, PLAIN_TEXT, hasUnseen, isOneLine, isPlainText } from './text';
