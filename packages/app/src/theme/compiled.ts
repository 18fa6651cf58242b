/**
 * Styles that are compiled once. On the web a style object of its own at every render is worked out at every
 * render, property by property; one that comes from here is a class that is there already.
 */
import type { TextStyle, ViewStyle } from 'react-native';
import { StyleSheet } from 'react-native';

function once<K, S extends ViewStyle | TextStyle>(make: (key: K) => S) {
  const made = new Map<K, S>();
  return (key: K): S => {
    const known = made.get(key);
    if (known) return known;
    const { style } = StyleSheet.create({ style: make(key) }) as { style: S };
    made.set(key, style);
    return style;
  };
}

/** Text in a colour. */
export const inkStyle = once<string, TextStyle>((color) => ({ color }));

/** A ground in a colour. */
export const fillStyle = once<string, ViewStyle>((backgroundColor) => ({ backgroundColor }));
