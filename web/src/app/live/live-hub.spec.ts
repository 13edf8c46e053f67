import { anEvent } from '../testing/runs';
import { LiveHub, type ToPage } from './live-hub';

/** A stream that a test speaks into. */
class Spoken {
  onopen: (() => void) | null = null;
  onmessage: ((event: MessageEvent<string>) => void) | null = null;
  onerror: (() => void) | null = null;
  closed = false;
  constructor(readonly address: string) {}
  close(): void {
    this.closed = true;
  }
  says(run: number, frame: object): void {
    this.onmessage?.({ data: JSON.stringify({ run, frame }) } as MessageEvent<string>);
  }
}

function pages() {
  vi.useFakeTimers();
  const streams: Spoken[] = [];
  const hub = new LiveHub((address) => {
    const stream = new Spoken(address);
    streams.push(stream);
    return stream;
  });
  const page = () => {
    const heard: ToPage[] = [];
    return { heard, tell: (message: ToPage) => void heard.push(message) };
  };
  const open = () => streams.filter(({ closed }) => !closed);
  return { hub, page, open, streams };
}
const log = (...places: number[]) => ({
  kind: 'log',
  events: places.map((seq) => anEvent(seq, { kind: 'moving', payload: { on: true } })),
});
afterEach(() => vi.useRealTimers());

describe('what all pages of a browser hear', () => {
  it('comes over one connection, however many there are', () => {
    const { hub, page, open } = pages();
    const one = page();
    const two = page();
    const three = page();
    hub.want(5, 3, one.tell);
    hub.want(6, 0, two.tell);
    hub.want(5, 3, three.tell);
    vi.advanceTimersByTime(100);
    expect(open().map(({ address }) => address)).toEqual(['/api/live?runs=5:3,6:0']);
    open()[0]!.onopen?.();
    open()[0]!.says(5, { kind: 'counter', counter: null });
    open()[0]!.says(6, log(1));
    expect([one, two, three].map(({ heard }) => heard.length)).toEqual([1, 1, 1]);
    // One more page on the same run hears at once how its counter stands, over the same connection.
    const four = page();
    hub.want(5, 3, four.tell);
    expect(four.heard).toEqual([{ run: 5, told: { kind: 'counter', counter: null } }]);
    vi.advanceTimersByTime(100);
    expect(open()).toHaveLength(1);
  });

  it('is told from where somebody knows least, and no further than anybody wants', () => {
    const { hub, page, open } = pages();
    const one = page();
    const two = page();
    hub.want(5, 3, one.tell);
    vi.advanceTimersByTime(100);
    open()[0]!.onopen?.();
    open()[0]!.says(5, log(4, 5, 6));
    hub.want(5, 4, two.tell);
    vi.advanceTimersByTime(100);
    expect(open().map(({ address }) => address)).toEqual(['/api/live?runs=5:4']);
    hub.gone(one.tell);
    hub.leave(5, two.tell);
    vi.advanceTimersByTime(100);
    expect(open()).toEqual([]);
  });

  it('is lost and comes back by itself after any error, from where it was', () => {
    const { hub, page, open, streams } = pages();
    const one = page();
    hub.want(5, 3, one.tell);
    vi.advanceTimersByTime(100);
    open()[0]!.onopen?.();
    open()[0]!.says(5, log(4));
    open()[0]!.onmessage?.({ data: 'rubbish' } as MessageEvent<string>);
    for (let tries = 0; tries < 3; tries += 1) {
      open()[0]!.onerror?.();
      expect(one.heard.at(-1)).toEqual({ run: 5, told: { kind: 'lost' } });
      vi.advanceTimersByTime(1600);
    }
    // Nobody hung up, and nothing is said any more.
    open()[0]!.onopen?.();
    vi.advanceTimersByTime(24_000);
    open()[0]!.onmessage?.({ data: 'heartbeat' } as MessageEvent<string>);
    vi.advanceTimersByTime(24_000);
    expect(streams).toHaveLength(4);
    vi.advanceTimersByTime(3000);
    expect(streams).toHaveLength(5);
    expect(open().map(({ address }) => address)).toEqual(['/api/live?runs=5:4']);
  });
});
