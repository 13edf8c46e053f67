import {
  fillAsObservation,
  fillUnderWay,
  inferSpool,
  planFill,
  restToGap,
  STARTING_PRIORS,
  woundArea,
  READING_SD,
  type ClosedFill,
  type DepthRead,
  type FillPlan,
  type FillRequest,
  type Line,
  type Observation,
  type SpoolGeometry,
  type WoundLength,
} from '../index';
import { BACKING, MAIN, valueOf } from './examples';
import { normalFrom, percentile, seeded } from '../numeric/random';
import { windTurns } from './turn-by-turn';

const GAP = 1.5;
const GEAR = 5.2;
const VISITS = 3;

/** A reel as it really is, which nobody at the bench knows, and what the bench reads of it. */
interface TrueReel {
  readonly spool: SpoolGeometry;
  readonly bulk: Readonly<Record<string, number>>;
  readonly readings: readonly Observation[];
  /** Metres of main the customer wants: three fifths of the room. */
  readonly wanted: number;
}

/** Draws one reel and its readings from the starting priors and the usual reading errors. */
function drawReel(normal: () => number): TrueReel {
  const { lip, aspect, arborShare, packing, ratingDepth, bulk } = STARTING_PRIORS;
  const spread = (median: number, sd: number): number => median * Math.exp(sd * normal());
  const lipRadius = spread(lip.median, lip.sd);
  const width = lipRadius * spread(aspect.median, aspect.sd);
  const odds = spread(arborShare.median / (1 - arborShare.median), arborShare.sd / (1 - arborShare.median));
  const spool = {
    lipRadius,
    width,
    arborRadius: (lipRadius * odds) / (1 + odds),
    packing: spread(packing.median, packing.sd),
    ratingDepth: ratingDepth.median + ratingDepth.sd * normal(),
  };
  const holds = (diameter: number, depth: number): number => {
    const area = woundArea(diameter, 1, spool.packing);
    const turns = ((lipRadius - depth - spool.arborRadius) * width) / area;
    return windTurns(width, spool.arborRadius, area, turns).length;
  };
  const rating = (diameter: number): Observation => ({
    kind: 'rating',
    length: spread(holds(diameter, spool.ratingDepth), READING_SD.rating),
    diameter,
  });
  const readings: Observation[] = [
    rating(0.25),
    rating(0.3),
    { kind: 'lip', diameter: 2 * lipRadius + READING_SD.lip * normal() },
    { kind: 'width', width: width + READING_SD.width * normal() },
  ];
  return {
    spool,
    bulk: { main: spread(1, bulk.nylon.sd), backing: spread(1, bulk.nylon.sd) },
    readings,
    wanted: 0.6 * holds(MAIN.diameter, GAP),
  };
}

/** Whether the bench would take this reel on at all: room for a fill and figures inside the ranges it accepts. */
const isFillable = ({ spool, wanted, readings }: TrueReel): boolean =>
  spool.lipRadius - spool.arborRadius > GAP + 2 && wanted > 40 && wanted < 1500 && inferSpool(readings).ok;

/** The bench's side of one visit. */
interface Bench {
  readonly reel: TrueReel;
  readonly known: readonly Observation[];
  readonly normal: () => number;
}

const layersOf = (backing: number | 'fits', main: number | 'fits'): FillRequest => ({
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: backing },
    { kind: 'line', id: 'main', role: 'main', line: MAIN, length: main },
  ],
  gap: GAP,
  gear: GEAR,
});

const spoolTurns = (plan: FillPlan, id: string): number =>
  plan.layers.find((layer) => layer.id === id)?.spoolTurns ?? 0;

/** One fill as the product leads it, wound turn by turn on the true reel; the error of its end gap, mm. */
function visit(
  { reel, known, normal }: Bench,
  depthsRead: number,
): { readonly error: number; readonly closed: ClosedFill } {
  const { spool } = reel;
  const areaOf = (line: Line): number => woundArea(line.diameter, reel.bulk[line.key] ?? 1, spool.packing);
  const look = (radius: number): number => spool.lipRadius - radius + READING_SD.calliper * normal();
  const plan = valueOf(planFill(valueOf(inferSpool(known)), layersOf('fits', reel.wanted)));
  const backing = spoolTurns(plan, 'backing');
  const onArbor = windTurns(spool.width, spool.arborRadius, areaOf(BACKING), backing).radius;
  const on = (turns: number): number => windTurns(spool.width, onArbor, areaOf(MAIN), turns).radius;
  const counted = (turns: number): WoundLength[] => [
    { line: BACKING, spoolTurns: backing },
    { line: MAIN, spoolTurns: turns },
  ];
  const reads: DepthRead[] = [];
  let main = spoolTurns(plan, 'main');
  for (let i = 0; i < depthsRead; i += 1) {
    const soFar = i === 0 ? 0 : main / 2;
    reads.push({ kind: 'depth', layers: counted(soFar), depth: look(on(soFar)), by: 'calliper' });
    const segments = { backing: [{ spoolTurns: backing }], main: [{ spoolTurns: soFar }] };
    const fill = fillUnderWay({
      observations: known,
      reads,
      request: layersOf('fits', reel.wanted),
      segments,
    });
    main = spoolTurns(valueOf(restToGap(valueOf(fill), 'main')), 'main');
  }
  // Followed blindly the plan may stand proud of the lip; a person stops at the lip, and that is what is remembered.
  const stopped = Math.min(main, ((spool.lipRadius - onArbor) * spool.width) / areaOf(MAIN));
  return {
    error: spool.lipRadius - on(main) - GAP,
    closed: { layers: counted(stopped), gap: look(on(stopped)), by: 'calliper' },
  };
}

/** Error of the end gap over many visits, mm. */
export interface GapError {
  readonly depthsRead: number;
  readonly visit: number;
  readonly median: number;
  readonly ninetieth: number;
}

/**
 * Simulated shop visits: reels drawn from the starting priors, each filled three times with none, one and two depth
 * readings a fill, each closed fill remembered for the next. Seeded, so that the figures repeat.
 *
 * @param reels how many reels come in
 */
export function simulateVisits(reels: number, seed = 20_261): GapError[] {
  const normal = normalFrom(seeded(seed));
  const errors = new Map<string, number[]>();
  for (let done = 0; done < reels;) {
    const reel = drawReel(normal);
    if (!isFillable(reel)) continue;
    done += 1;
    for (const depthsRead of [0, 1, 2]) {
      const known: Observation[] = [...reel.readings];
      for (let nth = 1; nth <= VISITS; nth += 1) {
        const { error, closed } = visit({ reel, known, normal }, depthsRead);
        known.push(fillAsObservation(closed));
        const key = `${depthsRead} ${nth}`;
        errors.set(key, [...(errors.get(key) ?? []), Math.abs(error)]);
      }
    }
  }
  return [...errors].map(([key, figures]) => {
    const [depthsRead = 0, nth = 0] = key.split(' ').map(Number);
    return { depthsRead, visit: nth, median: percentile(figures, 0.5), ninetieth: percentile(figures, 0.9) };
  });
}
