import type { PaperPreview, PaperQuery } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { readHouseRules } from '../shop/read-house-rules';
import { ProblemError } from '../problem-error';
import { inWorker } from '../work/in-worker';
import type { Turn } from '../work/turn';
import { gather } from './gather';
import type { Asked, MadePaper } from './make-paper';
import { PAPER, PAPER_PREVIEW } from './tasks';
import { sendToPrinter } from './printer';

async function asked(from: Reading, query: PaperQuery): Promise<Asked> {
  const { zone, shopName, paper } = await readHouseRules(from);
  return { paper: await gather(from, query), house: { units: query.units, zone, shop: shopName, paper } };
}

/** A paper as PDF. */
export const paperAsPdf = async (from: Reading, query: PaperQuery): Promise<MadePaper> =>
  inWorker(PAPER, await asked(from, query));

/** A paper's first pages as they will come out. */
export const paperPreview = async (from: Reading, query: PaperQuery): Promise<PaperPreview> =>
  inWorker(PAPER_PREVIEW, await asked(from, query));

/**
 * Sends a paper to the shop's label printer.
 *
 * @param turn in which it is made; nobody waits while the printer takes it
 */
export async function printPaper(
  from: Reading,
  query: PaperQuery,
  turn: Turn,
): Promise<{ title: string; pages: number; printer: string }> {
  const { printer } = await readHouseRules(from);
  if (printer === '')
    throw new ProblemError(
      'not-set-up',
      'No label printer is set up. Set one under Settings, Shop, or save the paper as a file.',
    );
  const { title, pages, pdf } = await turn(() => paperAsPdf(from, query));
  await sendToPrinter(printer, pdf);
  return { title, pages, printer };
}
