import { closeSync, fsyncSync, mkdirSync, openSync, renameSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';

/** Writes a file that only this user reads: it is there whole, or as it was before, also when the power goes. */
export function put(file: string, text: string): void {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const unfinished = `${file}.unfinished`;
  const handle = openSync(unfinished, 'w', 0o600);
  try {
    writeSync(handle, text);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(unfinished, file);
}
