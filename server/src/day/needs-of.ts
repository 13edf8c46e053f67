import type { Job } from '@yard-spool/contract';
import { runFacts, runSteps, type DayReel, type FillPlan, type HouseRules } from '@yard-spool/core';

/** The shop's rules, and whether a device counts where it is filled. */
export interface Ways {
  readonly rules: HouseRules;
  readonly counted: boolean;
}

/** What a reel goes through, and how much is wound on it, as its plan and the shop's rules have it. */
export function needsOf(
  { type, planInput, wants }: Pick<Job, 'type' | 'planInput' | 'wants'>,
  layers: FillPlan['layers'],
  { rules, counted }: Ways,
): Pick<DayReel, 'fill' | 'strip' | 'walk' | 'relief'> {
  const steps = new Set(
    runSteps(runFacts({ job: { planInput, type, wants }, under: { rules } })).map(({ kind }) => kind),
  );
  // Where only the counter is matched its line is on already.
  const wound = wants.counterOnly ? [] : layers.filter(({ request }) => request.kind === 'line');
  return {
    fill: {
      type,
      turns: wound.reduce((all, { handleTurns }) => all + handleTurns.value, 0),
      layers: wound.length,
      counted,
    },
    strip: steps.has('strip') && wants.onItNow !== '',
    walk: steps.has('counter'),
    relief: steps.has('memory'),
  };
}
