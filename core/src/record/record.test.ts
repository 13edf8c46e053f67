import { describe, expect, it } from 'vitest';
import { DOUBT_CAUSES } from '../counter/walk-doubt';
import { foldRun, standingOf } from '../run/fold-run';
import { CORRECTED, type Correction, type RunEvent, type RunHappening } from '../run/run-event';
import { STEPS } from '../steps/catalogue';
import { stepId, type StepKind } from '../steps/run-facts';
import { SUPPLY_WAYS } from '../steps/supply-way';
import type { StepField } from '../steps/step-field';
import { meteredBacking } from '../testing/metered-fill';
import { BACKING } from '../testing/examples';
import { done, event, FACTS } from '../testing/runs';
import { tellEvent } from './tell-event';
import { tellFill } from './tell-fill';
import { tellLog } from './tell-log';
import { tellWants } from './tell-wants';

type Kind = RunHappening['kind'];
type Samples = { readonly [K in Kind]: Extract<RunHappening, { kind: K }>['payload'] };

/** One of each kind, with every field there is; the compiler asks for one where a kind is new. */
const SAMPLES: Samples = {
  started: { bench: 'Bench 7' },
  'taken-up': { bench: 'Bench 8' },
  'step-done': { step: 'wind-main', by: 'eye', usedUp: true },
  'step-again': { steps: ['wind-main', 'gap'] },
  'step-skipped': { step: 'memory' },
  turns: { layer: 'main', turns: 41.5, device: 'reed-9' },
  metres: { layer: 'main', metres: 17.3, device: 'wheel-9' },
  metered: { layer: 'main', meter: 'wheel-9', metres: 63.2, step: 5.2 },
  'count-set': { layer: 'main', turns: 133 },
  held: { on: true, device: 'reed-9', count: 88 },
  'device-at': { device: 'reed-9', count: 412 },
  'depth-read': { after: 'backing', depth: 6.25, by: 'calliper' },
  supply: { layer: 'main', way: 'rig', supplyTurns: 'clockwise', reelTurns: 'anticlockwise' },
  'slack-read': { layer: 'main', pinched: 2.1, plyTurns: 3.5, wound: 40.4 },
  restarted: { layer: 'main', why: 'loose' },
  'lay-read': { layer: 'main', rear: 1.25, front: 2.35, centre: 1.85, did: 'add-washer', wound: 52.7 },
  'tension-read': { layer: 'main', holds: false, wound: 71.6 },
  chosen: { layer: 'main', how: 'smaller-gap', gap: 0.85, length: 96.4 },
  walked: {
    layer: 'main',
    match: 60,
    tape: 50,
    reading: 163.5,
    unit: 'ft',
    step: 0.5,
    over: 'meter',
    expected: 164.2,
    cause: 'tension',
    left: true,
    earlier: { walk: 2, tape: 30 },
    began: 12,
    typed: 175.5,
    without: [0, 3],
  },
  moving: { on: true },
  settled: { cause: 'count', about: 'main' },
  noted: { step: 'strip', values: { minutes: 7 } },
  'piece-changed': {
    layer: 'main',
    pieceId: 4,
    code: 'N-219',
    usedUp: true,
    allAlong: true,
    line: { key: 'CN-28', material: 'nylon', diameter: 0.28 },
  },
  'put-aside': { why: 'waits for line' },
  'given-up': { why: 'cracked rim', line: 'salvage' },
  undone: { event: 'e1' },
  closed: {},
  corrected: { what: 'length', about: 'main', was: 81.5, is: 96.5, why: 'read off the wrong edge' },
  reopened: { why: 'counted twice' },
};
/** Kept to find things by, or of the inside of counting; nothing anybody saw. */
const INSIDE = new Set(['pieceId', 'benchId', 'from', 'per', 'seen']);
const AROUND = { facts: FACTS, log: [] as RunEvent[], units: 'metric' as const };
const told = (kind: Kind, payload: unknown): string =>
  tellEvent({ kind, payload } as RunHappening, { ...AROUND, log: done(1, 'mount') });
/** Whether it is one of the words there are for it. */
const tells = (kind: Kind, payload: unknown): boolean =>
  kind !== 'corrected' || CORRECTED.includes((payload as Correction).what);
const kinds = Object.keys(SAMPLES) as Kind[];

/** Other values a field can have. */
const other = (value: unknown): readonly unknown[] => {
  if (typeof value === 'number') return [value + 11];
  if (typeof value === 'boolean') return [!value];
  if (typeof value === 'string')
    return [
      `${value}x`,
      'eye',
      'piece',
      'back',
      'gap',
      'take-off',
      'leave',
      'slipped',
      'gear',
      'join',
      'rolling',
      'mount',
      'field',
    ];
  return [];
};

