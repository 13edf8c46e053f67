import { REEL_OF_FILL } from '../db/joins';
import type { Learning } from '@yard-spool/contract';
import {
  type CounterLesson,
  handKey,
  kindKey,
  learnCounters,
  type Learned,
  learnShop,
  type Lesson,
  type ReelType,
  type ShopLesson,
} from '@yard-spool/core';
import type { LearnedRow } from '../db/models/learned';
import type { Reading, Unit } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { lockHouse } from '../shop/read-house-rules';

/** Fills that are looked back at: older ones were of another maker's line, or another hand. */
const LOOK_BACK = 400;

interface LessonRow {
  readonly lesson: Lesson;
  readonly type: ReelType;
  readonly label: string;
  readonly person: string;
  readonly tension: string | null;
}

/**
 * Learns from all closed fills again and keeps what came out. Called by whatever closes a fill or takes one back, in its
 * transaction; one at a time, so that no fill that is closed at the same moment is missed.
 */
export async function learnAgain(u: Unit): Promise<void> {
  const { query, tables, clock } = u;
  await lockHouse(u);
  const rows = await query<LessonRow>(
    `SELECT STRAIGHT_JOIN fills.lesson, reels.type, reels.label, people.name AS person,
       JSON_UNQUOTE(JSON_EXTRACT(runs.made_under, '$.rules.tension')) AS tension
     FROM fills ${REEL_OF_FILL}
       JOIN people ON people.id = fills.by_id JOIN runs ON runs.id = fills.run_id
     WHERE fills.taught = 1 ORDER BY fills.id DESC LIMIT ${String(LOOK_BACK)}`,
  );
  const learning = learnShop(
    rows.map(({ lesson, type, label, person, tension }): ShopLesson => ({
      ...lesson,
      kind: kindKey({ type, label }),
      hand: handKey(person, tension ?? ''),
    })),
  );
  const at = clock();
  const of = (scope: LearnedRow['scope'], learned: readonly Learned[]) =>
    learned.map(({ key, belief, fills }) => ({
      scope,
      name: key.slice(0, 160),
      fills,
      learnedAt: at,
      ...belief,
    }));
  await tables.learned.removeAll({});
  await tables.learned.createAll([
    ...of('kind', learning.kinds),
    ...of('line', learning.lines),
    ...of('hand', learning.hands),
    ...of('print', learning.prints),
  ]);
}

/** What the shop has learned so far. Every plan asks for it. */
export const readLearning = heldAnswer(readNow, ['learned', 'fills', 'spools', 'reels']).ask;

async function readNow(from: Reading): Promise<Learning> {
  const rows = await from.tables.learned.findAll({
    order: ['scope', 'name'],
  });
  const of = (scope: LearnedRow['scope']): Learning['kinds'] =>
    rows
      .filter((row) => row.scope === scope)
      .map(({ name, median, sd, fills }) => ({ key: name, belief: { median, sd }, fills }));
  return {
    kinds: of('kind'),
    lines: of('line'),
    hands: of('hand'),
    prints: of('print'),
    counters: await readCounters(from),
  };
}

interface CounterRow {
  readonly tag: string;
  readonly type: ReelType;
  readonly label: string;
  readonly kept: CounterLesson['kept'];
}

/** What walks have taught of counters: of each reel its last match, of each kind those of its reels. */
async function readCounters({ query }: Reading): Promise<Learning['counters']> {
  const rows = await query<CounterRow>(
    `SELECT STRAIGHT_JOIN reels.tag, reels.type, reels.label, fills.counter AS kept
     FROM fills ${REEL_OF_FILL}
     WHERE fills.counted = 1 ORDER BY fills.id DESC LIMIT ${String(LOOK_BACK)}`,
  );
  const { reels, kinds } = learnCounters(
    rows.map(({ tag, type, label, kept }) => ({ tag, kind: kindKey({ type, label }), kept })),
  );
  return { reels: [...reels], kinds: [...kinds] };
}
