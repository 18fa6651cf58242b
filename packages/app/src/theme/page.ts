/** The page itself follows the theme: its scroll bars and fields, the bar around it, the ring around what has the focus. */
import { useEffect } from 'react';
import type { Tokens } from './tokens';

export function usePageTheme(tokens: Tokens, isDark: boolean): void {
  useEffect(() => {
    const { style } = document.documentElement;
    style.colorScheme = isDark ? 'dark' : 'light';
    style.setProperty('--focus', tokens.slate);
    for (const page of [document.documentElement, document.body]) page.style.backgroundColor = tokens.paper;
    for (const meta of document.querySelectorAll('meta[name="theme-color"]')) {
      meta.setAttribute('content', tokens.paper);
      meta.removeAttribute('media');
    }
  }, [tokens, isDark]);
}
