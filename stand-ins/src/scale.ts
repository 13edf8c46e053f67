import { createServer, type Server } from 'node:net';
import { createInterface } from 'node:readline';

const DEVICE = 'scale-1';
const EVERY_MS = 120;

/**
 * A bench scale for want of a real one: sends a reading a line over TCP, `device,sequence,grams`, for as long as
 * somebody listens. Whoever is connected may put another weight on it: `put 412.5`.
 *
 * @param grams what lies on it at first
 */
export function createScale(grams: number): Server {
  let onIt = grams;
  let sequence = 0;
  return createServer((socket) => {
    const telling = setInterval(() => {
      sequence += 1;
      socket.write(`${DEVICE},${String(sequence)},${onIt.toFixed(1)}\n`);
    }, EVERY_MS);
    const stop = (): void => {
      clearInterval(telling);
    };
    const lines = createInterface({ input: socket });
    lines.on('error', stop);
    lines.on('line', (line) => {
      const put = /^put (\d+(?:\.\d+)?)$/.exec(line.trim());
      if (put) onIt = Number(put[1]);
    });
    socket.on('close', stop).on('error', stop);
  });
}
