/**
 * Elements of the page without what react-native-web does for each of its own on top: effects, listeners and contexts that next to
 * nothing here asks for, and that took most of the time in which a loom is drawn.
 */
import type { ReactElement } from 'react';
import type { TextStyle, ViewStyle } from 'react-native';
import createElement from 'react-native-web/dist/exports/createElement';
import { sheet } from '../theme';

/** What a browser does to its elements by itself is taken away. Raw: whatever is said of one comes before it, in any order. */
export const RESET = sheet({
  box$raw: {
    alignItems: 'stretch',
    backgroundColor: 'transparent',
    border: '0 solid black',
    boxSizing: 'border-box',
    display: 'flex',
    flexBasis: 'auto',
    flexDirection: 'column',
    flexShrink: 0,
    listStyle: 'none',
    margin: 0,
    minHeight: 0,
    minWidth: 0,
    padding: 0,
    position: 'relative',
    zIndex: 0,
  } as ViewStyle,
  words$raw: {
    border: '0 solid black',
    boxSizing: 'border-box',
    display: 'inline',
    fontWeight: 'normal',
    listStyle: 'none',
    margin: 0,
    padding: 0,
    position: 'relative',
    textAlign: 'start',
    whiteSpace: 'pre-wrap',
    wordWrap: 'break-word',
  } as unknown as TextStyle,
});

/** @param props - as a view takes them, with those of the page beside; a role of its own makes it the element of that role. */
export const host = (props: Record<string, unknown>): ReactElement => createElement('div', props);
