import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Browser } from './browser';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: readonly { readonly html: string }[];
}

/** What keeps somebody from using the page that is shown, a line a rule, with where it is broken; empty when nothing does. */
export async function violations({ driver }: Browser): Promise<string> {
  await driver.executeScript(axe);
  const found = await driver.executeAsyncScript<Violation[]>(
    'axe.run(document).then((r) => arguments[0](r.violations))',
  );
  return found
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)
    .join('\n');
}
