/** The reader itself: the package's front door runs a test of its own when nothing requires it. */
declare module 'pdf-parse/lib/pdf-parse.js' {
  interface Options {
    pagerender?(page: { getTextContent(): Promise<{ items: { str: string }[] }> }): Promise<string>;
  }
  export default function pdfParse(
    bytes: Buffer,
    options?: Options,
  ): Promise<{ numpages: number; text: string }>;
}
