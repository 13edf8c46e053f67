import { isInsideChange } from '../db/inside-change';
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

export function heldAnswer<T>(readNow: (from: Reading) => Promise<T>): HeldAnswer<T> {
  const what: Held<HeldRead<T>> = { make: () => ({ read: null }), forget: (held) => (held.read = null) };
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
