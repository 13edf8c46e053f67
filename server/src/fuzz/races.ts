// Seeded races: rules that change against booking, planning again and starting; kinds merged against booking; one piece at
// two benches. After each round: nothing promised twice, no piece off its ledger, nothing that was acknowledged lost.
import { parseArgs } from 'node:util';
import type { Bag, SavedHouseRules, Piece, ReelKind, Run } from '@yard-spool/contract';
import { booking, numbered, PLAN_INPUT, receiveTwo, wholeFill } from '../testing/bookings';
import type { Answer } from '../testing/test-shop';
import { TestShop } from '../testing/test-shop';
import { Dice } from './dice';

const { values } = parseArgs({
  options: { rounds: { type: 'string', default: '200' }, seed: { type: 'string', default: '41' } },
});
const dice = new Dice(Number(values.seed));
const shop = await TestShop.open();
const ada = await shop.as('Ada');
const problems: string[] = [];
let asked = 0;
let done = 0;

const WANTS = {
  leastMm: null,
  leader: '',
  dragKg: null,
  onItNow: '',
  mainFirst: false,
  gap: 'house',
  bevelMm: null,
};
const planInput = { ...PLAN_INPUT, request: { ...PLAN_INPUT.request, gap: 2.38125 } };
interface Two {
  readonly backing: Piece;
  readonly main: Piece;
}
const jobOn = (pieces: Two, label: string) => ({
  ...booking(pieces).jobs[0],
  label,
  planInput,
  wants: WANTS,
});
const book = (pieces: Two, label: string): Promise<Answer<Bag>> =>
  ada<Bag>('POST', '/bags', { ...booking(pieces), key: crypto.randomUUID(), jobs: [jobOn(pieces, label)] });

async function changeRules(): Promise<Answer> {
  const { body: rules } = await ada<SavedHouseRules>('GET', '/house-rules');
  const level = dice.of(['flush', 'by-line', 'beginner'] as const);
  return ada('PUT', '/house-rules', { ...rules, rules: { ...rules.rules, level } });
}

async function mergeKinds(): Promise<Answer | null> {
  const { body: kinds } = await ada<ReelKind[]>('GET', '/reel-kinds');
  const races = kinds.filter(({ label }) => label.startsWith('Race'));
  if (races.length < 2) return null;
  const from = dice.of(races);
  const into = dice.of(races);
  return from.id === into.id ? null : ada('POST', `/reel-kinds/${String(from.id)}/merge`, { into: into.id });
}

/** One reel wound and closed at a bench, off pieces another bench is winding off as well. */
async function fill({ jobs: [job] }: Bag, benchId: number): Promise<Answer | null> {
  const run = (await ada<Run>('POST', '/runs', { jobId: job?.id, benchId })).body;
  if (!Array.isArray(run.events)) return null;
  await ada('POST', `/runs/${String(run.id)}/events`, {
    events: numbered(run, run.events.length, wholeFill()),
  });
  return ada('POST', `/runs/${String(run.id)}/close`, {});
}

function judge(answers: readonly (Answer | null)[]): void {
  for (const answer of answers) {
    if (!answer) continue;
    asked += 1;
    if (answer.status === 200) done += 1;
    if (answer.status >= 500)
      problems.push(`${String(answer.status)} ${JSON.stringify(answer.body).slice(0, 300)}`);
  }
}

async function lookForAll(acknowledged: readonly Bag[]): Promise<void> {
  const { body: stock } = await ada<Piece[]>('GET', '/pieces');
  for (const { code, lengthMm, promisedMm } of stock)
    if (promisedMm > lengthMm) problems.push(`${code}: ${String(promisedMm - lengthMm)} mm promised twice`);
  const off = await shop.context.query<{ code: string }>(
    `SELECT pieces.code FROM pieces JOIN moves ON moves.piece_id = pieces.id
     GROUP BY pieces.id HAVING SUM(moves.length_mm) <> MAX(pieces.length_mm) OR MAX(pieces.length_mm) < 0`,
  );
  for (const { code } of off) problems.push(`${code} is not the sum of its ledger`);
  for (const { number, jobs } of acknowledged) {
    const { status, body } = await ada<Bag>('GET', `/bags/${String(number)}`);
    if (status !== 200 || body.jobs.length !== jobs.length)
      problems.push(`bag ${String(number)} was told and is lost`);
  }
}

const isBag = (answer: Answer | null): answer is Answer<Bag> =>
  answer !== null && answer.status === 200 && 'jobs' in (answer.body as object);

for (let round = 0; round < Number(values.rounds); round += 1) {
  // Enough for two or three reels, not for what is asked.
  const pieces = await receiveTwo(ada, dice.whole(250, 450), `R${String(round)}`);
  const first = await Promise.all([0, 1].map(() => book(pieces, `Race ${String(dice.whole(1, 4))}`)));
  const bags = first.filter(isBag).map(({ body }) => body);
  const again = bags.map(
    (bag) => () =>
      ada('PUT', `/jobs/${String(bag.jobs[0]?.id)}`, {
        ...jobOn(pieces, 'Race again'),
        version: bag.version,
      }),
  );
  const acts: (() => Promise<Answer | null>)[] = [
    changeRules,
    mergeKinds,
    mergeKinds,
    ...[0, 1, 2].map(() => () => book(pieces, `Race ${String(dice.whole(1, 4))}`)),
    ...(dice.chance(0.5) ? again : bags.map((bag, i) => () => fill(bag, i + 1))),
  ];
  const order = [...acts].sort(() => dice.share() - 0.5);
  const answers = await Promise.all(order.map((act) => act()));
  judge([...first, ...answers]);
  await lookForAll([...bags, ...answers.filter(isBag).map(({ body }) => body)]);
  if (problems.length > 20) break;
}

process.stdout.write(
  `\n${values.rounds} rounds of races, seed ${values.seed}: ${String(asked)} requests beside each other, ${String(done)} of them done\n`,
);
for (const problem of problems.slice(0, 20)) process.stdout.write(`${problem}\n`);
process.stdout.write(
  problems.length === 0
    ? 'Nothing was promised twice, nothing lost.\n'
    : `${String(problems.length)} went wrong.\n`,
);
await shop.close();
process.exit(problems.length === 0 ? 0 : 1);
