import type { RunFrame } from '@yard-spool/contract';
import type { Ask } from './ask';

/** What a stream tells of a run. */
export interface Told {
  readonly run: number;
  readonly frame: RunFrame;
}

/**
 * Hears what a shop tells of some runs, from behind a place of each log, until the stream ends or is let go.
 *
 * @param runs `number:place`, with commas between
 */
export async function hearFrames(
  ask: Ask,
  address: string,
  runs: string,
  hear: (told: Told) => void,
  signal: AbortSignal,
): Promise<void> {
  const { ok, body } = await fetch(`${address}/live?runs=${runs}`, { headers: ask.headers, signal });
  if (!ok || !body) return;
  const decoder = new TextDecoder();
  let begun = '';
  for await (const chunk of body as unknown as AsyncIterable<Uint8Array>) {
    const parts = `${begun}${decoder.decode(chunk, { stream: true })}`.split('\n\n');
    begun = parts.pop() ?? '';
    for (const part of parts) if (part.startsWith('data: {')) hear(JSON.parse(part.slice(6)) as Told);
  }
}
