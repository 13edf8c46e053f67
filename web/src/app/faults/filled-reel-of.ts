import type { Fill, Reel, Run } from '@yard-spool/contract';
import {
  factsNow,
  foldRun,
  runFacts,
  wantedGap,
  withoutTop,
  type FaultReel,
  type FilledReel,
} from '@yard-spool/core';
import { DateTime } from 'luxon';

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
  const on = spools.find(({ name }) => name === fill.spoolName)?.on;
  const off = on?.fillId === fill.id ? on.offMm / 1000 : 0;
  const { lipRadius, arborRadius } = fill.spool;
  const wanted = wantedGap(facts, facts.request, lipRadius - arborRadius);
  const gapClosed = fill.gapRead ?? fill.gapByCount;
  const whole = fill.layers.map(({ line, lineName, lengthMm, handleTurns, innerRadius, outerRadius }) => ({
    line,
    name: lineName,
    length: lengthMm / 1000,
    handleTurns,
    innerRadius,
    outerRadius,
    perMetre: lengthMm > 0 ? (1000 * handleTurns) / lengthMm : 0,
  }));
  const lots = fill.layers.map(({ lot }) => lot).filter((lot) => lot !== '');
  return {
    type,
    rules: fill.under.rules,
    layers: withoutTop(whole, off).map(({ perMetre, ...layer }) => ({
      ...layer,
      handleTurns: perMetre * layer.length,
    })),
    lip: lipRadius,
    wanted: wanted?.gap ?? gapClosed,
    gapClosed,
    off,
    months: Math.max(0, now.diff(DateTime.fromISO(fill.closedAt), 'months').months),
    trips: on?.fillId === fill.id ? on.trips : null,
    taped: fill.laid ? fill.laid.tape !== null : null,
    lotStandsOut: lots.length > 0 ? lots.some((lot) => badLots.has(lot)) : null,
    slacks: state.slacks,
    tensions: state.tensions,
    lays: state.lays,
  };
}

/** What can be wrong with a reel that is on the bench: by what is planned for it. */
export function reelOfRun(run: Run): FaultReel {
  const { type, request } = runFacts(run);
  const lines = request.layers.flatMap((layer) => ('line' in layer ? [layer.line] : []));
  return {
    type,
    material: lines.at(-1)?.material ?? null,
    backing: lines.some(({ key }) => key !== lines.at(-1)?.key),
  };
}
