/** What can happen in a run. Payloads carry what was observed; everything derived is folded from them. */
export type RunHappening =
  | { readonly kind: 'started'; readonly payload: { readonly bench: string } }
  | { readonly kind: 'step-done'; readonly payload: { readonly step: string } }
  /** Handle turns just made on a layer; negative where the handle went back. */
  | { readonly kind: 'turns'; readonly payload: { readonly layer: string; readonly turns: number } }
  /** The count put right: handle turns on a layer in all. */
  | { readonly kind: 'count-set'; readonly payload: { readonly layer: string; readonly turns: number } }
  /** Depth of the surface below the lip as read, mm. */
  | {
      readonly kind: 'depth-read';
      readonly payload: { readonly after: string; readonly depth: number; readonly by: 'calliper' | 'eye' };
    }
  /** An earlier event taken back. It stays in the log. */
  | { readonly kind: 'undone'; readonly payload: { readonly event: string } }
  | { readonly kind: 'closed'; readonly payload: Readonly<Record<string, never>> };

/** One line of a run's log. Appended once; never changed. */
export type RunEvent = RunHappening & {
  /** Made where it happened, so that sending it twice is harmless. */
  readonly id: string;
  readonly run: string;
  /** Place in the run's log, from 1 without a gap. */
  readonly seq: number;
  /** UTC, ISO 8601. */
  readonly at: string;
  /** Name of whoever did it. */
  readonly by: string;
};
