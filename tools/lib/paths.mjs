import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's root folder. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
/** What tools leave behind that can be thrown away at any time. */
export const CACHE = join(ROOT, '.cache');
/** The built screens. */
export const WEB_BUILD = join(ROOT, 'dist', 'web', 'browser');

/** Where a shop's own data lives: a `yard-spool` folder under the user's data home. */
export const shopDataFolder = () =>
  process.env.YARD_SPOOL_DATA ??
  join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'yard-spool');

/** Where a demo's data lies, which is thrown away: in a folder of its own, wherever a shop's own data is. */
export const demoDataFolder = () =>
  process.env.YARD_SPOOL_DATA ? join(process.env.YARD_SPOOL_DATA, 'demo') : join(CACHE, 'demo');
