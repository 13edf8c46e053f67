import type { Observation } from '@yard-spool/core';
import type { RowError } from '@yard-spool/contract';
import { findTwice } from './check-rows';
import { inChunks } from './in-chunks';
import type { ReelFileRow } from './row-schemas';
import type { TakeIn } from './take-in-type';

/** Kinds of reel for the reel book. One that is in it already is refused: it is corrected there. */
export const takeReels: TakeIn<'reels'> = async ({ tables }, good) => {
  const errors: RowError[] = [];
  const nameOf = ({ label, type }: Pick<ReelFileRow, 'label' | 'type'>): string =>
    `${label.toLowerCase()} (${type})`;
  const known = new Set((await tables.reelKinds.findAll()).map(nameOf));
  errors.push(...findTwice(good, 'label', nameOf));
  for (const { row, value } of good) {
    if (known.has(nameOf(value)))
      errors.push({ row, column: 'label', message: `${value.label} is in the reel book already.` });
    for (const i of [1, 2] as const)
      if ((value[`rating${i}_m`] === null) !== (value[`rating${i}_mm`] === null))
        errors.push({
          row,
          column: `rating${i}_m`,
          message: 'A rating is a length and a diameter: fill in both.',
        });
  }
  const write = (): Promise<void> =>
    inChunks(good, (chunk) =>
      tables.reelKinds.createAll(
        chunk.map(({ value }) => ({
          type: value.type,
          label: value.label,
          gear: value.gear,
          observations: observationsOf(value),
        })),
      ),
    );
  return { errors, write };
};

function observationsOf(row: ReelFileRow): Observation[] {
  const rating = (length: number | null, diameter: number | null): Observation[] =>
    length === null || diameter === null ? [] : [{ kind: 'rating', length, diameter }];
  return [
    ...rating(row.rating1_m, row.rating1_mm),
    ...rating(row.rating2_m, row.rating2_mm),
    ...(row.lip_mm === null ? [] : [{ kind: 'lip' as const, diameter: row.lip_mm }]),
    ...(row.width_mm === null ? [] : [{ kind: 'width' as const, width: row.width_mm }]),
    ...(row.arbor_mm === null ? [] : [{ kind: 'arbor' as const, diameter: row.arbor_mm }]),
  ];
}
