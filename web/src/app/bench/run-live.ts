import { streams, type RunFrame } from '@yard-spool/contract';
import { Observable } from 'rxjs';
import * as v from 'valibot';

/**
 * What happens in a run while it is watched: its counter and what is added to its log elsewhere. The browser asks again
 * by itself when the server was away; a frame that cannot be read is passed over.
 */
export const watchRun = (id: number): Observable<RunFrame> =>
  new Observable((subscriber) => {
    const { path, frame: frameSchema } = streams.watchRun;
    const source = new EventSource(`/api${path.replace(':id', String(id))}`);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const frame = v.safeParse(frameSchema, JSON.parse(data));
      if (frame.success) subscriber.next(frame.output);
    };
    return () => {
      source.close();
    };
  });
