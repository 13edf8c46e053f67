import { ensurePrograms } from './debian.mjs';
import { ensureNode, ensurePackages } from './packages.mjs';
import { ensureWebBuild } from './web-build.mjs';

/** Everything that must be there before the server can start; only what is missing is fetched or built. */
export async function prepare() {
  ensureNode();
  await ensurePrograms(['mariadb', 'mariadbDefaults']);
  await ensurePackages();
  await ensureWebBuild();
}
