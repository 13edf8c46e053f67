// How near a part-wound spool is known by what was looked at: counted, with one depth and with two, and metered.
import {
  foldRun,
  spoolUnderWay,
  woundArea,
  type FillRequest,
  type Observation,
  type RunEvent,
  type RunFacts,
  type RunHappening,
  USUAL_HOUSE_RULES,
  windingOn,
} from '../src/index';
import { meteredBacking } from '../src/testing/metered-fill';
import { normalFrom, seeded } from '../src/numeric/random';
import { lengthBetween } from '../src/winding/winding';
import { medianMs, report } from './report';

const BACKING = { key: 'backing', material: 'nylon', diameter: 0.25 } as const;
const REQUEST: FillRequest = {
  layers: [{ kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 'fits' }],
  gap: 1.5,
  gear: 5.2,
};
const FACTS: RunFacts = {
  request: REQUEST,
  type: 'fixed-spool',
  rules: USUAL_HOUSE_RULES,
  mainFirst: false,
  leader: false,
};
const SPOOLS = 200;
const TURNS = 168;
const AHEAD = 84;
const WAYS = ['counted alone', 'one depth', 'two depths', 'metered', 'metered, one depth'] as const;
type Way = (typeof WAYS)[number];
type Happened = RunEvent | RunHappening;

const normal = normalFrom(seeded(31));
const around = (median: number, sd: number): number => median * Math.exp(sd * normal());
const inOrder = (events: readonly Happened[]): RunEvent[] =>
  events.map((one, at) => ({ run: '1', at: '', by: 'Joss', ...one, seq: at + 1, id: `e${String(at)}` }));

/** A spool drawn around one print and a lip, what is read of it, and where its line truly lies. */
function drawn() {
  const arborRadius = around(14.5, 0.06);
  const width = around(17, 0.1);
  const packing = around(0.7, 0.08);
  const bulk = around(1, 0.05);
  const scale = around(1, 0.01);
  const lipRadius = 23 + 0.15 * normal();
  const full = lipRadius - around(1.5, 0.3);
  const observations: Observation[] = [
    { kind: 'lip', diameter: 2 * lipRadius + 0.3 * normal() },
    {
      kind: 'rating',
      length: lengthBetween(width, arborRadius, full, woundArea(0.3, 1, packing)) * around(1, 0.067),
      diameter: 0.3,
    },
  ];
  const spool = { lipRadius, width, arborRadius, packing, ratingDepth: 1.5 };
  const rise = woundArea(BACKING.diameter, bulk, packing) / width;
  const radius = (turns: number): number => arborRadius + turns * REQUEST.gear * rise;
  const log = meteredBacking({
    spool,
    line: BACKING,
    bulk,
    gear: REQUEST.gear,
    turns: TURNS,
    scale: () => scale,
  });
  return { observations, log, radius, lipRadius };
}

function ways({ log, radius, lipRadius }: ReturnType<typeof drawn>): Record<Way, readonly Happened[]> {
  const depth = (turns: number): RunHappening => ({
    kind: 'depth-read',
    payload: { after: 'backing', depth: lipRadius - radius(turns) + 0.2 * normal(), by: 'calliper' },
  });
  const plain = log.filter(({ kind }) => kind !== 'metered');
  const half = plain.findIndex((one) => one.kind === 'turns' && one.payload.count === TURNS / 2) + 1;
  const late = depth(TURNS);
  return {
    'counted alone': plain,
    'one depth': [...plain, late],
    'two depths': [...plain.slice(0, half), depth(TURNS / 2), ...plain.slice(half), late],
    metered: log,
    'metered, one depth': [...log, late],
  };
}

const found = new Map(WAYS.map((way) => [way, { depth: [] as number[], length: [] as number[] }]));
let last: { observations: readonly Observation[]; log: readonly RunEvent[] } | null = null;
for (let i = 0; i < SPOOLS; i += 1) {
  const one = drawn();
  last = one;
  const logs = ways(one);
  for (const way of WAYS) {
    const state = foldRun(FACTS, inOrder(logs[way]));
    const under = spoolUnderWay(one, FACTS, state);
    if (!under) throw new Error('This spool can be worked out.');
    const ahead = windingOn(under, {
      ...state,
      wound: { backing: [{ spoolTurns: (TURNS + AHEAD) * REQUEST.gear }] },
    });
    const truly = one.lipRadius - one.radius(TURNS + AHEAD);
    found.get(way)?.depth.push(Math.abs((ahead.wound[0]?.depthAfter ?? NaN) - truly));
    const on = windingOn(under, state).wound[0]?.length ?? NaN;
    const really = (Math.PI * TURNS * REQUEST.gear * (one.radius(0) + one.radius(TURNS))) / 1000;
    found.get(way)?.length.push(100 * Math.abs(on / really - 1));
  }
}

const at = (share: number, values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * values.length)] ?? NaN;
process.stdout.write(
  `\n${String(SPOOLS)} spools drawn around one print and a lip, ${String(TURNS)} turns of backing on\n`,
);
for (const [way, { depth, length }] of found) {
  report(`${way}: depth ${String(AHEAD)} turns on, off by, half of them`, at(0.5, depth), 'mm');
  report(`${way}: nine in ten`, at(0.9, depth), 'mm');
  report(`${way}: length on so far, off by, half of them`, at(0.5, length), '%');
}
const run = last;
if (run) {
  const state = foldRun(FACTS, inOrder(run.log));
  report(
    'the spool worked out again after a stretch',
    medianMs(() => spoolUnderWay(run, FACTS, state), 21, 5),
    'ms',
  );
}
