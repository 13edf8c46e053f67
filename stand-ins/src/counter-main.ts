// Runs a counter on free loopback ports and tells them to whoever started it; ends when the starter does.
import type { Server } from 'node:net';
import { createCounter } from './counter';

const [name = 'reed-1', meterName] = process.argv.slice(2);
const { wire, meterWire, panel } = createCounter(name, meterName);

const listen = (server: Pick<Server, 'listen' | 'address'>): Promise<number> =>
  new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : 0);
    });
  });

const port = await listen(wire);
process.send?.({ port, meter: await listen(meterWire), panel: await listen(panel) });
process.on('disconnect', () => process.exit(0));
