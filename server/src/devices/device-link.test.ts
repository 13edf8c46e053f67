import { once } from 'node:events';
import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { afterEach, expect, it, vi } from 'vitest';
import { DeviceLink, isItself } from './device-link';

const waitFor = (condition: () => void) => vi.waitFor(condition, { timeout: 30_000, interval: 10 });

/** What comes to a place where devices are asked, newest last. */
const came: Socket[] = [];
const open: { close: () => void }[] = [];
afterEach(() => {
  for (const one of [...open, ...came.map((socket) => ({ close: () => socket.destroy() }))]) one.close();
  open.length = came.length = 0;
});

async function place(): Promise<string> {
  const server: Server = createServer((socket) => came.push(socket.on('error', () => undefined)));
  open.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `127.0.0.1:${String((server.address() as AddressInfo).port)}`;
}

function link(address: string, deadMs?: number) {
  const heard: [count: number, fresh: boolean][] = [];
  let away = 0;
  const listener = {
    line: ({ count }: { count: number }, fresh: boolean) => void heard.push([count, fresh]),
    away: () => void (away += 1),
    flooded: () => undefined,
  };
  open.push(new DeviceLink({ name: 'reed-1', address }, listener, deadMs));
  return { heard, away: () => away };
}

it('on which nothing was ever heard is opened again, and heard then', async () => {
  const { heard, away } = link(await place(), 50);
  await waitFor(() => expect(came.length).toBeGreaterThan(1));
  expect(away()).toBeGreaterThan(0);
  expect(heard).toEqual([]);
  await waitFor(() => {
    came.at(-1)!.write('reed-1,1,7\n');
    expect(heard[0]).toEqual([7, true]);
  });
});

it('is kept as long as something comes, and fresh with its first line only', async () => {
  const { heard, away } = link(await place());
  await waitFor(() => expect(came).toHaveLength(1));
  came[0]!.write('reed-1,1,3\nother,1,99\nreed-1,2,4\nreed-1,3');
  await waitFor(() => expect(heard).toHaveLength(2));
  came[0]!.write(',5\n');
  await waitFor(() => expect(heard).toHaveLength(3));
  expect(heard).toEqual([
    [3, true],
    [4, false],
    [5, false],
  ]);
  expect([came.length, away()]).toEqual([1, 0]);
});

it('that ends where it begins is none: where nobody listens, a port may be connected to itself', async () => {
  const closed = createServer();
  await new Promise<void>((resolve) => closed.listen(0, '127.0.0.1', resolve));
  const { port } = closed.address() as AddressInfo;
  await new Promise((resolve) => closed.close(resolve));
  const from = { localPort: port, localAddress: '127.0.0.1' };
  const itself = connect({ port, host: '127.0.0.1', ...from }).on('error', () => undefined);
  const [host, other] = (await place()).split(':');
  const another = connect({ port: Number(other), host });
  came.push(itself, another);
  await Promise.all([once(itself, 'connect'), once(another, 'connect')]);
  expect([itself, another].map(isItself)).toEqual([true, false]);
});
