import { destination, pino, type Logger } from 'pino';
import type { Config } from './config';

/** More than this waiting to be written is let go, characters. */
const MOST_WAITING = 1_000_000;

/** What an error may be told of in the log: what it is and where, never its words, which quote what people typed. */
function withoutWords(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const { errno, code } = error as { readonly errno?: unknown; readonly code?: unknown };
  const cause: unknown = 'parent' in error ? error.parent : undefined;
  const at = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: error.name,
    ...(typeof code === 'string' ? { code } : {}),
    ...(typeof errno === 'number' ? { errno } : {}),
    ...(cause instanceof Error ? { cause: withoutWords(cause) } : {}),
    stack: at.join('\n'),
  };
}

/**
 * The server's log: into a file that only its owner may read, or to what is printed. A log that cannot be written (a full
 * disk, a reader that is gone) loses lines and never ends or stops the server.
 */
export function openLog({ logFile, logLevel }: Pick<Config, 'logFile' | 'logLevel'>): Logger {
  const where = destination({
    ...(logFile === undefined ? { fd: 1 } : { dest: logFile, append: true, mkdir: true, mode: 0o600 }),
    ...{ sync: false, maxLength: MOST_WAITING, retryEAGAIN: () => false },
  });
  where.on('error', () => undefined);
  where.on('drop', () => undefined);
  return pino({ level: logLevel, serializers: { err: withoutWords } }, where);
}
