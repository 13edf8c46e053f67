import type { DragJudgement } from '@yard-spool/core';
import type { UnitsService } from '../data/units.service';

const VERDICT: Readonly<Record<DragJudgement['verdict'], string>> = {
  fits: '',
  'not-as-asked': 'That is not what was asked for.',
  low: 'That is less than people work with: a fish takes line off too easily.',
  high: 'That is more than people work with: little is left for a sudden run.',
  breaks: 'That is more than the knot in the weakest part stands: back it off.',
};

/** A drag as it was read, with what it is held against. */
export function dragWords(
  { read, asked, weakest, range, verdict }: DragJudgement,
  units: Pick<UnitsService, 'strength'>,
): string {
  const strength = (kilograms: number): string => units.strength(kilograms);
  const against = [
    asked ? `${strength(asked.drag)} was asked for` : '',
    weakest && range
      ? `the weakest part, ${weakest.name}, is rated ${strength(weakest.strength)}, its knot stands about ${strength(weakest.knot)}, and a quarter to a third of the rating is ${strength(range.low)} to ${strength(range.high)}`
      : 'nobody knows how strong the line is rated',
  ].filter(Boolean);
  return `${strength(read)} read: ${against.join('; ')}. ${VERDICT[verdict]}`.trim();
}
