import type { Bag, Piece, Reel, Run } from '@yard-spool/contract';
import { evidenceOfRun, foldRun, formatQuantity, makePlan, runFacts, settleFill } from '@yard-spool/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
journey((opened) => ({ browser } = opened), { brings: { 'JO-204': 'N-204', 'JO-207': 'N-207' } });

const metres = (value: number): string => formatQuantity(value, 'line-length').text;
const plain = (text: string): string => text.replace(/\u00a0/g, ' ');
let bag: Bag;
let run: Run;

/** Counts on the layer by tens and ones until nothing is to go. */
async function windToTheStop(): Promise<void> {
  for (;;) {
    const toGo = Number(await browser.shown('[data-test=turns-to-go]'));
    if (toGo === 0) return;
    await browser.press(toGo >= 10 ? ' ' : '+');
    await browser.until(
      async () => Number(await browser.shown('[data-test=turns-to-go]')) < toGo,
      'the count goes down',
    );
  }
}

/** Finishes the step by Enter and waits for the one named next. */
async function stepTo(name: string): Promise<void> {
  await browser.press(Key.ENTER);
  await browser.until(
    async () => (await browser.shown('[aria-current=step]')).startsWith(name),
    `the step "${name}" comes up`,
  );
}

describe('one reel, end to end', () => {
  it('is booked in with the plan beside the entry', async () => {
    await browser.press('n');
    await browser.fill('Customer', 'Marl');
    await browser.fill('New customer. How are they reached?', 'pier 2');
    await browser.fill('Customer', 'Marlow Test');
    await browser.fill('Reel', 'Journey 3000');
    await browser.fill('Gap below lip', '1.5 mm');
    await browser.fill('Gear ratio', '5.2:1');
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('210 x 0.25');
    await (await browser.find('[aria-label^="Rating 2"]')).sendKeys('148 x .30');
    await browser.fill('Lip diameter', '46');
    await browser.fill('Width', '16.5');
    await browser.choose('Main line', 'JO-207');
    await browser.fill('How much main', '120');
    await browser.choose('Backing line', 'JO-204');
    const shownHeadline = await browser.shown('[data-test=plan-headline]');
    const shownLikely = await browser.shown('[data-test=plan-likely]');
    await browser.pressWithControl(Key.ENTER);
    await browser.until(
      async () => /\/bags\/\d+$/.test(await browser.driver.getCurrentUrl()),
      'the bag’s page opens',
    );
    bag = await browser.api<Bag>((await browser.driver.getCurrentUrl()).replace(/.*\/bags/, '/bags'));

    // Plan stored = plan the core computes = plan shown.
    const { plan, planInput } = bag.jobs[0]!;
    const made = makePlan(planInput);
    expect(plan).toEqual(made.ok && made.value.plan);
    const { value, low, high } = plan.layers[0]!.length;
    expect(shownHeadline).toBe(plain(`Fills to the gap with ${metres(value)} of backing.`));
    const small = (mm: number, say: 'text' | 'number' = 'text'): string =>
      formatQuantity(mm, 'small-length')[say];
    const ends =
      plan.gap.low < 0
        ? `${small(-plan.gap.low)} proud of the lip to ${small(plan.gap.high)} below the lip`
        : `${small(plan.gap.low, 'number')} to ${small(plan.gap.high)} below the lip`;
    expect(shownLikely).toBe(
      plain(`likely ${metres(low)} to ${metres(high)}; the gap would then be ${ends}`),
    );
    expect(await browser.shown('[data-test=plan-headline]')).toBe(shownHeadline);
  });

  it('is filled with the turns counted, and a reload goes on where it was', async () => {
    await browser.pressWithControl(Key.ENTER);
    await browser.until(
      async () => /\/bench\/\d+$/.test(await browser.driver.getCurrentUrl()),
      'the bench opens',
    );
    await browser.find('[aria-current=step]');
    await stepTo('Mount and thread');
    await stepTo('Tie on');
    await stepTo('Backing');
    const first = Number(await browser.shown('[data-test=turns-to-go]'));
    for (let i = 1; i <= 5; i += 1) {
      await browser.press(' ');
      await browser.until(
        async () => Number(await browser.shown('[data-test=turns-to-go]')) === first - 10 * i,
        'ten turns fewer to go',
      );
    }
    const before = await browser.shown('[data-test=turns-to-go]');
    await browser.driver.navigate().refresh();
    expect(await browser.shown('[data-test=turns-to-go]')).toBe(before);
    await windToTheStop();
    await stepTo('Read backing depth');
    await stepTo('Join');
    await stepTo('Main');
    await windToTheStop();
    await stepTo('Read the gap');
    await browser.fill('Depth below the lip', '1.6');
    await (await browser.find('ys-bench-actions button')).click();
    await browser.until(
      async () => (await browser.shown('[aria-current=step]')).startsWith('Cut'),
      'the gap is read',
    );
    await stepTo('Take memory out');
    await stepTo('Read the drag');
    await stepTo('Back the drag off');
    await stepTo('Tag and close');
    await browser.press(Key.ENTER);
    await browser.until(
      async () => /\/reels\/R-\d+$/.test(await browser.driver.getCurrentUrl()),
      'the reel’s page opens',
    );
  });

  it('leaves reel page, rack and event log agreeing to the metre', async () => {
    const job = (await browser.api<Bag>(`/bags/${bag.number}`)).jobs[0]!;
    run = await browser.api<Run>(`/runs/${job.runId!}`);
    const facts = runFacts(run);
    const settled = settleFill(evidenceOfRun(job.planInput, facts, foldRun(facts, run.events), run.pieces));
    const wound = settled.ok ? settled.value.layers : [];
    const reel = await browser.api<Reel>(`/reels/${job.tag}`);
    const pieces = await browser.api<Piece[]>('/pieces');
    for (const [i, layer] of reel.fills[0]!.layers.entries()) {
      expect(layer.lengthMm).toBe(Math.round(wound[i]!.length.value * 1000));
      expect(plain(await browser.shown(`[data-test=layer-${layer.role}] .figure`))).toBe(
        plain(metres(layer.lengthMm / 1000)),
      );
      const { moves } = await browser.api<{ moves: { kind: string; lengthMm: number; why: string }[] }>(
        `/pieces/${layer.pieceCode!}`,
      );
      const drawn = moves.find(({ kind, why }) => kind === 'filled' && why.startsWith(job.tag));
      expect(drawn?.lengthMm).toBe(-layer.lengthMm);
    }
    expect(reel.fills[0]!.gapRead).toBe(1.6);
    const main = pieces.find(({ code }) => code === 'JO-207')!;
    await browser.go('/rack');
    await browser.fill('Find', 'JO-207');
    await (await browser.text('JO-207', 'button')).click();
    await browser.text(metres(main.lengthMm / 1000).replace('\u00a0m', ''), 'b');
  });

  it('asks for a second, different key before a layer is finished below its count', async () => {
    await browser.go('/bench');
    await (await browser.text('Brackwater', 'b')).click();
    const toGo = await browser.shown('[data-test=turns-to-go]');
    await browser.press(Key.ENTER);
    await browser.text(`${toGo} turns left`, 'b');
    await browser.press(Key.ENTER);
    expect(await browser.shown('[aria-current=step]')).toMatch(/^Main/);
    await browser.press('c');
    const field = await browser.find('ys-bench-run form input');
    await field.clear();
    await field.sendKeys('20000', Key.ENTER);
    await browser.until(
      async () => (await browser.shown('[data-test=turns-so-far]')) === '20,000',
      'the count is set',
    );
    expect(await browser.shown('[data-test=to-go-words]')).toBe('handle turns to take off');
    await browser.press('z');
    await browser.until(
      async () => (await browser.shown('[data-test=turns-to-go]')) === toGo,
      'the count is taken back',
    );
  });

  it('had nothing refused by the content policy and no error on the console', async () => {
    expect(await browser.complaints()).toEqual([]);
  });
});
