declare module '*.woff2' {
  const source: number;
  export default source;
}
