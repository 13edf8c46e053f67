import { createServer as createHttp, type Server as HttpServer } from 'node:http';
import { createServer, type Server } from 'node:net';
import { PANEL } from './counter-panel';
import { Device } from './device';
import { isFault, misbehave, type Fault } from './faults';

/** How often the handle moves on while it turns by itself, ms. */
const STEP_MS = 15;
/** How often it says where it stands while nothing moves, ms. */
const BEAT_MS = 1000;

/** A turn counter or line meter for want of a real one. */
export interface Counter {
  /** Sends `device,sequence,count` a line, for each change and once a second, to whoever listens. */
  readonly wire: Server;
  /** A small page to turn it by hand, and `POST /turn?n=10`, `/speed?v=3`, `/fault?kind=jump` for tests. */
  readonly panel: HttpServer;
  /** What it stands at. */
  readonly count: () => number;
  readonly turn: (by: number) => void;
  /** Counts a second it turns by itself. */
  readonly speed: (counts: number) => void;
  readonly fault: (kind: Fault) => void;
  readonly close: () => void;
}

/**
 * A counting device. Its count is cumulative, signed and whole: a handle turned back counts down, and a line that is lost
 * loses nothing.
 *
 * @param name what it calls itself in each line
 */
export function createCounter(name: string): Counter {
  const device = new Device(name);
  const turning = setInterval(() => device.goOn(STEP_MS), STEP_MS).unref();
  const beating = setInterval(() => device.say(), BEAT_MS).unref();
  const wire = createServer((socket) => device.heardBy(socket));
  const panel = createHttp((request, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://localhost');
    if (request.method !== 'POST') {
      response.setHeader('content-type', 'text/html; charset=utf-8');
      response.end(PANEL(name));
      return;
    }
    const number = (key: string): number => Number(searchParams.get(key) ?? 0) || 0;
    const kind = searchParams.get('kind') ?? '';
    if (pathname === '/turn') device.turn(number('n'));
    if (pathname === '/speed') device.speed = number('v');
    if (pathname === '/fault' && isFault(kind)) misbehave(device, kind);
    response.setHeader('content-type', 'application/json');
    response.end(JSON.stringify({ device: name, count: device.count, speed: device.speed }));
  });
  return {
    ...{ wire, panel, count: () => device.count, turn: (by) => device.turn(by) },
    speed: (counts) => (device.speed = counts),
    fault: (kind) => misbehave(device, kind),
    close: () => {
      clearInterval(turning);
      clearInterval(beating);
      device.hangUp();
      wire.close();
      panel.close();
    },
  };
}
