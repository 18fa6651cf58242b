import condensed from '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2';
import regular from '@fontsource/barlow/files/barlow-latin-400-normal.woff2';
import strong from '@fontsource/barlow/files/barlow-latin-600-normal.woff2';
import { useFonts } from 'expo-font';
import { FONTS } from './tokens';

/** Loads the shipped fonts; true when they are ready or have failed and the system's stand in. */
export function useShippedFonts(): boolean {
  const [loaded, error] = useFonts({
    [FONTS.text]: regular,
    [FONTS.strong]: strong,
    [FONTS.condensed]: condensed,
  });
  return loaded || error !== null;
}
