import { destination, pino, type Logger } from 'pino';
import type { Config } from './config';

/** More than this waiting to be written is let go, characters. */
const MOST_WAITING = 1_000_000;

/** What a database says of the row it would not take, beside its words. */
interface About {
  readonly errno?: unknown;
  readonly code?: unknown;
  readonly sql?: unknown;
  readonly table?: unknown;
  readonly index?: unknown;
  readonly fields?: unknown;
  /** Whether its message names places alone. */
  readonly tellsNothingTyped?: unknown;
}

/** The first table a statement names: never its values. */
const tableIn = (sql: string): string | undefined =>
  /\b(?:FROM|INTO|UPDATE|JOIN)\s+`?([a-z_]{1,40})`?/i.exec(sql)?.[1];

const namesOf = (fields: unknown): string[] =>
  Array.isArray(fields)
    ? fields.filter((one): one is string => typeof one === 'string')
    : Object.keys(fields ?? {});

/** What an error may be told of in the log: what it is, of which table, key and field, and where; never what people typed. */
function withoutWords(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const { errno, code, sql, table, index, fields, tellsNothingTyped } = error as About;
  const cause: unknown = 'parent' in error ? error.parent : undefined;
  const at = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  const where = typeof table === 'string' ? table : typeof sql === 'string' ? tableIn(sql) : undefined;
  const named = namesOf(fields);
  return {
    type: error.name,
    ...(tellsNothingTyped === true ? { message: error.message } : {}),
    ...(typeof code === 'string' ? { code } : {}),
    ...(typeof errno === 'number' ? { errno } : {}),
    ...(where === undefined ? {} : { table: where }),
    ...(typeof index === 'string' ? { key: index } : {}),
    ...(named.length === 0 ? {} : { fields: named }),
    ...(cause instanceof Error ? { cause: withoutWords(cause) } : {}),
    stack: at.join('\n'),
  };
}

/**
 * The server's log: into a file that only its owner may read, or to what is printed. A log that cannot be written (a full
 * disk, a reader that is gone) loses lines and never ends or stops the server.
 */
export async function openLog({ logFile, logLevel }: Pick<Config, 'logFile' | 'logLevel'>): Promise<Logger> {
  const where = destination({
    ...(logFile === undefined ? { fd: 1 } : { dest: logFile, append: true, mkdir: true, mode: 0o600 }),
    sync: false,
    maxLength: MOST_WAITING,
    retryEAGAIN: () => false,
  });
  where.on('error', () => undefined);
  where.on('drop', () => undefined);
  // A process that ends before it is open would end with a stack of its own.
  await new Promise<void>((resolve) => void where.once('ready', resolve).once('error', () => resolve()));
  return pino({ level: logLevel, serializers: { err: withoutWords } }, where);
}
