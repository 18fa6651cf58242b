/** The documents a job and a site have, each declared once. */
export { asIs, readAs } from './declare';
export type { DocumentKind, Owner } from './declare';
export { mergeDocuments } from './merge-documents';
export { DOCUMENTS, documentKinds } from './registry';
export type { DocumentName, DocumentOf } from './registry';
