import { MM_PER_INCH, PALETTE } from '@yard-spool/core';
import type { PaperSize } from '@yard-spool/contract';
import type { Content } from 'pdfmake/interfaces';

/** Points to a millimetre: a point is 1/72 of an inch of 25.4 mm. */
export const PT = 72 / MM_PER_INCH;

/** Something to be printed: the size of its pages, mm, and what is on them. */
export interface Sheet {
  readonly title: string;
  readonly widthMm: number;
  /** `auto` for paper off a roll: as long as it gets. */
  readonly heightMm: number | 'auto';
  readonly marginMm: number;
  readonly fontSize: number;
  readonly content: Content[];
}

export const A4 = { widthMm: 210, heightMm: 297, marginMm: 14, fontSize: 10 } as const;
/** Paper that is wider and shorter: 8 1/2 by 11 in. */
const LETTER = { widthMm: 215.9, heightMm: 279.4 };

/** A page for the office printer on the paper that is in it; labels, slips and half pages stay as they are. */
export function onPaper(sheet: Sheet, paper: PaperSize): Sheet {
  if (paper === 'A4') return sheet;
  const { widthMm, heightMm } = sheet;
  if (widthMm === A4.widthMm && heightMm === A4.heightMm) return { ...sheet, ...LETTER };
  return widthMm === A4.heightMm && heightMm === A4.widthMm
    ? { ...sheet, widthMm: LETTER.heightMm, heightMm: LETTER.widthMm }
    : sheet;
}

export const A5 = { widthMm: 148, heightMm: 210, marginMm: 10, fontSize: 10 } as const;
/** Paper off a roll, as slips are printed on. */
export const ROLL = { widthMm: 80, heightMm: 'auto', marginMm: 4, fontSize: 10 } as const;

/** Width of what is printed, pt. */
export const roomOf = ({ widthMm, marginMm }: Pick<Sheet, 'widthMm' | 'marginMm'>): number =>
  (widthMm - 2 * marginMm) * PT;

/** A hairline across the page. */
export const hairline = (width: number): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: width, y2: 0, lineWidth: 0.6, lineColor: PALETTE.ink }],
  margin: [0, 4, 0, 4],
});

/** Something drawn in millimetres, true to scale whatever is round it. */
export const trueToScale = (svg: string, widthMm: number): Content => ({ svg, width: widthMm * PT });
