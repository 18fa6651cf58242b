/** Colours, type and the theme in force. */
import { createContext, useContext } from 'react';
import { useWindowDimensions } from 'react-native';
import type { Tokens } from './tokens';
import { WIDE, light } from './tokens';

export const TokensContext = createContext<Tokens>(light);

/** The tokens of the theme in force. */
export const useTokens = (): Tokens => useContext(TokensContext);

/** How a place is laid out: `wide` has the loom beside the work, `sideways` the bars beside it, `small` all in one scroll. */
type Shape = 'phone' | 'wide' | 'sideways' | 'small';

/** Lower than this, bars above and below would leave nothing between them, px. */
const LOW = 520;
/** Least width at which bars stand beside the work of a low window, px. */
const BESIDE = 600;

export function useShape(): Shape {
  const { width, height } = useWindowDimensions();
  if (height < LOW) return width >= BESIDE ? 'sideways' : 'small';
  return width >= WIDE ? 'wide' : 'phone';
}

export const useWide = (): boolean => useShape() === 'wide';

export * from './compiled';
export * from './page';
export * from './paper';
export * from './sheet';
export * from './tokens';
