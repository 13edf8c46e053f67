// Loads the demo, as whoever started it says: `seasons`, with two seasons behind it; `small`; or `kept`, as it was loaded
// before, where only its devices stand elsewhere. Is told where the database is and where the devices are once they are;
// tells who works there, the reels that wait, as they truly are, and a file that waits to be imported.
import { computeHere, connect, migrateAt, untilItAnswers } from '@yard-spool/server';
import type { BenchDevices } from './house-days';
import { loadDemo } from './load';
import { moveDevices } from './move-devices';
import { inWorker } from './seasons/in-worker';
import { makeSeasons } from './seasons/make';
import { reelsToMount } from './reels-to-mount';
import { DEMO_PEOPLE } from './people';
import { DELIVERY } from './delivery';

interface Where {
  readonly address: string;
  readonly schemaAddress: string;
  readonly devices: BenchDevices;
}

const what = process.argv[2];
const told = new Promise<Where>((resolve) => process.once('message', (message) => resolve(message as Where)));
const today = new Date();
// Begun first: it needs no database.
const seasons =
  what === 'seasons' ? makeSeasons(today, inWorker(new URL('./simulate.mjs', import.meta.url))) : undefined;
const { address, schemaAddress, devices } = await told;
const sequelize = connect(address);
await untilItAnswers(sequelize);
// Nobody else is served meanwhile, and what is small is quicker without a worker.
computeHere();
if (what === 'kept') await moveDevices(sequelize, devices);
else {
  await migrateAt(schemaAddress);
  await loadDemo(sequelize, today, { ...devices, ...(seasons ? { seasons } : {}) });
}
await sequelize.close();
process.send?.({
  people: DEMO_PEOPLE.map(({ name, passcode }) => ({ name, passcode })),
  reels: reelsToMount(),
  waiting: DELIVERY,
});
process.disconnect();
