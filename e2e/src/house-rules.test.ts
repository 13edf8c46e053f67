import type { Bag, Fill, SavedHouseRules, Exception } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, tell, USUAL_HOUSE_RULES, type HouseQuestion } from '@yard-spool/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let waiting: Bag;
journey(
  async (opened) => {
    ({ browser } = opened);
    waiting = await bookOne();
  },
  { who: ['Tova', 'eider-41'], brings: { 'JH-301': 'B-301', 'JH-204': 'N-204', 'JH-207': 'N-207' } },
);

/** A reel of two nylons alike on braid, booked by the form, whose gap is left to the house. */
async function bookOne(): Promise<Bag> {
  await browser.go('/bags/new');
  await browser.fill('Customer', 'House Rule Test');
  await browser.fill('Reel', 'Rules 3000');
  await browser.fill('Gear ratio', '5.2:1');
  await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('208 x 0.25');
  await browser.fill('Lip diameter', '46 mm');
  await browser.choose('Main line', 'JH-207');
  await browser.fill('How much main', '110 m');
  await browser.choose('Backing line', 'JH-204');
  await browser.find('ys-plan-view pattern');
  await browser.pressWithControl(Key.ENTER);
  await browser.until(
    async () => /\/bags\/\d+$/.test(await browser.driver.getCurrentUrl()),
    'the bag’s page opens',
  );
  return browser.api<Bag>((await browser.driver.getCurrentUrl()).replace(/.*\/bags/, '/bags'));
}

const schoolName = (question: HouseQuestion, school: string): string =>
  tell(HOUSE_QUESTIONS[question].schools.find(({ id }) => id === school)?.name ?? '', 'metric');

/** Chooses a school on the screen and keeps it. */
async function hold(question: HouseQuestion, school: string): Promise<void> {
  await browser.go(`/house/rules/${question}`);
  const name = schoolName(question, school);
  await (await browser.text(name, 'label')).click();
  await browser.click('Save');
  await browser.until(
    async () => (await browser.api<SavedHouseRules>('/house-rules')).rules[question] === school,
    `the shop holds "${name}"`,
  );
}

/** What the plan of the waiting reel says: under Supply, or under Other ways. */
async function plan(css: string, tab = 'Supply'): Promise<string> {
  const { number, jobs } = waiting;
  await browser.go(`/bags/${String(number)}/reel/${String(jobs[0]!.id)}`);
  await browser.click(tab);
  await browser.until(async () => (await browser.shown(css)) !== '', `${css} says something`);
  return browser.shown(css);
}

const advice = (about: string): string => `[data-test="advice-${about}"]`;

interface Effect {
  readonly question: HouseQuestion;
  readonly school: string;
  readonly css: string;
  readonly said: RegExp;
  readonly tab?: string;
}

/** Each rule: the school to choose, where its effect is read in the plan, and what stands there then. */
const EFFECTS: readonly Effect[] = [
  { question: 'level', school: 'flush', css: advice('Level'), said: /flush with the lip/ },
  { question: 'order', school: 'main-first', css: 'ys-other-ways b', said: /^Main first/, tab: 'Other ways' },
  { question: 'knots', school: 'albright', css: advice('Join'), said: /Albright/ },
  {
    question: 'supply',
    school: 'rolling',
    css: '[data-test=supply-stands]',
    said: /^Rolling on a spindle/,
  },
  {
    question: 'judgeTwistBy',
    school: 'cast',
    css: '[data-test=twist-judged]',
    said: /as it hangs after a cast/,
  },
  { question: 'soak', school: 'full-day', css: advice('Soak'), said: /^24 h in water/ },
  { question: 'tension', school: 'tight', css: advice('Tension'), said: /as tight as the rod/ },
  { question: 'hands', school: 'helper', css: advice('Hands'), said: /^Call a helper/ },
  { question: 'guides', school: 'all', css: advice('Guides'), said: /^Thread every guide/ },
  { question: 'memoryRelief', school: 'stretch', css: advice('Memory'), said: /^Stretch it/ },
  {
    question: 'washers',
    school: 'after-fishing',
    css: advice('Lay'),
    said: /washers wait until it was fished/,
  },
  { question: 'drag', school: 'third', css: advice('Drag'), said: /^Set the drag to 1\.7 kg/ },
  { question: 'service', school: 'by-trips', css: advice('Renewal'), said: /^Good for another 4 trips\./ },
];

