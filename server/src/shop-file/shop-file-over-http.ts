import { createReadStream, createWriteStream } from 'node:fs';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ShopFile } from '@yard-spool/contract';
import { BENCHES_TOPIC } from '../benches/benches';
import type { ServerContext } from '../context/context';
import { lastStep } from '../db/migrate';
import { ProblemError } from '../problem-error';
import { ShopFileError } from './format';
import { plainConnection } from '../db/plain-connection';
import { withPassingFile } from './passing-file';
import { checkShopFile } from './read-shop-file';
import { putInto } from './restore-shop';
import { writeShopFile } from './write-shop-file';

/** The most a file may be, packed. */
const MOST_BYTES = 400_000_000;
/** What a shop looks at before it takes a file; everything else comes along. */
const TOLD: Readonly<Record<string, string>> = {
  people: 'people',
  customers: 'customers',
  reels: 'reels',
  fills: 'fills',
  bags: 'bags',
  products: 'lines',
  pieces: 'pieces',
};

/** The database's address, as the application itself has it. */
function addressOf({ sequelize }: ServerContext): string {
  const { host, port, database, username, password } = sequelize.config;
  const address = new URL(`mariadb://${host ?? '127.0.0.1'}:${String(port ?? 3306)}/${database}`);
  address.username = encodeURIComponent(username);
  address.password = encodeURIComponent(password ?? '');
  return address.href;
}

/** Writes the whole shop, as it stands at one moment, and sends it. */
export const sendShop = (context: ServerContext, send: (file: Readable) => Promise<void>): Promise<void> =>
  withPassingFile(async (file) => {
    await writeShopFile(addressOf(context), file, context.clock());
    await send(createReadStream(file));
  });

/** Nothing goes on behind so many bytes. */
function atMost(bytes: number): Transform {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      done(seen > bytes ? new ShopFileError('This file is larger than any shop’s.') : null, chunk);
    },
  });
}

/**
 * Looks a shop's file through, or takes it: into a house that has nobody in it yet, all of it or nothing.
 *
 * @throws `bad-request` where it is no such file, or damaged, or of another version; `not-allowed` in a house with people
 */
export async function importShop(
  context: ServerContext,
  bytes: Readable,
  step: 'look' | 'take',
): Promise<ShopFile> {
  await mustBeEmpty(context);
  return withPassingFile(async (file) => {
    try {
      await pipeline(bytes, atMost(MOST_BYTES), createWriteStream(file, { mode: 0o600 }));
      const { at, schema, rows } = await checkShopFile(file);
      await mustBeThisVersion(context, schema);
      if (step === 'take') await putInto(addressOf(context), file);
      if (step === 'take') {
        // What is held in memory is of the shop that was there before.
        context.held.forget();
        context.notifier.emit(BENCHES_TOPIC);
      }
      const holds = Object.entries(TOLD).map(([table, what]) => ({ what, rows: rows[table] ?? 0 }));
      return { at, holds, taken: step === 'take' };
    } catch (error) {
      if (error instanceof ShopFileError) throw new ProblemError('bad-request', error.message);
      throw error;
    }
  });
}

async function mustBeEmpty({ tables }: ServerContext): Promise<void> {
  if ((await tables.people.count()) > 0)
    throw new ProblemError(
      'not-allowed',
      'This shop has people already. A shop’s file is imported into an empty one, before the first person is added.',
    );
}

async function mustBeThisVersion(context: ServerContext, schema: string): Promise<void> {
  const connection = await plainConnection(addressOf(context));
  try {
    if (schema !== (await lastStep(connection)))
      throw new ShopFileError(
        'This file was written by an older Yard Spool. Bring it up to date with "npm run restore -- FILE".',
      );
  } finally {
    await connection.end();
  }
}
