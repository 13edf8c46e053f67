import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fillUnderWay, restAsAsked, restToGap } from '../plan/fill-under-way';
import { planSwap } from '../plan/plan-swap';
import { inferSpool } from '../spool/infer-spool';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST, said } from '../testing/examples';
import { done, event, FACTS, turns } from '../testing/runs';
import { finalFill } from './final-fill';
import { foldRun } from './fold-run';
import { judgeDepth } from './judge-depth';
import { restOfFill } from './rest-of-fill';
import type { RunEvent } from './run-event';
import type { RunFacts } from '../steps/run-facts';
import { tooLong } from './too-long';
import { runUnderWay, type RunUnderWay } from './under-way';

const INPUT = { observations: WORKED_READINGS.slice(0, 4), request: WORKED_REQUEST };
const BACKING_TURNS = 166;
const upToBacking = [...done(1, 'strip', 'mount', 'tie-on'), turns(4, BACKING_TURNS)];
const depth = (seq: number, mm: number, after = 'backing'): RunEvent =>
  event(seq, { kind: 'depth-read', payload: { after, depth: mm, by: 'calliper' } });
const onMain = (mm: number, facts: RunFacts = FACTS): RunUnderWay =>
  at(
    facts,
    ...upToBacking,
    ...done(5, 'wind-backing'),
    depth(6, mm),
    ...done(7, 'depth-backing', 'join-main'),
  );

function at(facts: RunFacts, ...log: readonly RunEvent[]): RunUnderWay {
  const underWay = runUnderWay(INPUT, facts, foldRun(facts, log));
  if (!underWay) throw new Error('The worked spool can be inferred.');
  return underWay;
}

describe('a depth read at the bench', () => {
  it('leaves the same room as the plan corrected by hand with the same turns', () => {
    const rest = restOfFill(onMain(6.3))!;
    const fill = valueOf(
      fillUnderWay({
        observations: INPUT.observations,
        reads: [
          {
            kind: 'depth',
            layers: [{ line: BACKING, spoolTurns: BACKING_TURNS * WORKED_REQUEST.gear }],
            depth: 6.3,
            by: 'calliper',
          },
        ],
        request: WORKED_REQUEST,
        segments: { backing: [{ spoolTurns: BACKING_TURNS * WORKED_REQUEST.gear }] },
      }),
    );
    expect(rest.fits!.value).toBeCloseTo(valueOf(restToGap(fill, 'main')).layers[1]!.length.value, 6);
    expect(rest.gap.value).toBeCloseTo(valueOf(restAsAsked(fill, 'main')).gap.value, 6);
  });

  it('leaves more room the lower the backing sits, and makes the rest surer', () => {
    const fits = (mm: number): number => restOfFill(onMain(mm))!.fits!.value;
    expect(fits(6.6)).toBeGreaterThan(fits(6.3));
    expect(fits(6.3)).toBeGreaterThan(fits(5.8));
    const unread = at(FACTS, ...upToBacking, ...done(5, 'wind-backing', 'depth-backing', 'join-main'));
    expect(restOfFill(onMain(6.3))!.fits!.sd).toBeLessThan(restOfFill(unread)!.fits!.sd);
  });

  it('in mid-main makes it surer again', () => {
    const log = [
      ...upToBacking,
      ...done(5, 'wind-backing'),
      depth(6, 6.3),
      ...done(7, 'depth-backing', 'join-main'),
    ];
    const once = at(FACTS, ...log, turns(9, 95, 'main'));
    const twice = at(FACTS, ...log, turns(9, 95, 'main'), depth(10, 3.9, 'main'));
    expect(restOfFill(twice)!.fits!.sd).toBeLessThan(0.8 * restOfFill(once)!.fits!.sd);
  });
});

describe('judgeDepth', () => {
  const now = at(FACTS, ...upToBacking);
  const judge = (mm: number, by: 'calliper' | 'eye' = 'calliper') =>
    judgeDepth(now, 'backing', { depth: mm, by });

  it('believes what the count comes to', () => {
    const { expected } = judge(6);
    expect(expected).toBeCloseTo(6, 0);
    expect(judge(expected).verdict).toBe('fits');
  });

  it('questions a reading far from the count, and one that cannot be', () => {
    const { expected, sd } = judge(6);
    expect(judge(expected - 3.5 * Math.hypot(sd, 0.2)).verdict).toBe('unlikely');
    expect(judge(19).verdict).toBe('impossible');
    expect(judge(-4).verdict).toBe('impossible');
    expect(said(judge(19).sentence)).toContain('Measure again');
  });

  it('is milder with an eye than with a calliper, and never the other way', () => {
    const rank = { fits: 0, unlikely: 1, impossible: 2 };
    fc.assert(
      fc.property(fc.double({ min: -10, max: 25, noNaN: true }), (mm) => {
        expect(rank[judge(mm, 'eye').verdict]).toBeLessThanOrEqual(rank[judge(mm).verdict]);
      }),
    );
  });
});

