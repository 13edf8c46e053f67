import { PDFiumLibrary } from '@hyzyla/pdfium';
import { PNG } from 'pngjs';
import type { PaperPreview } from '@yard-spool/contract';
import type { PaperFacts } from './facts';
import { sayFor, type House } from './say';
import { onPaper, PT, type Sheet } from './sheet';
import { claimSlip } from './sheets/claim-slip';
import { cutList } from './sheets/cut-list';
import { gaugeSheet } from './sheets/gauge';
import { handBackSlip } from './sheets/hand-back';
import { orderList } from './sheets/order-list';
import { runningOrder } from './sheets/running-order';
import { setOutList } from './sheets/set-out';
import { setSheet } from './sheets/set-sheet';
import { tagSheet } from './sheets/tag';
import { tapeMarks } from './sheets/tape-marks';
import { pagesOf, toPdf } from './to-pdf';

/** What a worker is given: plain data. */
export interface Asked {
  readonly paper: PaperFacts;
  readonly house: House;
}

/** Something on paper: its title, its pages and its bytes. */
export interface MadePaper {
  readonly title: string;
  readonly pages: number;
  readonly pdf: Uint8Array;
}

/** Letters a line of a label keeps at most, tried one after another until all of it is on one label. */
const LETTERS = [80, 40, 28, 20, 14, 9];
/** Pages looked at before they are printed. */
const SHOWN = 6;
/** Pixels to a millimetre of what is looked at: about twice what a screen has. */
const SHARP = 8;
/** The longest side of a picture, px. */
const LONGEST = 1400;

function sheetOf({ paper, house }: Asked, letters: number): Sheet {
  const say = sayFor(house);
  switch (paper.what) {
    case 'tag':
      return tagSheet(paper.facts, say, letters);
    case 'claim-slip':
      return claimSlip(paper.facts, say, house);
    case 'cut-list':
      return cutList(paper.facts, say);
    case 'set-out':
      return setOutList(paper.facts, say);
    case 'hand-back':
      return handBackSlip(paper.facts, say, house);
    case 'set-sheet':
      return setSheet(paper.facts, say, house);
    case 'gauge':
      return gaugeSheet(paper.facts, say, house);
    case 'order-list':
      return orderList(paper.facts, say);
    case 'running-order':
      return runningOrder(paper.facts, say);
    case 'tape-marks':
      return tapeMarks(paper.facts);
  }
}

/** Makes a paper as PDF. A label is one page, however long its words are. */
export async function makePaper(asked: Asked): Promise<MadePaper> {
  let made: MadePaper | null = null;
  for (const letters of asked.paper.what === 'tag' ? LETTERS : [0]) {
    const sheet = onPaper(sheetOf(asked, letters), asked.house.paper);
    const pdf = await toPdf(sheet);
    made = { title: sheet.title, pages: pagesOf(pdf), pdf: new Uint8Array(pdf) };
    if (made.pages === 1) return made;
  }
  if (!made) throw new Error('A paper has pages.');
  return made;
}

let drawer: ReturnType<typeof PDFiumLibrary.init> | null = null;
/** What draws pages: read once in each worker that is asked for any. */
const pdfium = (): ReturnType<typeof PDFiumLibrary.init> => (drawer ??= PDFiumLibrary.init());

/** Makes a paper and draws its first pages as they will come out. */
export async function previewPaper(asked: Asked): Promise<PaperPreview> {
  const { title, pages: all, pdf } = await makePaper(asked);
  const document = await (await pdfium()).loadDocument(pdf);
  try {
    const pages: PaperPreview['pages'] = [];
    for (let i = 0; i < Math.min(all, SHOWN); i += 1) {
      const page = document.getPage(i);
      const { originalWidth, originalHeight } = page.getOriginalSize();
      const scale = Math.min(SHARP / PT, LONGEST / Math.max(originalWidth, originalHeight));
      const { width, height, data } = await page.render({ scale, render: 'bitmap' });
      const picture = new PNG({ width, height });
      picture.data = Buffer.from(data);
      pages.push({
        widthMm: originalWidth / PT,
        heightMm: originalHeight / PT,
        png: PNG.sync.write(picture).toString('base64'),
      });
    }
    return { title, pages, all };
  } finally {
    document.destroy();
  }
}
