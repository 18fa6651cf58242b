/** How the database keeps what was drawn at random and given out. */
import { createHash } from 'node:crypto';

/** Tokens and codes are long and drawn at random, so a plain hash keeps them: there is nothing to guess from it. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');
