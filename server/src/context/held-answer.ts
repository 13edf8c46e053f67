import { isInsideChange } from '../db/inside-change';
import type { TableName } from '../db/tables';
import type { Reading } from './context';
import type { Held } from './held';

interface HeldRead<T> {
  read: Promise<T> | null;
}

/** What every other request asks for and seldom changes: read once, and again once it is forgotten. */
export interface HeldAnswer<T> {
  /** As it is held; a change reads it as it stands inside it. */
  readonly ask: (from: Reading) => Promise<T>;
  /** It is read again when it is next asked for. */
  readonly forget: (from: Reading) => void;
}

/** @param follows the tables it is read of: it is forgotten once a change of one of them is kept */
export function heldAnswer<T>(
  readNow: (from: Reading) => Promise<T>,
  follows: readonly TableName[] = [],
): HeldAnswer<T> {
  const what: Held<HeldRead<T>> = {
    make: () => ({ read: null }),
    forget: (held) => (held.read = null),
    follows,
  };
  return {
    ask: (from) => {
      if (isInsideChange()) return readNow(from);
      const held = from.held.of(what);
      held.read ??= readNow(from).catch((error: unknown) => {
        held.read = null;
        throw error;
      });
      return held.read;
    },
    forget: ({ held }) => what.forget(held.of(what)),
  };
}
