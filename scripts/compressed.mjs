/** The exported app's large files, compressed once: as small as they get, and no work for the server each time one is asked for. */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** Smaller ones, the service worker among them, are compressed as they go out. */
const LEAST_BYTES = 50_000;

const WAYS = {
  br: (bytes) =>
    promisify(brotliCompress)(bytes, {
      params: {
        [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      },
    }),
  gz: (bytes) => promisify(gzip)(bytes, { level: constants.Z_BEST_COMPRESSION }),
};

/** Writes each script of `dist` once more beside itself in every way (`x.js.br`, `x.js.gz`). */
export async function compressAll(dist) {
  const files = readdirSync(dist, { recursive: true })
    .filter((name) => name.endsWith('.js'))
    .map((name) => join(dist, name));
  await Promise.all(
    files.flatMap((file) => {
      const bytes = readFileSync(file);
      return bytes.length < LEAST_BYTES
        ? []
        : Object.entries(WAYS).map(async ([way, compress]) =>
            writeFileSync(`${file}.${way}`, await compress(bytes)),
          );
    }),
  );
}
