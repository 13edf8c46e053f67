import type { CutsPlan } from '@yard-spool/contract';
import type { Ask } from './rack';

/** The plan of cuts once no better one is looked for. */
export async function planOfCuts(ask: Ask): Promise<CutsPlan> {
  for (;;) {
    const { body } = await ask<CutsPlan>('GET', '/cuts');
    if (!body.looking) return body;
  }
}
