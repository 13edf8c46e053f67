import type { PaperPreview } from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { replanWaiting } from '../house-rules/replan-waiting';
import { tryAgainByKind } from '../house-rules/try-plan';
import type { Asked, MadePaper } from '../paper/make-paper';
import { readAsked } from '../rack-files/read-rows';
import type { weaknessOf } from '../people/weakness';
import { settleRunFill } from './settle-run-fill';

/** What makes paper is large, and read by a worker once it is asked for any. */
const PAPER = () => import('../paper/make-paper');

/** What is computed in a worker: plain functions of plain data. */
export const TASKS = {
  /** Plans, one for each input. */
  plans: (inputs: readonly Parameters<typeof makePlan>[0][]) => inputs.map((input) => makePlan(input)),
  /** What closing a run writes down. */
  settle: settleRunFill,
  /** What another ruling makes of the reels that wait. */
  replan: replanWaiting,
  /** A request that brings a file, and the file's rows, each checked by itself. */
  file: readAsked,
  /** Waiting reels planned again, one after another, as far as their pieces have the line. */
  'same-kind': tryAgainByKind,
  /** Why a passcode would be guessed soon. Its lists of words are read by a worker once it is asked. */
  weakness: async (asked: Parameters<typeof weaknessOf>[0]): Promise<string | null> =>
    (await import('../people/weakness')).weaknessOf(asked),
  /** Something to be printed, as PDF. */
  paper: async (asked: Asked): Promise<MadePaper> => (await PAPER()).makePaper(asked),
  /** The same, as pictures of its pages. */
  paperPreview: async (asked: Asked): Promise<PaperPreview> => (await PAPER()).previewPaper(asked),
} as const;

export type Tasks = typeof TASKS;
