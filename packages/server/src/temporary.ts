import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Does something in a folder of its own, which is gone after it. */
export async function inFolder<T>(act: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'zygostat-'));
  try {
    return await act(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
