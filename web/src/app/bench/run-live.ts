import { RunFrameSchema, type RunFrame } from '@yard-spool/contract';
import { Observable } from 'rxjs';
import * as v from 'valibot';

/**
 * What happens in a run while it is watched: its counter and what is added to its log elsewhere. The browser asks again
 * by itself when the server was away; a frame that cannot be read is passed over.
 */
export const watchRun = (id: number): Observable<RunFrame> =>
  new Observable((subscriber) => {
    const source = new EventSource(`/api/runs/${String(id)}/live`);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const frame = v.safeParse(RunFrameSchema, JSON.parse(data));
      if (frame.success) subscriber.next(frame.output);
    };
    return () => {
      source.close();
    };
  });
