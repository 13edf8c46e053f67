import type { EarliestPromise, Piece, PromiseAsked } from '@yard-spool/contract';
import { lineOf, waterState, type DaySoak, type HouseRules } from '@yard-spool/core';
import { drySoak, soakOf } from './dry-soak';
import type { GatheredDay } from './gather-day';

/** A bag that is being booked in: its reels, and what of its line is to be soaked first. */
export interface NewBag {
  readonly jobs: PromiseAsked['jobs'];
  /** Its pieces, as they are on the rack. */
  readonly pieces: readonly Piece[];
  readonly soaks: readonly DaySoak[];
  /** Whether it is wound dry, whatever the shop does otherwise. */
  readonly dry: boolean;
}

type Cure = EarliestPromise['cures'][number];

/** The same bag done another way, which may be sooner. */
export interface Tried {
  readonly cure: Omit<Cure, 'at'>;
  readonly bag: NewBag;
  readonly day: GatheredDay;
}

/** Diameters this near each other are the same line to whoever fishes it, as a share; common practice, no source. */
const ALIKE = 0.12;

/** What could make a promise possible: no soak, line of the same kind that is wet already, one more pair of hands. */
export function curesFor(
  bag: NewBag,
  day: GatheredDay,
  { rack, rules }: { readonly rack: readonly Piece[]; readonly rules: HouseRules },
): Tried[] {
  const plain = { code: '', name: '' };
  const here = day.people.filter(({ awayUntil }) => awayUntil === null).length;
  const more = [...day.people, { id: 0, name: '', awayUntil: null }];
  const other = withWetLine(bag, day, rack, rules);
  // What lies in the water already cannot be wound dry.
  const mayBeDry = bag.soaks.length > 0 && bag.pieces.every((piece) => waterState(piece) === 'dry');
  return [
    ...(mayBeDry ? [{ cure: { kind: 'dry' as const, ...plain }, bag: { ...bag, dry: true }, day }] : []),
    ...(other ? [{ ...other, day }] : []),
    ...(here < day.benches.length
      ? [{ cure: { kind: 'hands' as const, ...plain }, bag, day: { ...day, people: more } }]
      : []),
  ];
}

/** The bag with each dry piece replaced by one of its kind that is wet, or in the water; null where there is none. */
function withWetLine(
  bag: NewBag,
  { tubs }: GatheredDay,
  rack: readonly Piece[],
  rules: HouseRules,
): Omit<Tried, 'day'> | null {
  const dry = bag.pieces.filter(({ code }) => bag.soaks.some(({ piece }) => piece === code));
  const instead = dry.map((piece) => nearest(piece, rack, rules));
  const found = instead.flatMap((one) => one ?? []);
  const [first] = found;
  if (!first || found.length < dry.length) return null;
  const idOf = new Map(dry.map(({ id }, i) => [id, found[i]?.id ?? id]));
  const inWater = tubs
    .flatMap(({ soaks }) => soaks)
    .filter(({ code }) => found.some((one) => one.code === code));
  return {
    cure: { kind: 'line', code: first.code, name: first.product.name },
    bag: {
      jobs: bag.jobs.map((job) => ({
        ...job,
        cuts: job.cuts.map((cut) =>
          'pieceId' in cut ? { ...cut, pieceId: idOf.get(cut.pieceId) ?? cut.pieceId } : cut,
        ),
      })),
      pieces: [...bag.pieces.filter((one) => !dry.includes(one)), ...found],
      soaks: inWater.map(soakOf),
      dry: false,
    },
  };
}

function nearest(dry: Piece, rack: readonly Piece[], rules: HouseRules): Piece | undefined {
  const { diameter, material } = dry.product;
  const off = (piece: Piece): number => Math.abs(piece.product.diameter / diameter - 1);
  return rack
    .filter((piece) => piece.id !== dry.id && piece.product.material === material && off(piece) <= ALIKE)
    .filter(
      ({ broughtWith, lengthMm, promisedMm }) => broughtWith === null && lengthMm - promisedMm >= LEAST_MM,
    )
    .filter(
      (piece) => waterState(piece) !== 'dry' || drySoak(piece.code, lineOf(piece.product), rules) === null,
    )
    .sort((a, b) => off(a) - off(b))[0];
}

/** A piece with less that nobody waits for is not worth naming, mm. */
const LEAST_MM = 100_000;
