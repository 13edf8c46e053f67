import type { Sequelize } from 'sequelize';
import { openContext, type ServerContext, type Unit } from './context/context';
import type { Happened } from './context/happened';
import { carryOn } from './devices/carry-on';
import { learnAgain } from './learning/learning';
import { tellReady } from './messages/tell-ready';
import { planAgain } from './planning/plan-again';
import { forgetKinds } from './record/learned';
import { noteWords } from './search/index-words';
import type { Clock } from './clock';

/** Who is told of what a change did, in the change itself. */
const listeners = (u: Unit): Happened => ({
  renamed: (kind, ids) => {
    // A reel that is called otherwise is of another kind.
    if (kind === 'reel') u.afterCommit(() => forgetKinds(u));
    return noteWords(u, kind, ids);
  },
  fillsChanged: () => {
    u.afterCommit(() => forgetKinds(u));
    return learnAgain(u);
  },
  counterRenamed: (renamed) => carryOn(u, renamed),
  readyChanged: (bagId) => tellReady(u, bagId),
  rulesChanged: (before) => planAgain(u, before),
});

/** What the whole server shares, with everybody who listens. */
export const openShop = (
  sequelize: Sequelize,
  clock?: Clock,
  parts: Omit<NonNullable<Parameters<typeof openContext>[2]>, 'listeners'> = {},
): ServerContext => openContext(sequelize, clock, { ...parts, listeners });
