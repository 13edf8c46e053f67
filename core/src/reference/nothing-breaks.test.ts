import { describe, expect, it } from 'vitest';
import {
  benchTwist,
  beliefsFor,
  compareBuilds,
  creditCount,
  diameterByWraps,
  dragAdvice,
  evidenceOfRun,
  fillUnderWay,
  explainLayer,
  finalFill,
  foldRun,
  formatQuantity,
  gapAdvice,
  gapRemedy,
  inferSpool,
  judgeDepth,
  layAdvice,
  learnMass,
  learnShop,
  looseLayer,
  makeItSurer,
  makePlan,
  metresFromMass,
  observationsOfFill,
  parseQuantity,
  planSwap,
  readPrints,
  readSlackTest,
  restAsAsked,
  restOfFill,
  restToGap,
  reverseAdvice,
  runUnderWay,
  serviceAdvice,
  settleFill,
  slackLookDue,
  soakUptake,
  supplySizes,
  thumbRemedy,
  tooLong,
  twistLedger,
  USUAL_HOUSE_RULES,
  type Line,
} from '../index';
import { badNumber, Nasty } from '../testing/nasty';

/** Half a year of what people type, in one seeded run. */
const EACH = 1200;

type Try = (nasty: Nasty) => readonly unknown[];

const TRIES: readonly (readonly [what: string, attempt: Try, times?: number])[] = [
  ['inference', (nasty) => [inferSpool(nasty.some(5, () => nasty.observation()))]],
  ['a plan', (nasty) => [makePlan(nasty.input())]],
  [
    'a plan looked into',
    (nasty) => {
      const input = nasty.input();
      const made = makePlan(input);
      if (!made.ok) return [made];
      const { plan, spool } = made.value;
      return [plan, makeItSurer(input), explainLayer(plan, spool, nasty.name(), input.request.gear)];
    },
    400,
  ],
  [
    'a plan corrected, swapped and built otherwise',
    (nasty) => {
      const { observations, request } = nasty.input();
      const spool = inferSpool(observations);
      const reads = nasty.some(2, () => ({
        kind: 'depth' as const,
        layers: nasty.some(2, () => nasty.woundLength()),
        depth: nasty.number(0, 12),
        by: 'calliper' as const,
      }));
      const segments = {
        [nasty.name()]: [{ spoolTurns: nasty.number(0, 1500) }, { metres: nasty.number(0, 90) }],
      };
      const fill = fillUnderWay({ observations, reads, request, segments });
      const layer = nasty.name();
      const main = nasty.line();
      const backing = nasty.line();
      const of = { mainLength: nasty.number(1, 200), gap: nasty.number(0, 3), gear: nasty.number(3, 7) };
      const stock = (line: Line) => ({ line, free: nasty.number(0, 900), pricePerMetre: nasty.number(0, 1) });
      const builds = { ...of, main: stock(main), backing: stock(backing), spareSpool: true };
      return [
        ...(fill.ok ? [fill.value.spool, fill.value.wound] : [fill]),
        ...(fill.ok ? [restAsAsked(fill.value, layer), restToGap(fill.value, layer)] : []),
        ...(spool.ok
          ? [
              planSwap(spool.value, { main, backing, ...of }),
              compareBuilds(spool.value, builds, { order: 'backing-first' }),
            ]
          : []),
      ];
    },
    800,
  ],
  [
    'a run at the bench',
    (nasty) => {
      const input = nasty.input();
      const facts = nasty.facts(input.request);
      const layers = input.request.layers.map(({ id }) => id);
      const state = foldRun(facts, nasty.log(layers));
      const underWay = runUnderWay(input, facts, state);
      if (!underWay) return [state];
      const { wound, winding, plan } = underWay;
      return [
        state,
        wound,
        winding,
        plan,
        restOfFill(underWay),
        tooLong(underWay, state),
        gapRemedy(facts, underWay, state),
        thumbRemedy(facts, underWay, state),
        looseLayer(underWay, state),
        finalFill(facts, underWay.spool, wound),
        judgeDepth(underWay, nasty.one([...layers, 'gap']), { depth: nasty.number(0, 12), by: 'eye' }),
        creditCount(
          { name: 'd', counts: nasty.one(['metres', 'spool-turns'] as const), per: nasty.number(1, 100) },
          { ...state, devices: { d: nasty.number(0, 900) }, counting: new Set(['d']) },
          nasty.number(0, 1000),
          { gear: nasty.number(3, 7) },
        ),
      ];
    },
    2000,
  ],
  [
    'a fill closed',
    (nasty) => {
      const input = nasty.input();
      const facts = nasty.facts(input.request);
      const layers = input.request.layers.map(({ id }) => id);
      const state = foldRun(facts, nasty.log(layers));
      const held = () => ({ length: nasty.number(50, 400), sd: nasty.number(0, 9), sealed: nasty.flag() });
      const evidence = evidenceOfRun(input, facts, state, { main: held(), backing: held() });
      const settled = settleFill(evidence);
      return settled.ok ? [settled, observationsOfFill(evidence, settled.value)] : [settled];
    },
    500,
  ],
  [
    'what is typed in one field',
    (nasty) => {
      const text = nasty.text();
      const quantity = parseQuantity(text, nasty.one(['line-length', 'ratio', 'mass', 'count'] as const));
      return [quantity, readPrints(text), readPrints(`${text} ${nasty.text()}`)];
    },
    8600,
  ],
  [
    'twist, lay, soak, mass and wear',
    (nasty) => {
      const line = nasty.line();
      const seen = { way: nasty.one(['over-end', 'rig', 'rolling', 'winder'] as const), reelTurns: null };
      const wear = { months: nasty.number(0, 40), trips: nasty.number(0, 60) };
      const mm = () => nasty.number(1, 300_000);
      const supply = { flangeMm: mm(), coreMm: mm(), receivedMm: mm(), lengthMm: mm() };
      return [
        benchTwist({ ...seen, supplyTurns: 'clockwise' }, 'fixed-spool', { reel: mm(), supply: mm() }),
        twistLedger({
          supply: { kind: 'over-end', sense: 1, diameter: mm() },
          reel: { sense: -1, diameter: mm() },
          cast: { overLip: true, sense: 1 },
          slip: nasty.number(0, 1),
        }),
        readSlackTest(
          {
            pinched: nasty.number(0.5, 4),
            plyTurns: nasty.number(0, 30),
            wound: nasty.number(0, 30),
            span: nasty.number(0.5, 4),
          },
          {
            asLaidOut: nasty.number(-12, 12),
            turnedOver: nasty.number(-12, 12),
            rotor: true,
            supplyCoil: nasty.number(1, 6),
          },
        ),
        slackLookDue(nasty.number(0.1, 1), nasty.number(0.5, 4)),
        layAdvice(nasty.lay(), nasty.number(0.1, 0.6), { washers: 'at-the-bench' }),
        soakUptake(line.diameter, nasty.number(0, 60), line.material),
        metresFromMass(line, { gross: nasty.number(50, 900), tare: nasty.number(10, 90) }),
        learnMass([{ metres: nasty.number(1, 90), grams: nasty.number(1, 90) }]),
        diameterByWraps(nasty.number(1, 30), nasty.number(5, 60)),
        supplySizes(supply, nasty.number(0, 300)),
        serviceAdvice(line, wear, USUAL_HOUSE_RULES),
        reverseAdvice(line, { length: mm(), fished: mm() }, wear, USUAL_HOUSE_RULES),
        dragAdvice([nasty.number(1, 30), nasty.number(1, 30)], USUAL_HOUSE_RULES),
        gapAdvice(
          line.diameter,
          'fixed-spool',
          { kind: 'bevel', depth: nasty.number(0, 5) },
          USUAL_HOUSE_RULES,
        ),
        formatQuantity(nasty.number(-5, 900), 'line-length').unit,
      ];
    },
    5000,
  ],
  [
    'what a shop learns',
    (nasty) => {
      const lessons = nasty.some(5, () => ({
        lines: nasty.some(2, () => ({ ...nasty.line(), share: nasty.number(0, 1) })),
        value: nasty.number(-0.2, 0.2),
        precision: nasty.number(0, 900),
        prints: nasty.some(1, () => ({ name: 'strength-nylon', value: nasty.number(-1, 1), precision: 40 })),
        kind: nasty.name(),
        hand: nasty.name(),
      }));
      const learning = learnShop(lessons);
      return [
        learning,
        beliefsFor(learning, { type: 'trolling', kind: nasty.name(), lines: [nasty.name()] }),
      ];
    },
    1000,
  ],
];

describe('whatever a person can type or a file can hold', () => {
  it.each(TRIES.map(([what, attempt, times = EACH]) => ({ what, attempt, times })))(
    '$what neither throws nor comes to a number that is none',
    ({ attempt, times }) => {
      const nasty = new Nasty(times);
      let whole = 0;
      for (let i = 0; i < times; i += 1) {
        const came = attempt(nasty);
        expect([i, badNumber(came)]).toEqual([i, null]);
        if (came.length > 1 || JSON.stringify(came).startsWith('[{"ok":true')) whole += 1;
      }
      // Most are reasonable enough to get past the first check: what lies behind it was met too.
      expect(whole).toBeGreaterThan(times / 20);
    },
    60_000,
  );

  it('is twenty thousand inputs in all', () => {
    const all = TRIES.reduce((sum, [, , times = EACH]) => sum + times, 0);
    expect(all).toBeGreaterThanOrEqual(20_000);
  });
});
