/** Every document that core declares, as the store holds it: what is to be done for each is done by going through these. */
import type { Reducer } from '@reduxjs/toolkit';
import type { DocumentName, DocumentOf } from '@zygostat/core/documents';
import { DOCUMENTS } from '@zygostat/core/documents';
import type { Held } from './jobDocument';
import { jobDocument } from './jobDocument';

const NAMES = Object.keys(DOCUMENTS) as DocumentName[];

/** By name. */
export const documents = Object.fromEntries(NAMES.map((name) => [name, jobDocument(name)])) as unknown as {
  readonly [Name in DocumentName]: ReturnType<typeof jobDocument<Name>>;
};

export const allDocuments = (): readonly ReturnType<typeof jobDocument>[] =>
  Object.values(documents) as unknown as ReturnType<typeof jobDocument>[];

/** What of the store each is. */
export const documentReducers = Object.fromEntries(
  allDocuments().map(({ name, reducer }) => [name, reducer]),
) as unknown as { readonly [Name in DocumentName]: Reducer<Held<DocumentOf<Name>>> };
