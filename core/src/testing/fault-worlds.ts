import { authoredRates, causeOf, FAULT_CAUSES, type FaultCause } from '../faults/causes';
import type { FaultReel } from '../faults/cause';
import { findFault, type FaultFound } from '../faults/find-fault';
import { LOOK_KEYS, lookOf, type LookKey } from '../faults/looks';
import { openLooks } from '../faults/next-look';
import type { Symptom } from '../faults/symptoms';
import { causeShares, weighFaults, type LookMade } from '../faults/weigh-faults';
import { seeded, normalFrom } from '../numeric/random';

/** A shop's comebacks as they really come about, unlike the table where these say so. */
export interface FaultWorld {
  /** Spread of the logarithm of each rate about the authored one. */
  readonly rates: number;
  /** Spread of the log-odds of each chance in the table. */
  readonly chances: number;
  readonly second: number;
  readonly wrong: number;
  /** How often the record tells each of what it can. */
  readonly onRecord: number;
}

export const FAULT_WORLD: FaultWorld = { rates: 0.6, chances: 0, second: 0.2, wrong: 0.1, onRecord: 0.6 };

/** A comeback: what is really there, what is said first, and what anybody would find who looked. */
export interface SimulatedComeback {
  readonly reel: FaultReel;
  readonly causes: readonly FaultCause[];
  /** The one of them that shows so. */
  readonly behind: FaultCause;
  readonly symptoms: readonly Symptom[];
  readonly record: readonly LookMade[];
  readonly answer: (look: LookKey) => string;
}

const REELS: readonly FaultReel[] = [
  { type: 'fixed-spool', material: 'nylon', backing: false },
  { type: 'fixed-spool', material: 'braid', backing: true },
  { type: 'fixed-spool', material: 'braid', backing: false },
  { type: 'fixed-spool', material: 'fluorocarbon', backing: true },
  { type: 'baitcaster', material: 'braid', backing: true },
  { type: 'baitcaster', material: 'nylon', backing: false },
  { type: 'trolling', material: 'nylon', backing: true },
  { type: 'spincast', material: 'nylon', backing: false },
  { type: 'big-game', material: 'braid', backing: true },
];

function pick<T>(weighed: readonly (readonly [T, number])[], at: number): T {
  const total = weighed.reduce((sum, [, weight]) => sum + weight, 0);
  let left = at * total;
  for (const [one, weight] of weighed) {
    left -= weight;
    if (left <= 0) return one;
  }
  throw new Error('Nothing to pick from.');
}

/** Comebacks of a world, the same for the same seed. */
export function simulateComebacks(count: number, world: FaultWorld, seed: number): SimulatedComeback[] {
  const random = seeded(seed);
  const normal = normalFrom(random);
  const lean = new Map(FAULT_CAUSES.map((key) => [key, Math.exp(world.rates * normal())]));
  const bent = new Map<string, number>();
  // A chance as it is in this world: once bent it stays so for all its comebacks.
  const bend = (key: string, chance: number): number => {
    const odds = bent.get(key) ?? world.chances * normal();
    bent.set(key, odds);
    const held = Math.min(0.995, Math.max(0.005, chance));
    return 1 / (1 + Math.exp(-Math.log(held / (1 - held)) - odds));
  };
  return Array.from({ length: count }, () => {
    for (;;) {
      const reel = REELS[Math.floor(random() * REELS.length)] ?? {
        type: 'fixed-spool',
        material: null,
        backing: null,
      };
      const rates = [...authoredRates(reel)].map(
        ([key, rate]) => [key, rate * (lean.get(key) ?? 1)] as const,
      );
      const first = pick(rates, random());
      const others = rates.filter(([key]) => key !== first);
      const causes = random() < world.second ? [first, pick(others, random())] : [first];
      const shown = causes.flatMap((key) =>
        (Object.entries(causeOf(key).explains) as [Symptom, number][])
          .filter(([symptom, chance]) => random() < bend(`${key} ${symptom}`, chance))
          .map(([symptom]) => ({ symptom, behind: key })),
      );
      const seen = shown[Math.floor(random() * shown.length)];
      // Nothing to be seen: nobody brings it back.
      if (!seen) continue;
      const found = new Map(
        LOOK_KEYS.map((look) => {
          const bears = causes.filter((key) => look in causeOf(key).looks);
          const key = bears[Math.floor(random() * bears.length)];
          const row: Readonly<Record<string, number>> | undefined = key && causeOf(key).looks[look];
          const answers = Object.entries(lookOf(look).answers);
          const right = pick(
            answers.map(
              ([name, { usual }]) =>
                [name, bend(`${key ?? ''} ${look} ${name}`, row ? (row[name] ?? 0.02) : usual)] as const,
            ),
            random(),
          );
          const wrong = answers.filter(([name]) => name !== right);
          const misread = wrong[Math.floor(random() * wrong.length)]?.[0] ?? right;
          return [look, random() < world.wrong ? misread : right] as const;
        }),
      );
      const answer = (look: LookKey): string => found.get(look) ?? '';
      const record = LOOK_KEYS.filter((look) => lookOf(look).onRecord && random() < world.onRecord).map(
        (look) => ({ look, answer: answer(look) }),
      );
      return { reel, causes, behind: seen.behind, symptoms: [seen.symptom], record, answer };
    }
  });
}

/** How a way of asking does on one comeback. */
export interface Asked {
  readonly first: FaultCause | undefined;
  /** Chance it is said to be behind it. */
  readonly called: number;
  readonly questions: number;
  readonly minutes: number;
}

export type WayOfAsking = 'best next' | 'fixed order' | 'record alone';

/** Asks until the finder is settled: its own next question, the table's next one, or none. */
export function askAbout({ reel, symptoms, record, answer }: SimulatedComeback, way: WayOfAsking): Asked {
  let looks = [...record];
  let found: FaultFound = findFault({ reel, symptoms, looks });
  let minutes = 0;
  while (way !== 'record alone' && found.next) {
    const look = way === 'best next' ? found.next.look : inOrder(reel, symptoms, looks);
    if (!look) break;
    looks = [...looks, { look, answer: answer(look) }];
    minutes += lookOf(look).minutes;
    found = findFault({ reel, symptoms, looks });
  }
  const [first] = found.ranked;
  return {
    first: first?.cause,
    called: first?.behind ?? 0,
    questions: looks.length - record.length,
    minutes,
  };
}

/** The first look of the table nobody made that bears upon any cause such a reel can have for such a complaint. */
function inOrder(
  reel: FaultReel,
  symptoms: readonly Symptom[],
  made: readonly LookMade[],
): LookKey | undefined {
  const rates = authoredRates(reel);
  const before = weighFaults(rates, symptoms, []);
  const likely = causeShares(before, symptoms).filter(({ share }) => share > 0.02);
  const bears = new Set(likely.flatMap(({ cause }) => Object.keys(causeOf(cause).looks)));
  const open = new Set(
    openLooks(reel, symptoms, before, new Set(made.map(({ look }) => look))).map(({ look }) => look),
  );
  return LOOK_KEYS.find((look) => open.has(look) && bears.has(look));
}