const NOTHING = { wound: {}, supplies: {} };

describe('a main too long for what is left', () => {
  it('is asked about only where it is, and each answer comes out at the gap', () => {
    expect(tooLong(onMain(6.6), NOTHING)).toBeNull();
    const long = tooLong(onMain(5.6), NOTHING)!;
    expect(long.gap.value).toBeLessThan(1.4);
    expect(long.cutTo.value).toBeLessThan(120);
    expect(long.takeOff!.layer).toBe('backing');

    const back = [
      ...upToBacking,
      ...done(5, 'wind-backing'),
      depth(6, 5.6),
      ...done(7, 'depth-backing', 'join-main'),
      event(9, { kind: 'chosen', payload: { layer: 'main', how: 'take-off' } }),
      turns(10, -long.takeOff!.counted.amount),
    ];
    expect(restOfFill(at(FACTS, ...back))!.gap.value).toBeCloseTo(1.5, 1);
    const log = back.slice(0, -2);
    const cut = event(9, {
      kind: 'chosen',
      payload: { layer: 'main', how: 'cut-short', length: long.cutTo.value },
    });
    expect(restOfFill(at(FACTS, ...log, cut))!.gap.value).toBeCloseTo(1.5, 6);
    const accept = event(9, {
      kind: 'chosen',
      payload: { layer: 'main', how: 'smaller-gap', gap: long.gap.value },
    });
    expect(tooLong(at(FACTS, ...log, accept), NOTHING)).toBeNull();
  });
});

describe('a main too long with some of it on', () => {
  it('leaves what is below it alone: none of that can come off any more', () => {
    const log = [
      ...upToBacking,
      ...done(5, 'wind-backing'),
      depth(6, 5.6),
      ...done(7, 'depth-backing', 'join-main'),
      turns(9, 100, 'main'),
    ];
    const state = foldRun(FACTS, log);
    const long = tooLong(at(FACTS, ...log), state)!;
    expect(long.takeOff).toBeNull();
    expect(long.cutTo.value).toBeGreaterThan(at(FACTS, ...log).wound.at(-1)!.length);
  });
});

describe('main first, then swapped over', () => {
  it('ends with the metres of both windings, the other way round', () => {
    const facts: RunFacts = { ...FACTS, mainFirst: true };
    const spool = valueOf(inferSpool(INPUT.observations));
    const plan = valueOf(
      planSwap(spool, { main: MAIN, backing: BACKING, mainLength: 120, gap: 1.5, gear: 5.2 }),
    );
    const [main, backing] = plan.first.layers;
    const underWay = at(
      facts,
      turns(1, main!.handleTurns.value, 'main'),
      turns(2, backing!.handleTurns.value, 'backing'),
    );
    const fill = finalFill(facts, underWay.spool, underWay.wound);
    expect(fill.map(({ id }) => id)).toEqual(['backing', 'main']);
    expect(fill[0]!.length).toBeCloseTo(plan.second.layers[0]!.length.value, 4);
    expect(fill[0]!.handleTurns / backing!.handleTurns.value).toBeCloseTo(plan.turnsFactor, 4);
    expect(fill[1]!.depthAfter).toBeCloseTo(1.5, 3);
  });

  it('wound straight on, what was wound is what lies there', () => {
    const underWay = onMain(6.3);
    expect(finalFill(FACTS, underWay.spool, underWay.wound)).toEqual(underWay.wound);
  });
});

describe('a bench winder that turns the spool itself', () => {
  const seen = { layer: 'backing', way: 'winder', supplyTurns: null, reelTurns: null } as const;
  const winder = event(4, { kind: 'supply', payload: seen });

  it('counts spool turns: gear times as many for the same line', () => {
    const before = done(1, 'strip', 'mount', 'tie-on');
    const byHandle = at(FACTS, ...before).winding!;
    const byWinder = at(FACTS, ...before, winder).winding!;
    expect(byWinder.turnsToGo / byHandle.turnsToGo).toBeCloseTo(5.2, 1);
    expect(byHandle.perTurn / byWinder.perTurn).toBeCloseTo(5.2, 6);
    const wound = at(FACTS, ...before, winder, turns(5, 520)).wound[0]!;
    expect(wound.length).toBeCloseTo(at(FACTS, ...before, turns(5, 100)).wound[0]!.length, 6);
  });

  it('teaches of the spool what the same turns by the handle would', () => {
    const before = done(1, 'strip', 'mount', 'tie-on');
    const rest = ['wind-backing', 'depth-backing', 'join-main'];
    const byWinder = at(FACTS, ...before, winder, turns(5, 166 * 5.2), depth(6, 6.3), ...done(7, ...rest));
    expect(restOfFill(byWinder)!.fits!.value).toBeCloseTo(restOfFill(onMain(6.3))!.fits!.value, 6);
  });
});
