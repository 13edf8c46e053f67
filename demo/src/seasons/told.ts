import type { Comeback, Person } from '@yard-spool/contract';
import type { Dice } from './dice';
import type { SeasonKind } from './kinds';

interface Filled {
  readonly id: number;
  readonly at: Date;
  readonly by: Person;
  readonly reel: { readonly kind: Pick<SeasonKind, 'type'> };
}

const DAY_MS = 86_400_000;
/** One fill in so many came back. */
const ONE_IN = 21;

type Told = Pick<Comeback, 'complaint' | 'saw' | 'cause' | 'found' | 'did' | 'fault' | 'worked'>;
const CAME_BACK: readonly [Told, ...Told[]] = [
  {
    complaint: 'loops',
    saw: 'jumps off in coils on long casts',
    cause: 'our-winding',
    found: 'filled half a millimetre too high',
    did: 'took twelve metres off',
    fault: 'too-full',
    worked: true,
  },
  {
    complaint: 'digs-in',
    saw: 'stuck after a snag',
    cause: 'how-it-is-fished',
    found: 'top wraps buried, laid well below',
    did: 'rewound under tension',
    fault: 'buried',
    worked: true,
  },
  {
    complaint: 'slips',
    saw: 'reel seems to slip with the drag shut',
    cause: 'our-winding',
    found: 'braid turned on the bare arbor',
    did: 'began again over tape',
    fault: 'no-grip',
    worked: true,
  },
  {
    complaint: 'twist',
    saw: 'kinks when slack',
    cause: 'the-line',
    found: 'lot of the supply came twisted',
    did: 'filled from another lot',
    fault: 'twist-put-on',
    worked: null,
  },
  {
    complaint: 'breaks',
    saw: 'broke at the join',
    cause: 'our-choice',
    found: 'join within reach of a cast',
    did: 'more main, join deeper',
    fault: 'join',
    worked: null,
  },
];
/** Of a counter reel. */
const COUNTER: Told = {
  complaint: 'counter',
  saw: 'counter four short at the ledge',
  cause: 'the-line',
  found: 'line swapped aboard for a thicker one',
  did: 'matched again',
  fault: 'counter-level',
  worked: true,
};
const NOT_LOOKED_INTO = { cause: null, found: '', did: '', fault: null, worked: null } as const;

/** What came back with a complaint, some weeks after its fill; the latest is not looked into yet. */
export const comebackRows = (fills: readonly Filled[], today: Date) => {
  const rows = fills
    .filter(({ id }) => id % ONE_IN === 3)
    .map(({ id, at, by, reel }, i) => {
      const told =
        reel.kind.type === 'trolling' ? COUNTER : (CAME_BACK[i % CAME_BACK.length] ?? CAME_BACK[0]);
      const when = Math.min(at.getTime() + (9 + (id % 30)) * DAY_MS, today.getTime() - DAY_MS);
      return { ...told, fillId: id, at: new Date(when), byId: by.id };
    });
  const latest = Math.max(...rows.map(({ at }) => at.getTime()));
  return rows.map((row) => (row.at.getTime() === latest ? { ...row, ...NOT_LOOKED_INTO } : row));
};

/** Trips that were told at the counter, of some of the reels, by their last fill. */
export const tripRows = (last: readonly Filled[], dice: Dice, today: Date) =>
  last
    .filter(({ id }) => id % 3 === 0)
    .map(({ id, by }) => ({
      fillId: id,
      kind: 'trips' as const,
      trips: dice.whole(1, 14),
      byId: by.id,
      at: new Date(today.getTime() - (1 + (id % 12)) * DAY_MS),
    }));
