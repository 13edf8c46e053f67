import { task } from '../work/task';
import type { makePaper, previewPaper } from './make-paper';

/** Something to be printed, as PDF. */
export const PAPER = task<typeof makePaper>('paper');
/** The same, as pictures of its pages. */
export const PAPER_PREVIEW = task<typeof previewPaper>('paper-preview');
