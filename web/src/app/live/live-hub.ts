import { streams, type CounterAtBench, type RunFrame } from '@yard-spool/contract';
import * as v from 'valibot';

/** What is told of a run: what the server tells, or that it cannot be heard. */
export type Told = RunFrame | { readonly kind: 'lost' };

/** What a page says: a run it wants to hear of, from behind a place of its log; or that it does not any more. */
export type FromPage =
  | { readonly kind: 'want'; readonly run: number; readonly from: number }
  | { readonly kind: 'leave'; readonly run: number }
  /** The name of a lock the page holds as long as it stands. */
  | { readonly kind: 'stands'; readonly lock: string };

/** What a page is told. */
export interface ToPage {
  readonly run: number;
  readonly told: Told;
}

type Tell = (message: ToPage) => void;
type Stream = Pick<EventSource, 'onopen' | 'onmessage' | 'onerror' | 'close'>;

/** How soon a stream that ended is asked for again, and how soon one more wish is gone by, ms. */
const AGAIN_MS = 1500;
const SOON_MS = 30;
/** The server sends a heartbeat every ten seconds: a stream that says nothing for longer is dead, though nobody hung up, ms. */
const DEAD_MS = 25_000;

interface Watched {
  /** The last place that was told. */
  place: number;
  counter: CounterAtBench | null | undefined;
  readonly by: Set<Tell>;
}

/**
 * One stream for all pages of a browser, however many there are: browsers allow six connections to one server, and a page
 * beyond them would hang. It comes back by itself after whatever ended it; meanwhile everybody is told so.
 */
export class LiveHub {
  private readonly watched = new Map<number, Watched>();
  private stream: Stream | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private heard = false;
  private silence: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly open: (address: string) => Stream = (address) => new EventSource(address)) {}

  want(run: number, from: number, tell: Tell): void {
    const there = this.watched.get(run);
    const one = there ?? { place: from, counter: undefined, by: new Set<Tell>() };
    one.by.add(tell);
    this.watched.set(run, one);
    if (there && this.heard && from >= there.place) {
      if (there.counter !== undefined) tell({ run, told: { kind: 'counter', counter: there.counter } });
      return;
    }
    // Somebody knows less of the log than was told already: what is between is told again.
    one.place = Math.min(one.place, from);
    this.reopen(SOON_MS);
  }

  leave(run: number, tell: Tell): void {
    const one = this.watched.get(run);
    one?.by.delete(tell);
    if (one?.by.size !== 0) return;
    this.watched.delete(run);
    this.reopen(SOON_MS);
  }

  /** A page is gone, with all it wanted. */
  gone(tell: Tell): void {
    for (const run of [...this.watched.keys()]) this.leave(run, tell);
  }

  private reopen(after: number): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.timer = null;
      this.begin();
    }, after);
  }

  private begin(): void {
    this.stream?.close();
    this.stream = null;
    if (this.watched.size === 0) return;
    const runs = [...this.watched].map(([run, { place }]) => `${String(run)}:${String(place)}`).join(',');
    const stream = this.open(`/api${streams.watchRuns.path}?runs=${runs}`);
    this.stream = stream;
    stream.onopen = () => {
      this.heard = true;
    };
    stream.onmessage = ({ data }: MessageEvent<string>) => {
      this.listen(stream);
      this.hear(data);
    };
    stream.onerror = () => {
      if (this.silence !== null) clearTimeout(this.silence);
      stream.close();
      this.heard = false;
      for (const [run, { by }] of this.watched) for (const tell of by) tell({ run, told: { kind: 'lost' } });
      this.reopen(AGAIN_MS);
    };
    this.listen(stream);
  }

  /** Waits for the next thing to be said, however little. */
  private listen(stream: Stream): void {
    if (this.silence !== null) clearTimeout(this.silence);
    this.silence = setTimeout(() => {
      if (stream === this.stream) stream.onerror?.call(stream as EventSource, new Event('error'));
    }, DEAD_MS);
  }

  private hear(data: string): void {
    const read = v.safeParse(streams.watchRuns.frame, parsed(data));
    if (!read.success) return;
    const { run, frame } = read.output;
    const one = this.watched.get(run);
    if (!one) return;
    if (frame.kind === 'log') one.place = Math.max(one.place, frame.events.at(-1)?.seq ?? 0);
    else one.counter = frame.counter;
    for (const tell of one.by) tell({ run, told: frame });
  }
}

/** Text as what it says; nothing where it says nothing. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
