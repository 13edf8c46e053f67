import { PALETTE } from '@yard-spool/core';
import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';
import { PT, type Sheet } from './sheet';

const NAME = 'Atkinson Hyperlegible Next';
const { resolve } = createRequire(import.meta.url);
const letters = (weight: string): string =>
  resolve(`@expo-google-fonts/atkinson-hyperlegible-next/${weight}/AtkinsonHyperlegibleNext_${weight}.ttf`);
const plain = letters('400Regular');
const bold = letters('700Bold');

pdfmake.setFonts({ [NAME]: { normal: plain, bold, italics: plain, bolditalics: bold } });
// Nothing is fetched, and of this machine's files only the letters are read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path === plain || path === bold);

/** A sheet as PDF, in the product's own letters. */
export function toPdf({ title, widthMm, heightMm, marginMm, fontSize, content }: Sheet): Promise<Buffer> {
  return pdfmake
    .createPdf({
      info: { title, creator: 'Yard Spool' },
      pageSize: { width: widthMm * PT, height: heightMm === 'auto' ? 'auto' : heightMm * PT },
      pageMargins: marginMm * PT,
      defaultStyle: { font: NAME, fontSize, color: PALETTE.ink, lineHeight: 1.15 },
      content,
    })
    .getBuffer();
}

/** Pages of a PDF, as its own list of objects has them. */
export const pagesOf = (pdf: Buffer): number =>
  pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)?.length ?? 0;
