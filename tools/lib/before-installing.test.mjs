// Every command is started on a machine where nothing is installed yet: what installs comes only after what it reads first.
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect, it } from 'vitest';
import { ROOT } from './paths.mjs';

const commands = Object.values(JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')).scripts).flatMap(
  (script) => /^node (tools\/\S+\.mjs)$/.exec(String(script))?.[1] ?? [],
);

/**
 * Packages that a file and all that it reads at once name; what is imported later, when it is needed, is not among them.
 * @param {string} file @param {Set<string>} seen @returns {string[]}
 */
function packagesNamedBy(file, seen = new Set()) {
  if (seen.has(file)) return [];
  seen.add(file);
  const named = [
    ...readFileSync(file, 'utf8').matchAll(/^(?:import|export)\s(?:[^;'"]*?\sfrom\s)?'([^']+)'/gm),
  ];
  return named.flatMap(([, name = '']) =>
    name.startsWith('.')
      ? packagesNamedBy(join(dirname(file), name), seen)
      : name.startsWith('node:')
        ? []
        : [`${name} in ${file}`],
  );
}

it('knows the commands', () => {
  expect(commands).toContain('tools/start.mjs');
  expect(commands).toContain('tools/test.mjs');
});

it.each(commands)('%s reads nothing that has to be installed first', (command) => {
  expect(packagesNamedBy(join(ROOT, command))).toEqual([]);
});

it('sees a package that is named', () => {
  expect(packagesNamedBy(join(ROOT, 'tools/lib/authority.mjs')).join()).toContain('reflect-metadata');
});
