import { REEL_OF_FILL } from '../db/joins';
import type { Recipe } from '@yard-spool/contract';
import { kindKey } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { drawingsOfFills } from '../record/drawings-of-fills';
import { layersOfFills } from '../record/on-spool';

/** Fills of a kind that are looked back at. */
const LOOK_BACK = 200;
const MOST_RECIPES = 12;

interface FilledRow {
  readonly id: number;
  readonly tag: string;
  readonly label: string;
  readonly closedAt: Date;
  readonly gapRead: string | null;
}

/** What has been wound on a kind of reel: for each pair of lines how often, how much, how many turns, what gap it got. */
export async function listRecipes(from: Reading, kindId: number): Promise<Recipe[]> {
  const kind = await from.tables.reelKinds.findByPk(kindId);
  if (!kind) throw new ProblemError('not-found', 'This kind of reel is not in the book any more.');
  const rows = await from.query<FilledRow>(
    `SELECT fills.id, reels.tag, reels.label, fills.closed_at AS closedAt, fills.gap_read AS gapRead
     FROM fills ${REEL_OF_FILL}
     WHERE reels.type = :type AND reels.label = :label AND fills.taken_back_at IS NULL
     ORDER BY fills.id DESC LIMIT ${String(LOOK_BACK)}`,
    { type: kind.type, label: kind.label },
  );
  const own = rows.filter(({ label }) => kindKey({ type: kind.type, label }) === kindKey(kind));
  const layers = await layersOfFills(
    from,
    own.map(({ id }) => id),
  );
  const recipes = new Map<string, Wound[]>();
  for (const row of own) {
    const on = layers.filter(({ fillId }) => fillId === row.id);
    const main = together(on.filter(({ role }) => role === 'main' || role === 'top-shot'));
    if (!main) continue;
    const wound = { row, main, backing: together(on.filter(({ role }) => role === 'backing')) };
    const key = `${main.name}\n${wound.backing?.name ?? ''}`;
    recipes.set(key, [...(recipes.get(key) ?? []), wound]);
  }
  const most = [...recipes.values()].sort((a, b) => b.length - a.length).slice(0, MOST_RECIPES);
  const drawings = await drawingsOfFills(
    from,
    most.flatMap(([last]) => last?.row.id ?? []),
    'then',
  );
  return most.flatMap((wounds) => toRecipe(wounds, drawings));
}

type Layers = Awaited<ReturnType<typeof layersOfFills>>;

interface Amount {
  readonly name: string;
  readonly mm: number;
  readonly turns: number;
}

interface Wound {
  readonly row: FilledRow;
  readonly main: Amount;
  readonly backing: Amount | null;
}

/** Layers of one role as one: off two pieces it is the same line still. */
function together(layers: Layers): Amount | null {
  const last = layers.at(-1);
  if (!last) return null;
  return {
    name: last.lineName,
    mm: layers.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    turns: layers.reduce((sum, { handleTurns }) => sum + handleTurns, 0),
  };
}

function toRecipe(wounds: readonly Wound[], drawings: ReadonlyMap<number, Recipe['drawing']>): Recipe[] {
  const [last] = wounds;
  const drawing = last && drawings.get(last.row.id);
  if (!drawing) return [];
  const backings = wounds.flatMap(({ backing }) => backing ?? []);
  const gaps = wounds.flatMap(({ row }) => (row.gapRead === null ? [] : [Number(row.gapRead)]));
  return [
    {
      main: last.main.name,
      backing: last.backing?.name ?? null,
      times: wounds.length,
      lastAt: last.row.closedAt.toISOString(),
      tag: last.row.tag,
      mainMm: spread(wounds.map(({ main }) => main.mm)),
      backingMm: backings.length > 0 ? spread(backings.map(({ mm }) => mm)) : null,
      mainTurns: spread(wounds.map(({ main }) => main.turns))[0],
      backingTurns: backings.length > 0 ? spread(backings.map(({ turns }) => turns))[0] : null,
      gap: gaps.length > 0 ? spread(gaps) : null,
      drawing,
    },
  ];
}

/** Middle, least and most. */
function spread(values: readonly number[]): [number, number, number] {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  const middle =
    sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
  return [middle, sorted[0] ?? 0, sorted.at(-1) ?? 0];
}
