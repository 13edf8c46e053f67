import { createServer as createHttp, type Server as HttpServer, type ServerResponse } from 'node:http';
import { createServer, type Server } from 'node:net';
import { PANEL } from './counter-panel';
import { MountedReel, readReels, type ReelToMount } from './mounted-reel';
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
  /** The line meter beside it, which the line of the mounted reel runs over: centimetres, in the same kind of lines. */
  readonly meterWire: Server;
  /** A small page to turn it by hand, and `POST /turn?n=10` (answers once they are turned), `/speed?v=3`, `/fault?kind=jump` for tests. */
  readonly panel: HttpServer;
  /** What it stands at. */
  readonly count: () => number;
  readonly turn: (by: number) => Promise<void>;
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
 * @param meterName what the line meter beside it calls itself
 */
export function createCounter(name: string, meterName = `${name}-line`): Counter {
  const meter = new Device(meterName);
  const reel = new MountedReel();
  const device = new Device(name, (by) => meter.jump(100 * reel.wind(by)));
  let reels: readonly ReelToMount[] = [];
  const turning = setInterval(() => device.goOn(STEP_MS), STEP_MS).unref();
  const beating = setInterval(() => {
    meter.say();
    device.say();
  }, BEAT_MS).unref();
  const wire = createServer((socket) => device.heardBy(socket));
  const meterWire = createServer((socket) => meter.heardBy(socket));
  const ask = async ({ pathname, searchParams }: URL): Promise<void> => {
    const number = (key: string): number => Number(searchParams.get(key) ?? 0) || 0;
    const kind = searchParams.get('kind') ?? '';
    if (pathname === '/reels') reels = readReels(searchParams.get('list'));
    if (pathname === '/turn') await device.turn(number('n'));
    if (pathname === '/rename') device.name = searchParams.get('name') ?? device.name;
    if (pathname === '/speed') device.speed = number('v');
    if (pathname === '/reel') reel.mount(searchParams);
    if (pathname === '/meter' && isFault(kind)) misbehave(meter, kind);
    if (pathname === '/slip') reel.slips = number('share');
    if (pathname === '/fault' && isFault(kind)) misbehave(device, kind);
  };
  const panel = createHttp((request, response) => {
    if (request.method !== 'POST') {
      response.setHeader('content-type', 'text/html; charset=utf-8');
      response.end(PANEL(name, reels));
      return;
    }
    void ask(new URL(request.url ?? '/', 'http://localhost')).then(() => answer(response));
  });
  const answer = (response: ServerResponse): void => {
    response.setHeader('content-type', 'application/json');
    response.end(
      JSON.stringify({ device: name, count: device.count, speed: device.speed, metres: meter.count / 100 }),
    );
  };
  return {
    wire,
    meterWire,
    panel,
    count: () => device.count,
    turn: (by) => device.turn(by),
    speed: (counts) => (device.speed = counts),
    fault: (kind) => misbehave(device, kind),
    close: () => {
      clearInterval(turning);
      clearInterval(beating);
      device.hangUp();
      meter.hangUp();
      wire.close();
      meterWire.close();
      panel.close();
    },
  };
}
