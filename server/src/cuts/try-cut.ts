import type { CutTried } from '@yard-spool/contract';
import { scoreCuts, type Stock } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { inWorker } from '../work/in-worker';
import { layerAsked, pieceFor } from './change-cuts';
import { figuresOf } from './figures';
import { FIND_CUTS } from './find-cuts';
import type { Ask, CutLayer, GatheredCuts } from './gather-cuts';
import { cutsNow } from './read-cuts';

/** The longest what is tried by hand is looked at, ms. */
const WITHIN = 1500;

interface CutAsked {
  readonly jobId: number;
  readonly layer: string;
  readonly piece: string;
}

/** What a plan would come to with one layer on a piece somebody asks for; nothing is changed by it. */
export async function tryCut(from: Reading, asked: CutAsked): Promise<CutTried> {
  const layer = await layerAsked(from, asked);
  const { gathered, cuts } = await cutsNow(from);
  const isOnOrder = gathered.coming.some(
    ({ id, order }) => id === asked.piece && order.product.code === layer.product,
  );
  if (!isOnOrder) await pieceFor(from, layer, asked.piece);
  const stock = withPin(gathered, asked);
  const { cuts: best } = await inWorker(FIND_CUTS, { stock, within: WITHIN });
  const isServed = best.some(({ job }) => job === askOf(gathered, asked)?.job.id);
  const isWorse = scoreCuts(stock, best).unserved > scoreCuts(gathered.stock, cuts).unserved;
  return {
    planned: figuresOf(gathered, cuts),
    with: isServed || !isWorse ? figuresOf({ ...gathered, stock }, best) : null,
  };
}

const isAsked = (of: CutLayer | null, { jobId, layer }: CutAsked): boolean =>
  of?.reel.shown.jobId === jobId && of.layer.id === layer;

const askOf = ({ asks }: GatheredCuts, asked: CutAsked): Ask | undefined =>
  asks.find(({ main, backing }) => isAsked(main, asked) || isAsked(backing, asked));

/** The same with a layer on one piece alone. */
function withPin({ stock, asks }: GatheredCuts, asked: CutAsked): Stock {
  const only = asked.piece;
  const jobs = asks.map(({ job, main, backing }) => ({
    ...job,
    main: isAsked(main, asked) ? { ...job.main, only } : job.main,
    backing: job.backing && isAsked(backing, asked) ? { ...job.backing, only } : job.backing,
  }));
  return { ...stock, jobs };
}
