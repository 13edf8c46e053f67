// npm start: the server on the shop's own data.
import { join } from 'node:path';
import { askedFor } from './lib/arguments.mjs';
import { backUpNightly } from './lib/backups.mjs';
import { certificateFor, ownNames } from './lib/certificate.mjs';
import { startDatabase } from './lib/database.mjs';
import { lockFolder, makeFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { shopDataFolder } from './lib/paths.mjs';
import { takeUpRestore } from './lib/begun-restore.mjs';
import { prepare } from './lib/prepare.mjs';
import { say, step } from './lib/progress.mjs';
import { firstWordsTold, startServer } from './lib/server.mjs';

live(async () => {
  const asked = readArguments();
  const folder = shopDataFolder();
  const lock = lockFolder(folder);
  atEnd(lock.release);
  await prepare();
  makeFolder(join(folder, 'logs'));
  makeFolder(join(folder, 'inbox'));
  const outside = process.env.YARD_SPOOL_DATABASE;
  const { address, schemaAddress } = outside
    ? { address: outside, schemaAddress: process.env.YARD_SPOOL_SCHEMA_DATABASE }
    : await step('Starting the database', () => ownDatabase(folder));
  const lan = asked.lan ? await onTheNetwork(folder, asked) : null;
  const server = await step('Starting the server', () =>
    startServer({
      database: address,
      schema: schemaAddress,
      lan,
      log: join(folder, 'logs', 'server.log'),
      inbox: join(folder, 'inbox'),
      tell: say,
    }),
  );
  atEnd(server.stop, 'the server');
  backUpNightly(address, folder, say);
  lock.tell(server.address);
  say(`\nYard Spool is ready at ${server.address}\nIts data is in ${folder}. Ctrl-C ends it.`);
  if (server.firstWords) say(firstWordsTold(server.firstWords));
  say(lan ? lanWords(lan, server.address) : '');
  return undefined;
});

/** @param {{ authority: string | null, fingerprint: string }} lan @param {string} address */
const lanWords = ({ authority, fingerprint }, address) =>
  authority === null
    ? 'Other devices of this network come in by that address; Settings, Access shows it as a code for a tablet’s camera.\n'
    : `Other devices of this network open ${address.replace('https:', 'http:')}/certificate once and install this shop’s ` +
      `certificate, whose fingerprint is\n\n  ${fingerprint}\n\nThen they come in by that address. Settings, Access shows both as codes for a tablet’s camera.\n`;

/** `--lan`: for the whole network, with `--cert` and `--key` (files) or a certificate of its own, and `--name` for each name. */
function readArguments() {
  return askedFor('npm start, with --lan, --cert FILE, --key FILE or --name NAME', {
    options: {
      lan: { type: 'boolean', default: false },
      cert: { type: 'string' },
      key: { type: 'string' },
      name: { type: 'string', multiple: true, default: [] },
    },
  }).values;
}

/** @param {string} folder @param {ReturnType<typeof readArguments>} asked */
async function onTheNetwork(folder, { name, cert, key }) {
  const names = ownNames(name);
  return { names, ...(await certificateFor(join(folder, 'tls'), names, { cert, key })) };
}

/** @param {string} folder */
async function ownDatabase(folder) {
  await takeUpRestore(folder, say);
  return startDatabase(join(folder, 'database'), { tell: say });
}
