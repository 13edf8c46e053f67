/** How a path below `/api` is answered. */
export type Get = (path: string) => Promise<{ readonly status: number; readonly text: string }>;

/** Lists that come whole, and those that come page after page. */
const WHOLE = [
  '/pieces',
  '/products',
  '/reel-kinds',
  '/reorder',
  '/house-rules',
  '/house-rules/habits',
  '/house-rules/changes',
  '/exceptions',
  '/benches',
  '/people',
  '/sessions',
  '/audit',
  '/tubs',
  '/recycling',
  '/learning',
  '/counters-waiting',
  '/record-file/schema',
  '/inbox',
  '/calendar',
  '/network',
  '/sign-in',
  '/customers?q=',
  '/search?q=test',
];
const PAGED = [
  '/rack?find=',
  '/rack?find=-',
  '/reels?q=',
  '/messages?state=waiting',
  '/messages?state=done',
  '/runs?',
  ...['waiting', 'filled', 'over'].map((group) => `/bags?group=${group}&find=&state=`),
];
const FILES = ['products', 'pieces', 'ledger', 'reels'].flatMap((what) =>
  ['csv', 'json'].map((format) => `/rack-files?what=${what}&format=${format}`),
);
/** Pages of one list that are turned at most. */
const MOST_PAGES = 200;

interface Row {
  readonly number?: number;
  readonly tag?: string;
  readonly code?: string;
}

/**
 * Reads everything a shop lists, page after page, and each bag, reel and piece of it by itself.
 *
 * @returns what could not be read, and how much was
 */
export async function readAll(get: Get): Promise<{ readonly wrong: string[]; readonly read: number }> {
  const wrong: string[] = [];
  let read = 0;
  const one = async (path: string): Promise<string> => {
    const { status, text } = await get(path);
    read += 1;
    // Asked for in a way that is none is another thing than what cannot be read.
    if (status === 0 || (status >= 400 && status !== 404))
      wrong.push(`${String(status)} ${path} ${text.slice(0, 200)}`);
    return status === 200 ? text : '';
  };
  for (const path of [...WHOLE, ...FILES]) await one(path);
  for (const path of PAGED) {
    let after: string | null = '';
    for (let page = 0; after !== null && page < MOST_PAGES; page += 1) {
      const text = await one(`${path}&after=${encodeURIComponent(after)}`);
      const { rows = [], next = null } = (text === '' ? {} : JSON.parse(text)) as {
        rows?: Row[];
        next?: string | null;
      };
      for (const row of rows) await Promise.all(pathsOf(path, row).map(one));
      after = next;
    }
  }
  return { wrong, read };
}

function pathsOf(list: string, { number, tag, code }: Row): string[] {
  if (list.startsWith('/bags') && number !== undefined) return [`/bags/${String(number)}`];
  if (list.startsWith('/reels') && tag !== undefined) return [`/reels/${encodeURIComponent(tag)}`];
  return list.startsWith('/rack') && code !== undefined ? [`/pieces/${encodeURIComponent(code)}`] : [];
}
