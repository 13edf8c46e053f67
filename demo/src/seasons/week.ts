import type { BroughtLine, Person } from '@yard-spool/contract';
import { ownLineCode, type PlanInput } from '@yard-spool/core';
import { bookBag, type ServerContext } from '@yard-spool/server';
import { planInputOf } from '../plan-input';
import { SEASON_KINDS, type SeasonKind } from './kinds';
import { FULL_RACK } from './rack';
import { NO_WANTS } from './simulate';

/** What waits beside the bags that are told one by one: days from today, hour, and which of a kind's reels, by customer. */
const WEEK: readonly (readonly [day: number, hour: number, kind: number, main: number, reels: number])[] = [
  [-1, 12, 2, 0, 1],
  [0, 10, 0, 0, 2],
  [0, 12, 3, 1, 1],
  [0, 14, 4, 0, 1],
  [0, 16, 1, 0, 2],
  [0, 17, 6, 0, 1],
  [1, 11, 2, 0, 3],
  [1, 15, 0, 1, 1],
  [1, 17, 5, 0, 1],
  [2, 10, 7, 0, 2],
  [2, 15, 3, 0, 1],
  [3, 12, 1, 0, 1],
  [3, 16, 8, 0, 1],
  [4, 10, 6, 0, 1],
  [4, 16, 0, 2, 1],
  [5, 11, 4, 0, 2],
  [5, 17, 7, 2, 2],
  [6, 17, 2, 0, 1],
  [7, 15, 3, 2, 1],
  [8, 12, 0, 1, 1],
  [9, 16, 1, 1, 1],
  [10, 11, 4, 2, 1],
  [12, 10, 3, 0, 1],
  [13, 16, 5, 1, 1],
];
const NOTES = ['', 'ring first', '', '', 'rod comes along', '', 'takes it to sea on the day'] as const;
/** Line that customers bring themselves for the main, by place in the week. */
const OWN: Readonly<Record<number, BroughtLine>> = {
  4: { name: 'bought on the mainland', material: 'braid', diameter: 0.17, lengthMm: 600_000 },
  12: { name: 'last year’s, never used', material: 'nylon', diameter: 0.28, lengthMm: 1_000_000 },
};

/** The largest piece of a line. */
const pieceOf = (line: string): string =>
  FULL_RACK.filter(([, code]) => code === line).sort(([, , a], [, , b]) => b - a)[0]?.[0] ?? '';

/** Books what waits: reels the shop has had before and that are not here already, as they were filled last. */
export async function bookWeek(
  context: ServerContext,
  person: Person,
  pieces: ReadonlyMap<string, number>,
  at: (day: number, hour: number) => Date,
): Promise<void> {
  const here = await context.query<{ readonly tag: string }>(
    `SELECT reels.tag FROM reels JOIN spools ON spools.reel_id = reels.id JOIN jobs ON jobs.spool_id = spools.id
      WHERE jobs.state NOT IN ('handed-back', 'cancelled')`,
  );
  const waiting = new Set(here.map(({ tag }) => tag));
  for (const [i, [day, hour, kindIndex, mainIndex, count]] of WEEK.entries()) {
    const kind = SEASON_KINDS[kindIndex];
    const main = kind?.mains[mainIndex];
    if (!kind || !main) throw new Error('The week books kinds there are.');
    const reels = await context.query<{ readonly tag: string; readonly customerId: number }>(
      `SELECT reels.tag, reels.customer_id AS customerId FROM reels WHERE reels.label = :label ORDER BY reels.id`,
      { label: kind.label },
    );
    const free = reels.filter(({ tag }) => !waiting.has(tag));
    const first = free[(i * 5) % free.length];
    const bag = free.filter(({ customerId }) => customerId === first?.customerId).slice(0, count);
    for (const { tag } of bag) waiting.add(tag);
    const own = OWN[i];
    const code = own ? ownLineCode(own) : main[0];
    const piece = (line: string): number => pieces.get(pieceOf(line)) ?? 0;
    const planInput = planOf(kind, main, own);
    const job = {
      type: kind.type,
      label: kind.label,
      looks: '',
      spool: 'own',
      sameReelAs: null,
      planInput,
      wants: NO_WANTS,
      cuts: [
        { layer: 'backing', pieceId: piece(kind.backing) },
        own ? { layer: 'main', brought: 0 } : { layer: 'main', pieceId: piece(code) },
        ...(kind.topShot ? [{ layer: 'top-shot', pieceId: piece(kind.topShot[0]) }] : []),
      ],
    };
    await bookBag(context, person, {
      key: crypto.randomUUID(),
      customer: { id: first?.customerId ?? 1 },
      brought: own ? [own] : [],
      promisedAt: at(day, hour).toISOString(),
      notes: NOTES[i % NOTES.length] ?? '',
      jobs: bag.map(({ tag }) => ({ ...job, tag })),
    });
  }
}

/** What a reel of a kind comes to with a main of the shop's, or of the customer's own. */
function planOf(
  kind: SeasonKind,
  main: SeasonKind['mains'][number],
  own: BroughtLine | undefined,
): PlanInput {
  const { topShot, ...rest } = kind;
  const planInput = planInputOf({
    ...rest,
    main: { line: main[0], piece: '', length: main[1] },
    backing: { line: kind.backing, piece: '' },
    ...(topShot ? { topShot } : {}),
  });
  if (!own) return planInput;
  const line = { key: ownLineCode(own), material: own.material, diameter: own.diameter };
  const layers = planInput.request.layers.map((layer) =>
    layer.kind === 'line' && layer.id === 'main' ? { ...layer, line } : layer,
  );
  return { ...planInput, request: { ...planInput.request, layers } };
}
