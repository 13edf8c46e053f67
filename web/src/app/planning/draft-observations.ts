import { saysMaterial, type Observation, type Print, type UnitSystem } from '@yard-spool/core';
import type { Read } from './draft-fields';
import { QUANTITY_FIELDS, QUANTITY_NAMES } from './quantity-fields';
import { printsIn, ratedMaterial } from './rating-text';
import type { ReelDraft } from './reel-draft';

/** What a draft says of its spool, as the core takes it. */
export function observationsOf(draft: ReelDraft, read: Read, system: UnitSystem): Observation[] {
  const ratings = [draft.rating1, draft.rating2].flatMap((typed) =>
    printsIn(typed, system, ratedMaterial(draft.ratedFor)).flatMap((print): Observation[] => {
      const { length, diameter, material, printed } = print.readings[0];
      if (!print.sure) return [];
      const of = material === 'nylon' ? {} : { material };
      return [
        { kind: 'rating', length, diameter, ...of, ...(printed ? { printed } : {}), ...writtenSo(print) },
      ];
    }),
  );
  const figures = QUANTITY_NAMES.flatMap((name) => {
    const value = read(name);
    return value === null ? [] : (QUANTITY_FIELDS[name].says?.(value, read) ?? []);
  });
  return [...learnedOf(draft), ...ratings, ...figures];
}

/** A print is kept as it was written where its figures alone do not say all of it. */
const writtenSo = ({ text, readings: [{ printed }] }: Print): { readonly text?: string } =>
  printed !== undefined || saysMaterial(text) ? { text } : {};

/** What closed fills taught; a draft kept from another version is simply without. */
function learnedOf({ learned }: ReelDraft): Observation[] {
  try {
    return learned === '' ? [] : (JSON.parse(learned) as Observation[]);
  } catch {
    return [];
  }
}