/** A payload with one of its values another, at each of its places. */
function* changedAt(
  payload: unknown,
): Generator<{ readonly at: string; readonly others: readonly unknown[] }> {
  if (typeof payload !== 'object' || payload === null) return;
  for (const [key, value] of Object.entries(payload)) {
    if (INSIDE.has(key)) continue;
    const put = (next: unknown): unknown =>
      Array.isArray(payload)
        ? payload.map((one, i) => (String(i) === key ? next : (one as unknown)))
        : { ...payload, [key]: next };
    if (typeof value === 'object') {
      for (const { at, others } of changedAt(value)) yield { at: `${key}.${at}`, others: others.map(put) };
    } else yield { at: key, others: other(value).map(put) };
  }
}

describe('what a log holds', () => {
  it.each(kinds)('%s is told, and whatever was seen with it', (kind) => {
    const sentence = told(kind, SAMPLES[kind]);
    expect(sentence).toMatch(/^\p{Lu}.*\.$/u);
    expect(sentence).not.toMatch(/undefined|NaN|\[object/);
    for (const { at, others } of changedAt(SAMPLES[kind]))
      expect([
        at,
        others.some((payload) => tells(kind, payload) && told(kind, payload) !== sentence),
      ]).toEqual([at, true]);
  });

  it('every step and everything written down at it is told, with its unit', () => {
    const sample = (field: StepField): string | number | boolean => {
      if (field.kind === 'quantity') return field.allowed.max ?? 7;
      if (field.kind === 'choice') return field.options.at(-1)!.value;
      return field.kind === 'check' ? true : 'N-207';
    };
    for (const kind of Object.keys(STEPS) as StepKind[]) {
      const layer = ['splice', 'join', 'prepare-supply', 'wind', 'depth'].includes(kind) ? 'main' : undefined;
      const step = stepId(kind, layer);
      expect(told('step-skipped', { step })).not.toMatch(new RegExp(`^${step}:`));
      for (const field of STEPS[kind].fields ?? []) {
        const sentence = told('noted', { step, values: { [field.key]: sample(field) } });
        expect(sentence).toContain(field.label.toLowerCase());
        if (field.kind === 'quantity' && field.dimension !== 'count')
          expect(sentence).toMatch(/\d (m|mm|g|kg|: 1)\./);
      }
    }
  });

  it('has words for every way of a supply and every cause of a doubt', () => {
    for (const way of SUPPLY_WAYS)
      expect(told('supply', { layer: 'main', way, supplyTurns: null, reelTurns: null })).toContain(
        'not at all',
      );
    const doubts = DOUBT_CAUSES.map((cause) => told('walked', { ...SAMPLES.walked, cause }));
    expect(new Set(doubts).size).toBe(DOUBT_CAUSES.length);
  });

  it('is told whole: counting in a row is one line, with its sum, and nothing is left out', () => {
    const winding = {
      spool: { lipRadius: 23, width: 16, arborRadius: 14.1, packing: 0.66, ratingDepth: 1.5 },
      line: BACKING,
      bulk: 1,
      gear: 5.2,
      turns: 156,
    };
    const log = [...meteredBacking(winding), event(90, { kind: 'undone', payload: { event: 'e2' } })];
    const rows = tellLog(FACTS, log);
    expect(rows.reduce((sum, { events }) => sum + events, 0)).toBe(log.length);
    expect(rows.map(({ sentence }) => sentence)).toContain('Backing: 156 turns by reed.');
    expect(rows.at(-1)?.sentence).toMatch(/^Taken back: .*done\.$/);
  });
});

describe('a fill in half a minute', () => {
  it('tells what was done and found, part by part, and not what was taken back', () => {
    const happened: RunHappening[] = [
      { kind: 'noted', payload: { step: 'strip', values: { how: 'drill', minutes: 4 } } },
      { kind: 'turns', payload: { layer: 'backing', turns: 160 } },
      { kind: 'depth-read', payload: { after: 'backing', depth: 6.2, by: 'calliper' } },
      { kind: 'lay-read', payload: SAMPLES['lay-read'] },
      { kind: 'depth-read', payload: { after: 'gap', depth: 1.4, by: 'eye' } },
      { kind: 'restarted', payload: { layer: 'backing', why: 'slipped' } },
      { kind: 'undone', payload: { event: 'e6' } },
    ];
    const log = happened.map((one, i) => event(i + 1, one));
    const chapters = tellFill(FACTS, foldRun(FACTS, log), standingOf(log));
    const text = chapters.map(({ title, sentences }) => `${title}: ${sentences.join(' ')}`).join('\n');
    expect(chapters.map(({ title }) => title)).toEqual(['Before', 'Backing', 'Main', 'At the end']);
    expect(chapters[1]?.sentences[0]).toBe('160 turns counted by hand.');
    expect(text).toContain('how: Drill and tube; minutes it took: 4');
    expect(text).toContain('160 turns counted by hand');
    expect(text).toContain('6.2 mm, by calliper');
    expect(text).toContain('a washer was added');
    expect(text).toContain('A gap of 1.5 mm was wanted; 1.4 mm was read by eye.');
    expect(text).not.toContain('slipped');
  });

  it('tells what was put right as it is, and that it was another', () => {
    const put = (what: 'gap' | 'note', about: string, was: number, is: number | null): RunHappening => ({
      kind: 'corrected',
      payload: { what, about, was, is, why: 'wrong edge' },
    });
    const happened: RunHappening[] = [
      { kind: 'noted', payload: { step: 'strip', values: { how: 'drill', minutes: 4 } } },
      { kind: 'depth-read', payload: { after: 'gap', depth: 1.4, by: 'eye' } },
      put('gap', '', 1.4, 2.2),
      put('note', 'strip.minutes', 4, 6),
    ];
    const log = happened.map((one, i) => event(i + 1, one));
    const state = foldRun(FACTS, log);
    const told = tellFill(FACTS, state, standingOf(log))
      .flatMap(({ sentences }) => sentences)
      .join('\n');
    expect(told).toContain('minutes it took: 6');
    expect(told).not.toContain('minutes it took: 4');
    expect(told).toContain('A gap of 1.5 mm was wanted; 2.2 mm was got, as put right.');
    expect(told).toContain('The gap is 2.2 mm, not 1.4 mm: wrong edge.');
    expect(told).toContain('minutes it took, is 6, not 4: wrong edge.');
    expect(state.depths.map(({ depth }) => depth)).toEqual([2.2]);
    expect(state.notes.strip).toEqual({ how: 'drill', minutes: 6 });
    const emptied = foldRun(FACTS, [...log, event(9, put('gap', '', 2.2, null))]);
    expect(emptied.depths).toEqual([]);
    expect(emptied.hands).toEqual(foldRun(FACTS, log.slice(0, 2)).hands);
  });
});

describe('what was wanted', () => {
  it('is told where something was, and nothing where nothing was', () => {
    const nothing = {
      leader: '',
      dragKg: null,
      leastMm: null,
      onItNow: '',
      mainFirst: false,
      endForEnd: false,
      counterOnly: false,
    };
    expect(tellWants(nothing)).toEqual([]);
    const all = { leader: '2 m of 0.40', dragKg: 4, leastMm: 100_000, onItNow: 'old braid', mainFirst: true };
    expect(tellWants({ ...all, endForEnd: true, counterOnly: true })).toEqual([
      'On it when it came: old braid.',
      'At least 100 m of main were wanted.',
      'A leader was wanted: 2 m of 0.40.',
      'A drag of 4 kg was wanted.',
      'The main went on first, and was swapped over.',
      'Its own line was to be turned end for end.',
      'Its line was to stay on, and its counter to be matched.',
    ]);
  });
});

it('who wound a layer and when is told, where times can be', () => {
  const turns = (seq: number, by: string) => ({
    ...event(seq, { kind: 'turns', payload: { layer: 'main', turns: 10 } }),
    by,
    at: `2031-03-01T08:0${String(seq)}:00.000Z`,
  });
  const log = [turns(1, 'Joss'), turns(2, 'Tova'), turns(3, 'Joss')];
  const main = (when?: (iso: string) => string) =>
    tellFill(FACTS, foldRun(FACTS, log), log, when ? { when } : {}).find(({ title }) => title === 'Main')
      ?.sentences;
  expect(main()).toEqual(['30 turns counted by hand.', 'Wound by Joss, then Tova.']);
  const minute = (iso: string): string => iso.slice(11, 16);
  expect(main(minute)?.[1]).toBe('Wound by Joss, then Tova, 08:01 to 08:03.');
  const begun = [{ ...event(1, { kind: 'started', payload: { bench: 'Bench 7' } }), by: 'Joss' }];
  const who = tellFill(FACTS, foldRun(FACTS, begun), begun, { when: () => '1 Mar 8:00' }).at(-1);
  expect(who?.sentences).toEqual(['1 Mar 8:00, Joss: begun at Bench 7.']);
});

it('a layer is called what it is', () => {
  const layers = FACTS.request.layers.map((layer) =>
    layer.kind === 'line' && layer.id === 'backing' ? { ...layer, role: 'cushion' as const } : layer,
  );
  const facts = { ...FACTS, request: { ...FACTS.request, layers } };
  const log = [
    event(1, { kind: 'turns', payload: { layer: 'backing', turns: 102 } }),
    event(2, { kind: 'depth-read', payload: { after: 'backing', depth: 27, by: 'calliper' } }),
  ];
  const [cushion] = tellFill(facts, foldRun(facts, log), log);
  expect(cushion?.title).toBe('Cushion');
  expect(cushion?.sentences[0]).toBe('102 turns counted by hand.');
  expect(tellLog(facts, log).map(({ sentence }) => sentence)).toEqual([
    'Cushion: 102 turns.',
    'Depth after the cushion: 27 mm, by calliper.',
  ]);
});
