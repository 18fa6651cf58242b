/**
 * Styles that are compiled when they are first used: hundreds are named while the app begins, and a page has few of them. Takes
 * and gives what `StyleSheet.create` does.
 */
import { StyleSheet } from 'react-native';

export function sheet<T extends StyleSheet.NamedStyles<T>>(styles: T & StyleSheet.NamedStyles<unknown>): T {
  const made = {} as T;
  for (const name of Object.keys(styles) as (keyof T & string)[])
    Object.defineProperty(made, name, {
      configurable: true,
      enumerable: true,
      get() {
        const value = StyleSheet.create({ [name]: styles[name] } as Record<string, T[keyof T & string]>)[
          name
        ];
        Object.defineProperty(made, name, { value, enumerable: true });
        return value;
      },
    });
  return made;
}
