import type { RunEvent } from '../run/run-event';

/**
 * Where an event says that a device stands, whatever it was credited with before: an answer, or a new beginning. Null where
 * it says no such thing.
 */
export function takenUpAt({ kind, payload }: RunEvent, name: string): number | null {
  if (kind === 'device-at')
    return payload.device === name && payload.was === undefined ? payload.count : null;
  if (kind === 'turns' || kind === 'metres')
    return payload.device === name && payload.from === undefined ? (payload.count ?? null) : null;
  const seen = 'seen' in payload ? payload.seen : undefined;
  return seen?.device === name && !seen.unheard ? seen.count : null;
}
