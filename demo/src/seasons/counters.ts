import { recordedTable, woundArea, type RecordedMatch, type WoundLayer } from '@yard-spool/core';
import type { SpoolGeometry } from '@yard-spool/core';
import type { Dice } from './dice';

const MATCH_M = 24;

interface Walked {
  readonly at: Date;
  readonly by: string;
  readonly dice: Dice;
  /** Of the lines, by layer, mm. */
  readonly diameters: ReadonlyMap<string, number>;
}

/** How the counter of a trolling reel was set up before it was closed: two walks, a few metres moved between them, and what it reads then. */
export function matchOf(
  lies: readonly WoundLayer[],
  spool: SpoolGeometry,
  { at, by, dice, diameters }: Walked,
): RecordedMatch {
  const top = [...lies].reverse();
  const outer = top[0]?.outerRadius ?? spool.lipRadius;
  const counted = {
    width: spool.width,
    outer,
    lip: spool.lipRadius,
    layers: top.map(({ id, innerRadius }) => ({
      inner: innerRadius,
      area: woundArea(diameters.get(id) ?? 0.4, 1, spool.packing),
    })),
  };
  const asTurns = recordedTable({ spool: counted, perTurn: 1, readsSd: 0.004, match: MATCH_M, unit: 'm' });
  const turns = asTurns.find(({ length }) => Math.abs(length - MATCH_M) < 1e-6)?.reading.value ?? MATCH_M;
  const agrees = dice.next() < 0.85;
  const reads = agrees ? dice.about(MATCH_M, 0.004) : dice.about(MATCH_M * 1.05, 0.01);
  const first = Math.round(dice.about(MATCH_M * 1.06, 0.02));
  const walk = { tape: MATCH_M, over: 'field' as const, by };
  const when = (minutes: number): string => new Date(at.getTime() + minutes * 60_000).toISOString();
  return {
    unit: 'm',
    step: 1,
    match: MATCH_M,
    reads,
    agrees,
    spool: counted,
    tight: true,
    perTurn: reads / turns,
    sd: 0.006,
    readsSd: 0.004,
    depth: spool.lipRadius - outer,
    walks: [
      { ...walk, reading: first, expected: null, moved: 0, at: when(-24) },
      { ...walk, reading: Math.round(reads), expected: reads, moved: 6, at: when(-11) },
    ],
  };
}
