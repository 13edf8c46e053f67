import { woundArea, type Line } from '../lines/line';
import type { RunEvent, RunHappening } from '../run/run-event';
import type { SpoolGeometry } from '../spool/spool-geometry';
import { done, event } from './runs';

/** How a true spool is wound past a turn counter and a line meter. */
export interface MeteredWinding {
  readonly spool: SpoolGeometry;
  readonly line: Line;
  readonly bulk: number;
  readonly gear: number;
  readonly turns: number;
  /** What the meter reads of a true metre; of the handle turn it is asked about. */
  readonly scale?: (turn: number) => number;
}

/** Handle turns in one line of the counter. */
const AT_ONCE = 12;

/**
 * The log of a backing wound on a spool as it truly is, up to a count: credited by a counter, with a mark of the line meter
 * at every twelfth turn. Turn by turn, so that it owes nothing to the formulas it is held against.
 */
export function meteredBacking(winding: MeteredWinding): RunEvent[] {
  const { spool, line, bulk, gear, turns, scale = () => 1 } = winding;
  const rise = woundArea(line.diameter, bulk, spool.packing) / spool.width;
  const happened: RunHappening[] = [{ kind: 'device-at', payload: { device: 'reed', count: 0 } }];
  let radius = spool.arborRadius;
  let metres = 0;
  for (let turn = 0; turn < turns; turn += 1) {
    for (let part = 0; part < 100; part += 1) {
      metres += ((2 * Math.PI * radius * gear) / 1000 / 100) * scale(turn);
      radius += (rise * gear) / 100;
    }
    const count = turn + 1;
    if (count % AT_ONCE !== 0) continue;
    const from = count - AT_ONCE;
    happened.push(
      {
        kind: 'turns',
        payload: { layer: 'backing', turns: AT_ONCE, per: gear, device: 'reed', count, from },
      },
      { kind: 'metered', payload: { layer: 'backing', meter: 'wheel', metres, step: gear } },
    );
  }
  return [...done(1, 'strip', 'mount', 'tie-on'), ...happened.map((one, i) => event(4 + i, one))];
}
