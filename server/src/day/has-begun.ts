import type { Operation, Wish } from '@yard-spool/core';

/** Whether something is under way: what is only pinned to a time has not begun at it. */
export const hasBegun = ({ id, at }: Operation, wishes: Readonly<Record<string, Wish>>): boolean =>
  at !== undefined && wishes[id]?.at !== at;
