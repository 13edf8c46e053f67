// Loads the demo into the database named by YARD_SPOOL_DATABASE; writes its people to the file named first, and the reels
// that wait, as they truly are, to the second.
import { writeFileSync } from 'node:fs';
import { connect, migrateAt, untilItAnswers } from '@yard-spool/server';
import { loadDemo } from './load';
import { reelsToMount } from './reels-to-mount';
import { DEMO_PEOPLE } from './people';

const { YARD_SPOOL_DATABASE: address = '', YARD_SPOOL_SCHEMA_DATABASE: schemaAddress = address } =
  process.env;
const sequelize = connect(address);
await untilItAnswers(sequelize);
await migrateAt(schemaAddress);
const {
  YARD_SPOOL_DEMO_COUNTER: counter,
  YARD_SPOOL_DEMO_METER: meter,
  YARD_SPOOL_DEMO_PRINTER: printer,
  YARD_SPOOL_DEMO_SEASONS: seasons,
} = process.env;
await loadDemo(sequelize, new Date(), { counter, meter, printer, seasons: seasons === 'yes' });
await sequelize.close();
const [file, reels] = process.argv.slice(2);
if (file) writeFileSync(file, JSON.stringify(DEMO_PEOPLE.map(({ name, passcode }) => ({ name, passcode }))));
if (reels) writeFileSync(reels, JSON.stringify(reelsToMount()));
