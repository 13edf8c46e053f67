import type { Socket } from 'node:net';

/** Longer than any line a device sends; what is longer is no line of ours. */
const LONGEST = 200;

/**
 * Tells each whole line a device sends. A line is whole once its end has come: what a link broke off in the middle of is
 * a piece of a number, and would be counted as another. A line that goes on too long is left out up to its end.
 */
export function onLines(socket: Socket, hear: (line: string) => void): void {
  let begun = '';
  let tooLong = false;
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => {
    const parts = `${begun}${chunk}`.split('\n');
    begun = parts.pop() ?? '';
    for (const part of parts) {
      if (!tooLong && part.length <= LONGEST) hear(part.replace(/\r$/, ''));
      tooLong = false;
    }
    if (begun.length <= LONGEST) return;
    begun = '';
    tooLong = true;
  });
}
