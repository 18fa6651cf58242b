/** What is printed, by its name, and who draws it. */
import { cardsPdf, tagsPdf } from './cards';
import { diagramPdf, diagramSvg } from './diagram';
import { followUp } from './follow-up';
import { reportJson, reportPdf, reportText } from './report';

/** Each is drawn from plain values alone, so that another process may do it. */
const PAPERS = {
  cards: cardsPdf,
  tags: tagsPdf,
  diagram: diagramPdf,
  diagramSvg,
  report: reportPdf,
  reportText,
  reportJson,
  followUp,
};

type Papers = typeof PAPERS;
type PaperName = keyof Papers;

/**
 * Draws a paper: the bytes of a PDF, or a text.
 *
 * @param left - is aborted when whoever asked has gone.
 */
export type Draw = <P extends PaperName>(
  left: AbortSignal,
  paper: P,
  ...given: Parameters<Papers[P]>
) => Promise<Uint8Array | string>;

/** What another process is handed. */
export interface Order {
  paper: PaperName;
  given: Parameters<Papers[PaperName]>;
}

/** Draws it here and now. */
export const drawHere: Draw = (_left, paper, ...given) => {
  const draw = PAPERS[paper] as (...given: unknown[]) => Promise<Uint8Array | string>;
  return draw(...given);
};
