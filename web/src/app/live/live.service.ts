import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import { LiveHub, type FromPage, type Told, type ToPage } from './live-hub';

interface Link {
  readonly say: (message: FromPage) => void;
  readonly listen: (hear: (message: ToPage) => void) => void;
}

/** What happens in runs while they are watched, over one connection for all pages of this browser. */
@Injectable({ providedIn: 'root' })
export class Live {
  private link: Link | null = null;
  private readonly ears = new Set<(message: ToPage) => void>();

  /**
   * What happens in a run: its counter and what is added to its log elsewhere, from behind a place on; that nothing can
   * be heard, and what was missed once it can.
   */
  watch(run: number, from: number): Observable<Told> {
    return new Observable((subscriber) => {
      const link = this.linked();
      const hear = (message: ToPage): void => {
        if (message.run === run) subscriber.next(message.told);
      };
      this.ears.add(hear);
      link.say({ kind: 'want', run, from });
      return () => {
        this.ears.delete(hear);
        link.say({ kind: 'leave', run });
      };
    });
  }

  private linked(): Link {
    if (this.link) return this.link;
    this.link = typeof SharedWorker === 'undefined' ? ownLink() : sharedLink();
    this.link.listen((message) => {
      for (const hear of this.ears) hear(message);
    });
    return this.link;
  }
}

/** The stream that all pages of this browser share. */
function sharedLink(): Link {
  const { port } = new SharedWorker(new URL('./live.worker', import.meta.url), {
    type: 'module',
    name: 'live',
  });
  const lock = crypto.randomUUID();
  // Held for good: it comes free when the page is gone, however it goes.
  void navigator.locks.request(lock, () => {
    port.postMessage({ kind: 'stands', lock } satisfies FromPage);
    return new Promise<never>(() => undefined);
  });
  return {
    say: (message) => port.postMessage(message),
    listen: (hear) => {
      port.onmessage = ({ data }: MessageEvent<ToPage>) => hear(data);
    },
  };
}

/** A stream of this page alone, where a browser has no workers that pages share. */
function ownLink(): Link {
  const hub = new LiveHub();
  let hear: (message: ToPage) => void = () => undefined;
  const tell = (message: ToPage): void => hear(message);
  return {
    say: (message) => {
      if (message.kind === 'want') hub.want(message.run, message.from, tell);
      if (message.kind === 'leave') hub.leave(message.run, tell);
    },
    listen: (ear) => {
      hear = ear;
    },
  };
}
