import { readPrints, type Material, type Print, type UnitSystem } from '@yard-spool/core';

/** Prints of one field, read; none where nothing, or nothing readable, was typed. */
export function printsIn(text: string, system: UnitSystem, material: Material): readonly Print[] {
  const read = text.trim() === '' ? null : readPrints(text, { system, material });
  return read?.ok ? read.value : [];
}

/** What a rating field is for, as a draft says it. */
export const ratedMaterial = (ratedFor: string): Material => (ratedFor === 'braid' ? 'braid' : 'nylon');

const BARE_DIAMETER = /^[\d.,]+\s*[x×*/@]\s*[\d.,]+$/i;

/**
 * Gives the bare numbers of a length and a diameter their units, so that switching units later cannot change what was
 * meant. What has units already, says a strength or a size number, or cannot be read, stays as it was typed.
 */
export function settleRating(text: string, system: UnitSystem): string {
  const [print, ...more] = printsIn(text, system, 'nylon');
  const settles = print?.sure && more.length === 0 && !print.readings[0].printed;
  return settles && BARE_DIAMETER.test(text.trim()) ? print.readings[0].text : text;
}

/** What is wrong with a rating as it was typed; empty where nothing is, or nothing was typed. */
export function ratingProblem(text: string, system: UnitSystem): string {
  const read = text.trim() === '' ? null : readPrints(text, { system });
  return read && !read.ok ? (read.issues[0]?.sentence ?? '') : '';
}

/** The print of a field a person still has to choose a reading for, if there is one. */
export const printToChoose = (
  texts: readonly string[],
  system: UnitSystem,
  material: Material,
): Print | undefined => texts.flatMap((text) => printsIn(text, system, material)).find(({ sure }) => !sure);

/** A field's text with one print written as it was chosen to be read. */
export const withReading = (prints: readonly Print[], chosen: Print, reading: string): string =>
  prints.map((print) => (print === chosen ? reading : print.text)).join('; ');

/** A table as it is pasted, in one line: a row of it is a print. */
export const asRows = (pasted: string): string => pasted.trim().replace(/\s*[\r\n]+\s*/g, '; ');
