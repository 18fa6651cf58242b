import condensed from '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2';
import regular from '@fontsource/barlow/files/barlow-latin-400-normal.woff2';
import strong from '@fontsource/barlow/files/barlow-latin-600-normal.woff2';
import { FONTS } from './tokens';

const FILES = { [FONTS.text]: regular, [FONTS.strong]: strong, [FONTS.condensed]: condensed };

/** Reads the shipped fonts; the system's stand in until they are there, and should they not come. */
export function readFonts(): void {
  for (const [family, file] of Object.entries(FILES)) {
    const face = new FontFace(family, `url(${file})`, { display: 'swap' });
    document.fonts.add(face);
    face.load().catch(() => undefined);
  }
}
