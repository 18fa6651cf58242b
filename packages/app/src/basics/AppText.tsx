import type { PropsWithChildren } from 'react';
import { memo } from 'react';
import type { StyleProp, TextStyle } from 'react-native';
import { FONTS, inkStyle, sheet, SIZE, useTokens } from '../theme';
import { RESET, host } from './host';

const KINDS = sheet({
  body: { fontFamily: FONTS.text, fontSize: SIZE.body, lineHeight: 22 },
  strong: { fontFamily: FONTS.strong, fontSize: SIZE.body, lineHeight: 22 },
  small: { fontFamily: FONTS.text, fontSize: SIZE.small, lineHeight: 18 },
  title: { fontFamily: FONTS.strong, fontSize: SIZE.title, lineHeight: 26 },
  mark: { fontFamily: FONTS.condensed, fontSize: SIZE.mark, lineHeight: 24 },
  figure: { fontFamily: FONTS.condensed, fontSize: SIZE.body, lineHeight: 20, fontVariant: ['tabular-nums'] },
  // To be typed as it stands: two hyphens are not drawn as one dash.
  command: {
    fontFamily: FONTS.strong,
    fontSize: SIZE.body,
    lineHeight: 22,
    fontVariant: ['no-common-ligatures', 'no-contextual'],
  },
});

type AppTextProps = PropsWithChildren<{
  kind?: keyof typeof KINDS;
  color?: string;
  /** It is cut after so many, with dots. */
  lines?: number;
  heading?: 1 | 2 | 3;
  style?: StyleProp<TextStyle>;
}>;

/**
 * Text in one of the product's few sizes.
 *
 * @example <AppText kind="title" heading={1}>Jobs</AppText>
 */
export const AppText = memo(function AppText({
  kind = 'body',
  color,
  lines,
  heading,
  style,
  children,
}: AppTextProps) {
  const tokens = useTokens();
  const ink = color ?? (kind === 'small' ? tokens.mute : tokens.ink);
  return host({
    ...(heading && { role: 'heading', 'aria-level': heading }),
    style: [RESET.words$raw, KINDS[kind], inkStyle(ink), linesStyle(lines), style],
    children,
  });
});

const ONE = sheet({
  line: {
    maxWidth: '100%',
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
    wordWrap: 'normal',
  } as TextStyle,
});

/** A text that is cut. Several lines are counted by the browser in a way that has no name of its own in React Native. */
const linesStyle = (lines: number | undefined) =>
  lines === undefined || lines === 1
    ? lines && ONE.line
    : ({
        display: '-webkit-box',
        maxWidth: '100%',
        overflow: 'clip',
        textOverflow: 'ellipsis',
        WebkitBoxOrient: 'vertical',
        WebkitLineClamp: lines,
      } as unknown as TextStyle);
