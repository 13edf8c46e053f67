import type { Fill, OnSpool, Reel, Run } from '@yard-spool/contract';
import {
  factsNow,
  faultReelOf,
  foldRun,
  runFacts,
  wantedGap,
  type FaultReel,
  type FilledReel,
} from '@yard-spool/core';
import { DateTime } from 'luxon';
import { fillNow } from '../data/fill-now';

/** Lots of which more came back than chance allows. */
type BadLots = ReadonlySet<string>;

/** What the record knows of a fill, as the fault finder takes it. */
export function filledReelOf(
  { type, spools }: Pick<Reel, 'type' | 'spools'>,
  fill: Fill,
  run: Run,
  badLots: BadLots,
  now = DateTime.now(),
): FilledReel {
  const planned = runFacts(run);
  const state = foldRun(planned, run.events);
  const facts = factsNow(planned, state);
  const { lipRadius, arborRadius } = fill.spool;
  const wanted = wantedGap(facts, facts.request, lipRadius - arborRadius);
  const gapClosed = fill.gapRead ?? fill.gapByCount;
  const { offMm, gap, trips } = toldSince(spools, fill) ?? { offMm: 0, gap: gapClosed, trips: null };
  const off = offMm / 1000;
  return {
    type,
    rules: fill.under.rules,
    layers: fillNow(fill, off).layers.map(
      ({ line, lineName, lengthMm, handleTurns, innerRadius, outerRadius }) => ({
        line,
        name: lineName,
        length: lengthMm / 1000,
        handleTurns,
        innerRadius,
        outerRadius,
      }),
    ),
    lip: lipRadius,
    wanted: wanted?.gap ?? gapClosed,
    gapClosed,
    gapNow: gap,
    off,
    months: Math.max(0, now.diff(DateTime.fromISO(fill.closedAt), 'months').months),
    trips,
    taped: fill.laid && fill.laid.tape !== null,
    lotStandsOut: standsOut(fill, badLots),
    slacks: state.slacks,
    tensions: state.tensions,
    lays: state.lays,
  };
}

/** What was told of a fill since; null of one before the last, which lies there no more. */
function toldSince(spools: Reel['spools'], fill: Fill): OnSpool | null {
  const on = spools.find(({ name }) => name === fill.spoolName)?.on;
  return on?.fillId === fill.id ? on : null;
}

/** Whether any lot on it is one of those; null where none is written down. */
function standsOut({ layers }: Fill, badLots: BadLots): boolean | null {
  const lots = layers.map(({ lot }) => lot).filter((lot) => lot !== '');
  return lots.length > 0 ? lots.some((lot) => badLots.has(lot)) : null;
}

/** What can be wrong with a reel that is on the bench: by what is planned for it. */
export function reelOfRun(run: Run): FaultReel {
  const { type, request } = runFacts(run);
  return faultReelOf(
    type,
    request.layers.flatMap((layer) => ('line' in layer ? [layer.line] : [])),
  );
}
