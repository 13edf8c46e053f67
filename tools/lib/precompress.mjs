import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** What shrinks: fonts and pictures are packed already. */
const SHRINKS = /\.(?:js|css|svg|json|webmanifest)$/;
/** A smaller one fits into one packet as it is, bytes. */
const LEAST = 1024;

/**
 * Writes each file of a folder that shrinks twice more, packed as small as can be: nobody waits for it while it is served.
 * @param {string} folder
 */
export async function precompress(folder) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) =>
    SHRINKS.test(name),
  );
  for (const file of files.map((name) => join(folder, name))) {
    const bytes = readFileSync(file);
    if (bytes.length < LEAST) continue;
    const size = { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
    writeFileSync(`${file}.br`, await promisify(brotliCompress)(bytes, { params: size }));
    writeFileSync(`${file}.gz`, await promisify(gzip)(bytes, { level: constants.Z_BEST_COMPRESSION }));
  }
}
