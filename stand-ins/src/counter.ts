import { createServer as createHttp, type Server as HttpServer } from 'node:http';
import { createServer, type Server, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { PANEL } from './counter-panel';

/** How often the handle moves on while it turns by itself, ms. */
const STEP_MS = 50;

/** A turn counter or line meter for want of a real one. */
export interface Counter {
  /** Sends `device,sequence,count` a line, for each change and at the start, to whoever listens. */
  readonly wire: Server;
  /** A small page to turn it by hand, and `POST /turn?n=10`, `POST /speed?v=3` for tests. */
  readonly panel: HttpServer;
}

/**
 * A counting device. Its count is cumulative and signed: a handle turned back counts down, and a line that is lost loses
 * nothing.
 *
 * @param name what it calls itself in each line
 */
export function createCounter(name: string): Counter {
  let count = 0;
  let sequence = 0;
  let speed = 0;
  const listening = new Set<Socket>();
  const line = (): string => `${name},${String((sequence += 1))},${String(Math.round(count * 100) / 100)}\n`;
  const turn = (by: number): void => {
    count += by;
    const text = line();
    for (const socket of listening) socket.write(text);
  };
  setInterval(() => {
    if (speed !== 0) turn((speed * STEP_MS) / 1000);
  }, STEP_MS).unref();

  const wire = createServer((socket) => {
    listening.add(socket);
    const gone = (): void => void listening.delete(socket);
    socket.on('close', gone).on('error', gone);
    const lines = createInterface({ input: socket });
    lines.on('error', gone);
    socket.write(line());
  });
  const panel = createHttp((request, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://localhost');
    if (request.method === 'POST' && pathname === '/turn') turn(Number(searchParams.get('n') ?? 0) || 0);
    if (request.method === 'POST' && pathname === '/speed') speed = Number(searchParams.get('v') ?? 0) || 0;
    if (request.method === 'POST') {
      response.setHeader('content-type', 'application/json');
      response.end(JSON.stringify({ device: name, count, speed }));
      return;
    }
    response.setHeader('content-type', 'text/html; charset=utf-8');
    response.end(PANEL(name));
  });
  return { wire, panel };
}
