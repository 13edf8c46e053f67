import type { Server } from 'node:net';

/** Listens on a free loopback port. */
export const listen = (server: Pick<Server, 'listen' | 'address'>): Promise<number> =>
  new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : 0);
    });
  });
