import { makePlan, USUAL_HOUSE_RULES, type PlanInput } from '@yard-spool/core';
import { Dice } from '../fuzz/dice';
import type { TestShop } from '../testing/test-shop';
import { takeWords } from '../search/take-words';

/** How much of a shop is written, and how many years it took. */
export interface Much {
  readonly fills: number;
  readonly reels: number;
  readonly customers: number;
  readonly bags: number;
  readonly products: number;
  readonly pieces: number;
  readonly lots: number;
  readonly years: number;
}

const TYPES = ['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'] as const;
const FIRST =
  'Alva Brim Corin Dessa Edda Fenn Gritt Hale Isen Jorn Kest Lund Mara Nils Orla Pell Runa Sten Tova Ulle'.split(
    ' ',
  );
const LAST =
  'Askeby Brandt Cairn Dunmore Elding Fairholt Garrow Holm Iversund Kestrel Linskare Marwick Norby Okerlind Penhale Quist Rowan Skerry Thorne Vale'.split(
    ' ',
  );
const NAMES =
  'Skerrywind Ternling Brackwater Holmtroll Longshore Deepwell Saltmark Harbourline Greywater Northpier'.split(
    ' ',
  );
const TINTS = 'Smoke Moss Foam Slate Amber Clear Copper Reed'.split(' ');
const NOTES =
  'ring first door green boat blue wants gap wide leader soft left hand spare drag light calls evenings pier jetty berth winter salt rinse worn rim handle loose loops twist cold'.split(
    ' ',
  );
const MATERIALS = ['nylon', 'braid', 'fluorocarbon', 'hollow-braid'] as const;
const CHUNK = 1000;
/** Pieces that have something left; the others are used up. */
const IN_STOCK = 50;
const DAY_MS = 86_400_000;

interface Writer {
  readonly much: Much;
  readonly dice: Dice;
  /** Writes as many rows, each by its number from 1. */
  readonly insert: (
    table: string,
    columns: string,
    count: number,
    row: (id: number) => unknown[],
  ) => Promise<void>;
  /** The day that lies a share of all its years back. */
  readonly before: (share: number) => Date;
  readonly words: (count: number) => string;
}

/**
 * Writes a shop of many years straight into its tables, the same for the same seed. Every reel was planned alike: plans are
 * there to be read, not to be right.
 */
export async function writeShop(shop: TestShop, much: Much, now: Date): Promise<void> {
  const dice = new Dice(20_310);
  const { sequelize } = shop.context;
  const writer: Writer = {
    much,
    dice,
    insert: async (table, columns, count, row) => {
      for (let from = 1; from <= count; from += CHUNK) {
        const rows = Array.from({ length: Math.min(CHUNK, count - from + 1) }, (_, i) => row(from + i));
        await sequelize.query(`INSERT INTO ${table} (${columns}) VALUES :rows`, { replacements: { rows } });
      }
    },
    before: (share) => new Date(now.getTime() - share * much.years * 365 * DAY_MS),
    words: (count) => Array.from({ length: count }, () => dice.of(NOTES)).join(' '),
  };
  await writeRack(writer);
  await writeReels(writer);
  await writeBags(writer);
  await writeRuns(writer);
  await writeFills(writer);
  await sequelize.query(
    `UPDATE spools JOIN (SELECT spool_id, MAX(id) AS fill_id FROM fills GROUP BY spool_id) AS last ON last.spool_id = spools.id
       JOIN fills ON fills.id = last.fill_id
     SET spools.fill_id = fills.id, spools.ripe_at = DATE_ADD(fills.closed_at, INTERVAL 12 MONTH),
       spools.due_at = DATE_ADD(fills.closed_at, INTERVAL 12 MONTH)`,
  );
  await takeWords(shop.context);
  await shop.context.query(
    'ANALYZE TABLE fill_layers, fills, spools, reels, search_words, bags, pieces, jobs, runs, run_events, customers',
  );
}

async function writeRack({ insert, much }: Writer): Promise<void> {
  await insert('products', 'id, code, name, material, diameter, strength_kg, tint', much.products, (id) => {
    const diameter = (0.1 + (id % 40) / 100).toFixed(2);
    const tint = TINTS[id % 8] ?? '';
    const material = MATERIALS[id % 4] ?? 'nylon';
    return [id, `L-${String(id)}`, `${tint} ${material} ${diameter}`, material, diameter, null, '#8899aa'];
  });
  await insert('pieces', 'id, code, product_id, kind, received_mm, length_mm, lot', much.pieces, (id) => [
    id,
    `N-${String(id)}`,
    1 + (id % much.products),
    'bulk',
    3_000_000,
    id > much.pieces - IN_STOCK ? 1_000_000 : 0,
    `L${String(id % much.lots)}`,
  ]);
}

async function writeReels({ insert, much }: Writer): Promise<void> {
  await insert('customers', 'id, name, contact', much.customers, (id) => [
    id,
    `${FIRST[id % 20] ?? ''} ${LAST[Math.floor(id / 20) % 20] ?? ''} ${String(id)}`,
    `berth ${String(id % 400)}`,
  ]);
  await insert('reels', 'id, tag, customer_id, type, label', much.reels, (id) => [
    id,
    `R-${String(id).padStart(5, '0')}`,
    1 + (id % much.customers),
    TYPES[id % 5],
    `${NAMES[id % 10] ?? ''} ${String(1000 * (1 + (id % 9)))}`,
  ]);
  await insert('spools', 'id, reel_id', much.reels, (id) => [id, id]);
}

const spoolOf = ({ reels }: Much, id: number): number => 1 + (id % reels);
const closedAt = ({ before, much }: Writer, id: number): Date => before(1 - id / much.fills);

