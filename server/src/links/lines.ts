import type { Socket } from 'node:net';

/** Longer than any line a device sends; what is longer is no line of ours. */
const LONGEST = 200;
/** Lines that are heard in a second at most: several times what a handle makes of a hundred pulses a turn. */
const MOST_A_SECOND = 1000;
/** Lines heard at once at most: what an adapter gathered while the network was away. */
const MOST_AT_ONCE = 2000;
/** How soon the last one of those passed over is heard, ms. */
const CATCH_UP_MS = 100;

/** Who hears a device's lines. */
interface Hears {
  readonly line: (line: string) => void;
  /** Called when it begins to send more than is read, and when it no longer does. */
  readonly flooded?: (on: boolean) => void;
}

/**
 * Tells each whole line a device sends. A line is whole once its end has come: what a link broke off in the middle of is
 * a piece of a number, and would be counted as another. A line that goes on too long is left out up to its end. Of a
 * device that floods the link only the last line of each moment is heard: a count is cumulative, so none is lost.
 */
export function onLines(socket: Socket, hears: Hears): void {
  const gate = new Gate(hears);
  let begun = '';
  let tooLong = false;
  socket.setEncoding('utf8');
  socket.on('close', () => gate.close());
  socket.on('data', (chunk: string) => {
    const parts = `${begun}${chunk}`.split('\n');
    begun = parts.pop() ?? '';
    for (const part of parts) {
      if (!tooLong && part.length <= LONGEST) gate.take(part);
      tooLong = false;
    }
    if (begun.length <= LONGEST) return;
    begun = '';
    tooLong = true;
  });
}

/** Lets lines through at a bounded rate. */
class Gate {
  private room = MOST_AT_ONCE;
  private filledAt = performance.now();
  private last: string | null = null;
  private timer: NodeJS.Timeout | null = null;

  constructor(private readonly hears: Hears) {}

  take(line: string): void {
    if (this.timer === null && this.hasRoom()) this.hear(line);
    else this.passOver(line);
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.last = null;
  }

  private hear(line: string): void {
    this.room -= 1;
    this.hears.line(line.replace(/\r$/, ''));
  }

  private passOver(line: string): void {
    this.last = line;
    if (this.timer) return;
    this.hears.flooded?.(true);
    this.wait();
  }

  private wait(): void {
    this.timer = setTimeout(() => this.catchUp(), CATCH_UP_MS).unref();
  }

  /** The last of what was passed over; over once nothing was, for a moment. */
  private catchUp(): void {
    this.timer = null;
    const line = this.last;
    this.last = null;
    if (line === null) {
      this.hears.flooded?.(false);
      return;
    }
    this.hear(line);
    this.wait();
  }

  private hasRoom(): boolean {
    const now = performance.now();
    this.room = Math.min(MOST_AT_ONCE, this.room + ((now - this.filledAt) * MOST_A_SECOND) / 1000);
    this.filledAt = now;
    return this.room >= 1;
  }
}
