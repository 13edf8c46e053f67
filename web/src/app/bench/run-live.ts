import { streams, type RunFrame } from '@yard-spool/contract';
import { Observable } from 'rxjs';
import * as v from 'valibot';

/** What is told while a run is watched; lost while nothing can be told. */
export type Told = RunFrame | { readonly kind: 'lost' };

/** How soon a stream that ended is asked for again, ms. */
const AGAIN_MS = 1500;

/**
 * What happens in a run while it is watched: its counter and what is added to its log elsewhere. A stream that broke, or
 * was refused while the server was away or nobody signed in, is asked for again by itself; a frame that cannot be read
 * is passed over.
 */
export const watchRun = (id: number): Observable<Told> =>
  new Observable((subscriber) => {
    const { path, frame: frameSchema } = streams.watchRun;
    let source: EventSource | null = null;
    let again: ReturnType<typeof setTimeout> | null = null;
    const open = (): void => {
      source = new EventSource(`/api${path.replace(':id', String(id))}`);
      source.onmessage = ({ data }: MessageEvent<string>) => {
        const frame = v.safeParse(frameSchema, JSON.parse(data));
        if (frame.success) subscriber.next(frame.output);
      };
      source.onerror = () => {
        subscriber.next({ kind: 'lost' });
        // Left to itself the browser gives up after an answer that is no stream.
        source?.close();
        again = setTimeout(open, AGAIN_MS);
      };
    };
    open();
    return () => {
      source?.close();
      if (again !== null) clearTimeout(again);
    };
  });
