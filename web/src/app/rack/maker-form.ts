import { FormGroup } from '@angular/forms';
import type { MakerWords } from '@yard-spool/contract';
import { text } from '../ui/text-control';

/** Controls for what its maker says of a line, filled from what is written down. */
export const makerForm = (maker?: MakerWords) =>
  new FormGroup({
    soakHours: text(
      maker?.soakHours === undefined || maker.soakHours === null ? '' : String(maker.soakHours),
    ),
    labelSide: text(maker?.labelSide ?? ''),
    strength: text(maker?.strength),
    diameter: text(maker?.diameter),
    says: text(maker?.says),
  });
export type MakerForm = ReturnType<typeof makerForm>;

/** Hours as they are typed: `2`, `2.5 h`, `2,5 hours`; null where they are none. */
const hoursOf = (typed: string): number | null => {
  const [, digits] = /^\s*(\d+(?:[.,]\d+)?)\s*(?:h|hours?)?\s*$/.exec(typed) ?? [];
  return digits === undefined ? null : Number(digits.replace(',', '.'));
};

/** What keeps the words from being sent; empty where nothing does. */
export function makerWrong({ soakHours }: { readonly soakHours: string }): string {
  if (soakHours.trim() === '') return '';
  const hours = hoursOf(soakHours);
  return hours !== null && hours <= 72 ? '' : 'Type the hours its maker says, from 0 to 72, or nothing.';
}

/** The words as they are sent. */
export const readMaker = (form: MakerForm): MakerWords => {
  const { soakHours, labelSide, strength, diameter, says } = form.getRawValue();
  return {
    soakHours: hoursOf(soakHours),
    labelSide: labelSide === 'up' || labelSide === 'down' ? labelSide : null,
    strength: strength.trim(),
    diameter: diameter.trim(),
    says: says.trim(),
  };
};
