import { PALETTE } from '@yard-spool/core';
import type { Content, TableCell } from 'pdfmake/interfaces';

/** A table with its heading on every page; hairlines between rows. */
export const table = (
  widths: (string | number)[],
  heading: readonly string[],
  rows: readonly (readonly TableCell[])[],
): Content => ({
  table: {
    widths,
    headerRows: 1,
    dontBreakRows: true,
    body: [heading.map((text) => ({ text, bold: true, fontSize: 9 })), ...rows.map((row) => [...row])],
  },
  layout: {
    hLineWidth: (i: number) => (i === 0 ? 0 : i === 1 ? 1 : 0.4),
    vLineWidth: () => 0,
    hLineColor: (i: number) => (i === 1 ? PALETTE.ink : PALETTE.edge),
    paddingLeft: () => 2,
    paddingRight: () => 6,
    paddingTop: () => 4,
    paddingBottom: () => 4,
  },
});

/** A box to tick with a pencil. */
export const box = (): TableCell => ({
  canvas: [{ type: 'rect', x: 0, y: 0, w: 11, h: 11, lineWidth: 1, lineColor: PALETTE.ink }],
});
