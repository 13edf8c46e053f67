import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import { ShopFileError } from './format';

/** What no shop's file comes near, in signs: one line is a row of one table. */
export const MOST_OF_A_FILE = { line: 16_000_000, all: 20_000_000_000 } as const;

const DAMAGED = 'This file was damaged since it was written: it cannot be unpacked. Take another one.';

/** What is wrong with a file that cannot be read, each with what to do. */
function whyNot(file: string, { code, message }: NodeJS.ErrnoException): string {
  if (code === 'ENOENT') return `There is no file ${file}.`;
  if (code === 'EISDIR') return `${file} is a folder. Name a file in it.`;
  if (code === 'EACCES') return `This user may not read ${file}. Give it the right to, or copy the file.`;
  if (code === 'Z_BUF_ERROR')
    return 'This file ends too early: it was not written or copied whole. Take another one.';
  return message.includes('incorrect header')
    ? 'This is no file of a shop: those are made by a backup and end in .jsonl.gz. Spreadsheets and CSV are imported on the rack’s Import page.'
    : DAMAGED;
}

/**
 * The lines of a packed file. A few packed bytes can stand for any number: nothing is held beyond one line, and nothing is
 * unpacked beyond what a shop could have.
 *
 * @throws ShopFileError where it is not there, cannot be unpacked, or grows beyond what a shop's file can be
 */
export async function* unpackedLines(
  file: string,
  most: { readonly line: number; readonly all: number } = MOST_OF_A_FILE,
): AsyncGenerator<string> {
  const bytes = createReadStream(file);
  const text = bytes.pipe(createGunzip());
  bytes.on('error', (error) => text.destroy(error));
  text.setEncoding('utf8');
  /** The line that is not at its end yet, in the pieces it came in: put together once, however long it grows. */
  let begun: string[] = [];
  let length = 0;
  let seen = 0;
  try {
    for await (const chunk of text as AsyncIterable<string>) {
      seen += chunk.length;
      for (const [i, part] of chunk.split('\n').entries()) {
        if (i > 0) {
          yield begun.join('');
          begun = [];
          length = 0;
        }
        begun.push(part);
        length += part.length;
        if (seen > most.all || length > most.line)
          throw new ShopFileError('This file grows beyond what a shop’s file can be when it is unpacked.');
      }
    }
  } catch (error) {
    if (error instanceof ShopFileError) throw error;
    throw new ShopFileError(whyNot(file, error as NodeJS.ErrnoException));
  } finally {
    bytes.destroy();
    text.destroy();
  }
  if (length > 0) yield begun.join('');
}
