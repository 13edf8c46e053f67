import { SETTLE, settleRunFill } from '../bench/settle-run-fill';
import { FIND_CUTS, findCuts } from '../cuts/find-cuts';
import { FIND_PACKS, findPacks } from '../cuts/find-packs';
import { EARLIEST, findEarliest, ORDER_DAY, orderDay } from '../day/order-day';
import { PAPER, PAPER_PREVIEW } from '../paper/tasks';
import { WEAKNESS } from '../people/tasks';
import { makePlans, PLANS } from '../planning/make-plans';
import { REPLAN, replanWaiting } from '../planning/replan-waiting';
import { SAME_KIND, tryAgainByKind } from '../planning/try-plan';
import { READ_FILE, readAsked } from '../rack-files/read-rows';
import { READ_STOCK, readAskedStock } from '../rack-files/read-stock-list';
import type { Task, Works } from '../work/task';

const works = new Map<string, (given: never) => unknown>();

function does<Given, Made>(task: Task<Given, Made>, work: (given: Given) => Made | Promise<Made>): void {
  if (works.has(task.name)) throw new Error(`Two tasks are called ${task.name}.`);
  works.set(task.name, work);
}

/** What makes paper is large, and so are the lists of words: read once a worker is asked for them. */
const paper = () => import('../paper/make-paper');
const weakness = () => import('../people/weakness');

does(PLANS, makePlans);
does(SETTLE, settleRunFill);
does(REPLAN, replanWaiting);
does(ORDER_DAY, orderDay);
does(EARLIEST, findEarliest);
does(FIND_CUTS, findCuts);
does(FIND_PACKS, findPacks);
does(READ_FILE, readAsked);
does(READ_STOCK, readAskedStock);
does(SAME_KIND, tryAgainByKind);
does(WEAKNESS, async (asked) => (await weakness()).weaknessOf(asked));
does(PAPER, async (asked) => (await paper()).makePaper(asked));
does(PAPER_PREVIEW, async (asked) => (await paper()).previewPaper(asked));

/** What is computed in a worker: plain functions of plain data, by the names of their tasks. */
export const WORKS: Works = works;
