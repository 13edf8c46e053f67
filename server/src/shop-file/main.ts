// Writes a whole shop into a file, looks one through, or puts one into an empty place: "write FILE", "check FILE",
// "restore FILE", which tells what of it cannot be read. The database is the one in the environment; what went wrong is one sentence.
import { diskTrouble } from './disk-trouble';
import { ShopFileError } from './format';
import { checkShopFile } from './read-shop-file';
import { restoreShop } from './restore-shop';
import { unreadEntries } from './unread-entries';
import { writeShopFile } from './write-shop-file';

const [what = '', file = ''] = process.argv.slice(2);
const address = process.env.YARD_SPOOL_DATABASE ?? '';
const WORK: Readonly<Record<string, () => Promise<unknown>>> = {
  write: () => writeShopFile(address, file, new Date()),
  check: () => checkShopFile(file),
  restore: async () => ({ rows: await restoreShop(address, file), unread: await unreadEntries(address) }),
};

try {
  const done = await WORK[what]?.();
  process.stdout.write(`${JSON.stringify(done ?? null)}\n`);
} catch (error) {
  const said = error instanceof ShopFileError ? error.message : diskTrouble(file, error);
  if (said === null) throw error;
  process.stderr.write(`${said}\n`);
  process.exitCode = 2;
}
