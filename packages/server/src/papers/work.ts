/** What runs in a process of its own and draws whatever paper it is handed. */
import { writeFile } from 'node:fs/promises';
import type { Order } from '.';
import { drawHere } from '.';

export interface PaperOrder extends Order {
  /** Takes the bytes of a PDF: tens of megabytes as a message would keep everybody waiting. */
  file: string;
}

/** A text, or `null` where it is in the file. */
export type PaperDone = string | null;

/** Whoever leaves ends the process. */
const NOBODY_LEAVES = new AbortController().signal;

export default async ({ paper, given, file }: PaperOrder): Promise<PaperDone> => {
  const drawn = await drawHere(NOBODY_LEAVES, paper, ...given);
  if (typeof drawn === 'string') return drawn;
  await writeFile(file, drawn);
  return null;
};
