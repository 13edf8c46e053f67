import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
} from 'node:fs';
import { join } from 'node:path';
import { fingerprintOf } from './fingerprint.mjs';
import { CACHE, ROOT } from './paths.mjs';

const FOLDER = join(CACHE, 'bundles');
/** So many bundles are kept: whatever runs from an older one may still read a part of it. */
const KEPT = 6;
const SHARED = ['core/src', 'contract/src', 'server/src', 'package-lock.json', 'tools/lib/bundle.mjs'];

/**
 * A program of the product in a few files of JavaScript: it begins seconds sooner than read module by module. Bundled
 * once for its sources; a build that is killed leaves nothing that looks whole.
 * @param {string} name
 * @param {Readonly<Record<string, string>>} entries source files by what they are called in the bundle
 * @param {readonly string[]} [more] sources beside the server's and the core's
 * @returns {Promise<{ folder: string, sources: string }>} where `<entry>.mjs` lie, and a hash of all they are made of
 */
export async function bundle(name, entries, more = []) {
  const sources = fingerprintOf([...SHARED, ...more]);
  const folder = join(FOLDER, `${name}-${sources.slice(0, 16)}`);
  if (existsSync(folder)) {
    utimesSync(folder, new Date(), new Date());
    return { folder, sources };
  }
  mkdirSync(FOLDER, { recursive: true });
  // Asked for only here: before the packages are installed there is nothing to bundle with.
  const { build, stop } = await import('esbuild');
  const begun = mkdtempSync(`${folder}-`);
  await build({
    absWorkingDir: ROOT,
    entryPoints: Object.entries(entries).map(([out, source]) => ({ in: source, out })),
    outdir: begun,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    chunkNames: 'part-[hash]',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
    plugins: [{ name: 'packages-stay-out', setup: packagesStayOut }],
  });
  // What bundles runs beside this program until it is told to end.
  await stop();
  try {
    renameSync(begun, folder);
  } catch (error) {
    rmSync(begun, { recursive: true, force: true });
    // Somebody else made the same one meanwhile.
    if (!existsSync(folder)) throw error;
  }
  forgetOld();
  return { folder, sources };
}

/** Only the product's own parts are bundled. @param {import('esbuild').PluginBuild} bundling */
function packagesStayOut(bundling) {
  bundling.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
    kind === 'entry-point' || path.startsWith('@yard-spool/') ? undefined : { path, external: true },
  );
}

function forgetOld() {
  const all = readdirSync(FOLDER).map((name) => join(FOLDER, name));
  const newestFirst = all.sort((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs);
  for (const old of newestFirst.slice(KEPT)) rmSync(old, { recursive: true, force: true });
}
