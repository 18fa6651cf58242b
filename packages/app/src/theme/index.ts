/** Colours, type and the theme in force. */
import { createContext, useContext } from 'react';
import { useWindowDimensions } from 'react-native';
import type { Tokens } from './tokens';
import { WIDE, light } from './tokens';

export const TokensContext = createContext<Tokens>(light);

/** The tokens of the theme in force. */
export const useTokens = (): Tokens => useContext(TokensContext);

export const useWide = (): boolean => useWindowDimensions().width >= WIDE;

export * from './compiled';
export * from './fonts';
export * from './paper';
export * from './tokens';
