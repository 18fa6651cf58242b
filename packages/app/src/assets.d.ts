declare module '*.woff2' {
  const source: string;
  export default source;
}

declare module 'react-native-web/dist/exports/createElement' {
  import type { ReactElement } from 'react';
  export default function createElement(component: string, props: Record<string, unknown>): ReactElement;
}
