import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import type { ServerContext } from '../context/context';
import { parseScaleLine, readScale } from './scale';

let server: Server | undefined;
afterEach(() => {
  server?.close();
  server = undefined;
});

/** A server whose scale says just these lines to whoever connects. */
async function contextWith(talk: (socket: Socket) => void): Promise<ServerContext> {
  server = createServer((socket) => {
    socket.on('error', () => undefined);
    talk(socket);
  });
  await new Promise<void>((resolve) => server?.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const clock = (): Date => new Date('2031-03-10T08:00:00.000Z');
  return { clock, scaleAddress: { host: '127.0.0.1', port } } as ServerContext;
}

describe('the bench scale', () => {
  it('is read once two readings in a row agree', async () => {
    const context = await contextWith((socket) =>
      socket.write('scale-1,1,3.0\nscale-1,2,240.5\nscale-1,3,412.4\nscale-1,4,412.5\n'),
    );
    expect(await readScale(context)).toEqual({
      device: 'scale-1',
      grams: 412.5,
      at: '2031-03-10T08:00:00.000Z',
    });
  });

  it('is read though lines come in halves and rubbish between them', async () => {
    const context = await contextWith((socket) => {
      socket.write('hello\nscale-1,1,4');
      socket.write('12.5\nscale-1,nonsense\nscale-1,2,412.5\n');
    });
    expect((await readScale(context)).grams).toBe(412.5);
  });

  it('that hangs up says so in a sentence', async () => {
    const context = await contextWith((socket) => socket.end('scale-1,1,400.0\n'));
    await expect(readScale(context)).rejects.toMatchObject({ code: 'device-away' });
  });

  it('that is not there says so in a sentence', async () => {
    const context = await contextWith(() => undefined);
    server?.close();
    await expect(readScale(context)).rejects.toMatchObject({
      code: 'device-away',
      message: expect.stringContaining('type what it shows') as string,
    });
    await expect(readScale({} as ServerContext)).rejects.toMatchObject({ code: 'not-set-up' });
  });

  it.each([
    ['scale-1,7,412.5', { device: 'scale-1', grams: 412.5 }],
    ['scale-1,7,-0.2', { device: 'scale-1', grams: -0.2 }],
    ['scale-1,7', null],
    ['scale-1,x,4', null],
    ['scale-1,7,4,2,5', null],
    ['', null],
  ])('takes %j as %o', (line, reading) => {
    expect(parseScaleLine(line)).toEqual(reading);
  });
});
