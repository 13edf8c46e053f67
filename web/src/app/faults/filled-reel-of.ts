import type { Fill, OnSpool, Reel, Run } from '@yard-spool/contract';
import {
  benchTwist,
  factsNow,
  faultReelOf,
  foldRun,
  runFacts,
  wantedGap,
  type FaultReel,
  type FilledReel,
  type RunState,
} from '@yard-spool/core';
import { DateTime } from 'luxon';
import { dragParts } from '../data/drag-parts';
import { fillNow } from '../data/fill-now';

/** Lots and people of which more came back than chance allows. */
export interface StandsOut {
  readonly lots: ReadonlySet<string>;
  readonly hands: ReadonlySet<string>;
}

/** What the record knows of a fill, as the fault finder takes it. */
export function filledReelOf(
  { type, spools }: Pick<Reel, 'type' | 'spools'>,
  fill: Fill,
  run: Run,
  out: StandsOut,
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
    lotStandsOut: lotStandsOut(fill, out.lots),
    handStandsOut: out.hands.has(fill.by),
    wet: woundWet(fill),
    supplyTwist: supplyTwist(fill, run, state),
    drag: typeof state.notes['drag-reading']?.drag === 'number' ? state.notes['drag-reading'].drag : null,
    strengths: dragParts(run, facts, state).map(({ strength }) => strength),
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
function lotStandsOut({ layers }: Fill, bad: ReadonlySet<string>): boolean | null {
  const lots = layers.map(({ lot }) => lot).filter((lot) => lot !== '');
  return lots.length > 0 ? lots.some((lot) => bad.has(lot)) : null;
}

/** Whether its nylon was wound wet; null where the house soaks it and no tub knows of it: that may have been done elsewhere. */
function woundWet({ layers, under: { rules } }: Fill): boolean | null {
  const nylon = layers.filter(({ line }) => line.material === 'nylon');
  if (nylon.length === 0) return null;
  return nylon.some(({ wet }) => wet) ? true : rules.soak === 'none' ? false : null;
}

/** Turns a metre by the way the last supply stood that was looked at, and the least any way of laying it out puts in. */
function supplyTwist({ layers }: Fill, { job, supplies }: Run, seen: RunState): FilledReel['supplyTwist'] {
  const top = layers.findLast(({ id }) => seen.supplies[id]);
  const stood = top && seen.supplies[top.id];
  const supply = supplies.find(({ layer }) => layer === top?.id)?.diameters[0];
  if (!stood || supply === undefined) return null;
  const { asLaidOut, turnedOver, expected } = benchTwist(stood, job.type, {
    reel: 2 * top.outerRadius,
    supply,
  });
  const turns = Math.abs(asLaidOut.onSpool);
  return { turns, best: expected.rotor ? Math.min(turns, Math.abs(turnedOver.onSpool)) : 0 };
}

/** What can be wrong with a reel that is on the bench: by what is planned for it. */
export function reelOfRun(run: Run): FaultReel {
  const { type, request } = runFacts(run);
  return faultReelOf(
    type,
    request.layers.flatMap((layer) => ('line' in layer ? [layer.line] : [])),
  );
}
