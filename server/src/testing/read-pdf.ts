import { PDFiumLibrary } from '@hyzyla/pdfium';
import { extractText, getDocumentProxy } from 'unpdf';

/** A page as it comes out: pixels from the top left, four bytes each, red first. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
  /** Pixels to a millimetre. */
  readonly perMm: number;
}

const MM_PER_POINT = 25.4 / 72;

/** Draws the pages of a PDF. */
export async function picturesOf(pdf: Uint8Array, perMm: number): Promise<Picture[]> {
  const library = await PDFiumLibrary.init();
  const document = await library.loadDocument(pdf);
  try {
    const pictures: Picture[] = [];
    for (const page of document.pages()) {
      const { width, height, data } = await page.render({ scale: perMm * MM_PER_POINT, render: 'bitmap' });
      pictures.push({ width, height, data: new Uint8ClampedArray(data), perMm });
    }
    return pictures;
  } finally {
    document.destroy();
    library.destroy();
  }
}

/** The words of each page, by a reader that did not write them. */
export async function wordsOf(pdf: Uint8Array): Promise<string[]> {
  const { text } = await extractText(await getDocumentProxy(new Uint8Array(pdf)));
  return text.map((page) => page.replaceAll(/\s+/g, ' ').replaceAll('\u00a0', ' '));
}

/** Lengths of the dark runs of one row of pixels, with where each begins, mm. */
export function darkRuns({ width, data, perMm }: Picture, row: number): { from: number; length: number }[] {
  const dark = (x: number): boolean => (data[(row * width + x) * 4] ?? 255) < 128;
  const runs: { from: number; length: number }[] = [];
  for (let x = 0, from = -1; x <= width; x += 1) {
    if (x < width && dark(x)) from = from < 0 ? x : from;
    else if (from >= 0) {
      runs.push({ from: from / perMm, length: (x - from) / perMm });
      from = -1;
    }
  }
  return runs;
}
