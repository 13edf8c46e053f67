import { ensurePrograms } from './debian.mjs';
import { ensureNode, ensurePackages } from './packages.mjs';
import { ensureWebBuild } from './web-build.mjs';

/** What a database needs, without screens. */
export async function prepareDatabase() {
  ensureNode();
  await ensurePrograms(['mariadb', 'mariadbDefaults']);
  await ensurePackages();
}

/** Everything that must be there before the server can start; only what is missing is fetched or built. */
export async function prepare() {
  await prepareDatabase();
  await ensureWebBuild();
}