async function writeBags({ insert, much, before, dice, words }: Writer): Promise<void> {
  const columns = 'id, booking_key, customer_id, promised_at, notes, booked_at, booked_by_id';
  await insert('bags', columns, much.bags, (id) => {
    const at = before(1 - id / much.bags);
    const notes = dice.chance(0.4) ? words(5) : '';
    return [id, crypto.randomUUID(), 1 + (id % much.customers), at, notes, at, 1];
  });
  const planInput = JSON.stringify(PLAN_INPUT);
  const made = makePlan(PLAN_INPUT);
  if (!made.ok) throw new Error('The plan of every reel cannot be made.');
  const plan = JSON.stringify(made.value.plan);
  const wants = JSON.stringify(NO_WANTS);
  await insert('jobs', 'id, bag_id, spool_id, position, state, plan_input, plan, wants', much.fills, (id) => [
    id,
    1 + (id % much.bags),
    spoolOf(much, id),
    1 + Math.floor(id / much.bags),
    'handed-back',
    planInput,
    plan,
    wants,
  ]);
}

async function writeRuns(writer: Writer): Promise<void> {
  const { insert, much, words } = writer;
  const made = { rules: USUAL_HOUSE_RULES, from: {}, tailMm: 2000, spanMm: 1500, hand: 'right' };
  const under = JSON.stringify(made);
  await insert('runs', 'id, job_id, bench_id, state, opened_at, closed_at, made_under', much.fills, (id) => [
    id,
    id,
    1,
    'closed',
    closedAt(writer, id),
    closedAt(writer, id),
    under,
  ]);
  const kinds = ['started', 'noted', 'closed'] as const;
  await insert('run_events', 'id, run_id, seq, kind, at, by_id, payload', 3 * much.fills, (n) => {
    const id = 1 + Math.floor((n - 1) / 3);
    const place = (n - 1) % 3;
    const payload = [{ bench: 'Bench 1' }, { step: 'strip', values: { what: words(4) } }, {}][place];
    const at = closedAt(writer, id);
    return [crypto.randomUUID(), id, 1 + place, kinds[place], at, 1, JSON.stringify(payload)];
  });
}

/** Fills, each of backing and main, and one in fifty that came back. */
async function writeFills(writer: Writer): Promise<void> {
  const { insert, much, dice, words } = writer;
  const spool = '{"lipRadius":23,"width":17,"arborRadius":14,"packing":0.7,"ratingDepth":1.5}';
  const columns = 'id, run_id, spool_id, closed_at, by_id, gap_read, gap_by_count, spool, depths, lesson';
  await insert('fills', columns, much.fills, (id) => [
    id,
    id,
    spoolOf(much, id),
    closedAt(writer, id),
    1,
    '1.600',
    1.5,
    spool,
    id % 2 === 0 ? DEPTHS : '[]',
    id % 3 === 0 ? LESSON : null,
  ]);
  const layers = `id, fill_id, position, layer, role, line, line_name, tint, piece_id, product_id, length_mm,
    handle_turns, inner_radius, outer_radius`;
  await insert('fill_layers', layers, 2 * much.fills, (n) => {
    const main = n % 2 === 0;
    const piece = dice.whole(1, much.pieces);
    const [role, radii] = main ? ['main', [17, 21]] : ['backing', [14, 17]];
    return [
      n,
      Math.ceil(n / 2),
      main ? 1000 : 0,
      role,
      role,
      '{"key":"L","material":"nylon","diameter":0.26}',
      'Smoke nylon 0.26',
      '#8899aa',
      piece,
      1 + (piece % much.products),
      120_000,
      200,
      ...radii,
    ];
  });
  const moves = 'piece_id, kind, length_mm, at, by_id, why, run_id';
  // Of each layer what went on the reel, and the tail.
  await insert('moves', moves, 4 * much.fills, (n) => {
    const id = 1 + Math.floor((n - 1) / 4);
    const [kind, length] = n % 2 === 0 ? ['filled', -120_000] : ['tail', -2000];
    return [1 + (n % much.pieces), kind, length, closedAt(writer, id), 1, '', id];
  });
  const seen = 'id, fill_id, at, by_id, complaint, saw, cause, found, did';
  await insert('comebacks', seen, Math.floor(much.fills / 50), (id) => [
    id,
    id * 50,
    closedAt(writer, id * 50),
    1,
    'loops',
    words(4),
    dice.chance(0.9) ? 'our-winding' : null,
    words(3),
    words(3),
  ]);
}

const DEPTHS = JSON.stringify([
  {
    kind: 'depth',
    layers: [{ line: { key: 'L-1', material: 'nylon', diameter: 0.25 }, length: 60 }],
    depth: 6,
    by: 'calliper',
  },
]);
const LESSON = JSON.stringify({
  lines: [{ key: 'L-1', material: 'nylon', share: 1 }],
  value: 0.01,
  precision: 400,
  prints: [],
});
const NO_WANTS = { leastMm: null, leader: '', dragKg: null, onItNow: '', mainFirst: false, endForEnd: false };
const line = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;
const PLAN_INPUT: PlanInput = {
  observations: [
    { kind: 'rating', length: 148, diameter: 0.3 },
    { kind: 'lip', diameter: 46 },
  ],
  request: {
    layers: [
      { kind: 'line', id: 'backing', role: 'backing', line: line('L-1', 0.25), length: 'fits' },
      { kind: 'line', id: 'main', role: 'main', line: line('L-2', 0.26), length: 120 },
    ],
    gap: 1.5,
    gear: 5.2,
  },
};