describe('each rule', () => {
  it.each(EFFECTS)('$question, held as $school on the screen, is what the plan says', async (effect) => {
    const { question, school, css, said, tab } = effect;
    const before = await plan(css, tab);
    expect(before).not.toMatch(said);
    await hold(question, school);
    await plan(css, tab);
    await browser.until(async () => said.test(await browser.shown(css)), `the plan says ${String(said)}`);
    await hold(question, USUAL_HOUSE_RULES[question]);
    await plan(css, tab);
    await browser.until(
      async () => (await browser.shown(css)) === before,
      'the plan says what it said before',
    );
  });

  it('label, held as label up, is what the plan of a supply over its end says', async () => {
    await hold('supply', 'over-end');
    expect(await plan('[data-test=face-up]')).toMatch(/it leaves|look which way it turns/);
    await hold('label', 'label-up');
    expect(await plan('[data-test=face-up]')).toBe('Stand it with its label up.');
    await hold('label', 'by-rotation');
    await hold('supply', 'by-twist');
  });

  it('arborGrip, held as tape on the screen, is what the plan of braid straight on the arbor says', async () => {
    const grip = async (): Promise<string> => {
      await browser.go('/bags/new');
      await browser.click('Start over');
      await browser.fill('Gear ratio', '5:1');
      await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('160 x 0.22');
      await browser.choose('Main line', 'JH-301');
      await (await browser.text('Nothing', 'label')).click();
      await browser.find('ys-plan-view pattern');
      await browser.click('Supply');
      return browser.shown(advice('Arbor grip'));
    };
    expect(await grip()).toMatch(/First 10\sm of nylon/);
    await hold('arborGrip', 'tape');
    expect(await grip()).toContain('First 2 wraps of tape');
    await hold('arborGrip', 'nylon');
  });
});

describe('a rule that is thought of', () => {
  it('is shown on the reels that wait before it is kept, and then their plans are made again', async () => {
    const before = await browser.api<Bag>(`/bags/${String(waiting.number)}`);
    await browser.go('/house/rules/level');
    await (await browser.text('Flush with the lip', 'label')).click();
    const shown = await browser.text(`${waiting.jobs[0]!.tag}, bag ${String(waiting.number)}`, 'b');
    expect(await shown.isDisplayed()).toBe(true);
    expect((await browser.shown('ys-rules-preview')).replace(/\u00a0/g, ' ')).toMatch(
      /Gap \d\.\d mm → 0\.0 mm, backing/,
    );
    expect(await browser.api<Bag>(`/bags/${String(waiting.number)}`)).toEqual(before);
    await browser.click('Save');
    await browser.until(
      async () =>
        (await browser.api<Bag>(`/bags/${String(waiting.number)}`)).jobs[0]!.planInput.request.gap === 0,
      'the reel is planned again',
    );
    await browser.go(`/bags/${String(waiting.number)}`);
    await browser.text('planned again: the shop now leaves 0.0\u00a0mm', 'li');
    await hold('level', 'by-line');
  });

  it('is told with the reason people differ and what physics adds', async () => {
    await browser.go('/house/rules/soak');
    await browser.text('thick line takes a day', 'p');
    await browser.find('ys-soak-chart canvas');
    expect(await browser.shown('[data-test=soak-words]')).toMatch(/after 1\.5 h, likely/);
    await browser.go('/house/rules/judgeTwistBy');
    await browser.text('on the spool, decides here', 'th');
    await browser.go('/house/rules/level');
    await browser.find('ys-gap-chart canvas');
  });
});

describe('an exception to a house rule', () => {
  it('for a customer is seen where it acts, and taken back', async () => {
    await browser.go('/house/exceptions');
    await browser.fill('Customer', 'House Rule');
    await (await browser.find('#customer-option-0')).click();
    await browser.choose('Question', 'Hands');
    await browser.choose('What they want', 'A helper');
    await browser.fill('Why', 'brings her nephew');
    await browser.click('Set the exception');
    await browser.text('brings her nephew', 'p');
    await browser.go(`/bags/${String(waiting.number)}`);
    await browser.text('Hands: A helper holds supply and tension, set for this customer.', 'p');
    expect(await plan('ys-supply-view dl')).toContain('set for this customer');
    const set = (await browser.api<Exception[]>('/exceptions')).find(
      ({ why }) => why === 'brings her nephew',
    )!;
    await browser.go('/house/exceptions');
    const path = `//li[contains(., "brings her nephew")]//button`;
    await browser.text('brings her nephew', 'p');
    await browser.driver.executeScript(
      'document.evaluate(arguments[0], document, null, 9, null).singleNodeValue.click()',
      path,
    );
    await browser.until(
      async () => !(await browser.api<Exception[]>('/exceptions')).some(({ id }) => id === set.id),
      'it is taken back',
    );
  });

  it('was kept with the run: an old fill still says what it was filled under', async () => {
    const { rows } = await browser.api<{ rows: { tag: string; filledAt: string | null }[] }>(
      '/reels?q=R-000',
    );
    const filled = rows.find(({ filledAt }) => filledAt !== null)!;
    const [fill] = (await browser.api<{ fills: Fill[] }>(`/reels/${filled.tag}`)).fills;
    expect(fill!.under.rules).toEqual(USUAL_HOUSE_RULES);
    await browser.go(`/reels/${filled.tag}`);
    await (await browser.text('Shop rules it was filled under', 'summary')).click();
    await browser.text(schoolName('soak', fill!.under.rules.soak), 'dd');
  });
});
