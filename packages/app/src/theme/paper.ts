import type { MD3Theme } from 'react-native-paper';
import { MD3DarkTheme, MD3LightTheme, configureFonts } from 'react-native-paper';
import type { Tokens } from './tokens';
import { FONTS, dark, glare, light } from './tokens';

const themed = (base: MD3Theme, t: Tokens): MD3Theme => ({
  ...base,
  roundness: 3,
  fonts: configureFonts({ config: { fontFamily: FONTS.text } }),
  colors: {
    ...base.colors,
    primary: t.copper,
    onPrimary: t.onCopper,
    primaryContainer: t.copperSoft,
    onPrimaryContainer: t.ink,
    secondary: t.teal,
    secondaryContainer: t.tealSoft,
    onSecondaryContainer: t.ink,
    background: t.paper,
    onBackground: t.ink,
    surface: t.card,
    onSurface: t.ink,
    surfaceVariant: t.idle,
    onSurfaceVariant: t.mute,
    outline: t.mute,
    outlineVariant: t.line,
    error: t.red,
    inverseSurface: t.meter,
    inverseOnSurface: t.meterInk,
  },
});

export const paperThemes = {
  light: themed(MD3LightTheme, light),
  dark: themed(MD3DarkTheme, dark),
  glare: themed(MD3LightTheme, glare),
};
