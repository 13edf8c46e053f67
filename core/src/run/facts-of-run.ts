import type { HouseRules } from '../house-rules/house-rules';
import type { ReelType } from '../lines/reel-type';
import type { FillRequest } from '../plan/fill-request';
import type { RunFacts } from '../steps/run-facts';

/** A reel that was booked, as far as its steps depend on it. */
export interface BookedReel {
  readonly planInput: { readonly request: FillRequest };
  readonly type: ReelType;
  readonly wants: {
    readonly mainFirst: boolean;
    readonly leader: string;
    readonly endForEnd: boolean;
    readonly counterOnly: boolean;
    /** Depth of the bottom of a bevelled rim, mm. */
    readonly bevelMm: number | null;
  };
}

/** What the steps of a run are made from. */
export const runFacts = ({
  job: { planInput, type, wants },
  under,
}: {
  readonly job: BookedReel;
  readonly under: { readonly rules: HouseRules };
}): RunFacts => ({
  request: planInput.request,
  type,
  rules: under.rules,
  mainFirst: wants.mainFirst,
  leader: wants.leader !== '',
  turned: wants.endForEnd,
  counterOnly: wants.counterOnly,
  ...(wants.bevelMm === null ? {} : { rim: { kind: 'bevel', depth: wants.bevelMm } as const }),
});
