import type { PropsWithChildren } from 'react';
import { memo } from 'react';
import type { StyleProp, TextStyle } from 'react-native';
import { Text } from 'react-native';
import { FONTS, inkStyle, sheet, SIZE, useTokens } from '../theme';

const KINDS = sheet({
  body: { fontFamily: FONTS.text, fontSize: SIZE.body, lineHeight: 22 },
  strong: { fontFamily: FONTS.strong, fontSize: SIZE.body, lineHeight: 22 },
  small: { fontFamily: FONTS.text, fontSize: SIZE.small, lineHeight: 18 },
  title: { fontFamily: FONTS.strong, fontSize: SIZE.title, lineHeight: 26 },
  mark: { fontFamily: FONTS.condensed, fontSize: SIZE.mark, lineHeight: 24 },
  figure: { fontFamily: FONTS.condensed, fontSize: SIZE.body, lineHeight: 20, fontVariant: ['tabular-nums'] },
});

type AppTextProps = PropsWithChildren<{
  kind?: keyof typeof KINDS;
  color?: string;
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
  const role = heading ? ({ role: 'heading', 'aria-level': heading } as const) : {};
  return (
    <Text
      {...role}
      {...(lines !== undefined && { numberOfLines: lines })}
      style={[KINDS[kind], inkStyle(ink), style]}
    >
      {children}
    </Text>
  );
});
