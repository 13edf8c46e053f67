import type { BagRow, Page, HouseChange, SavedHouseRules } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
journey((opened) => ({ browser } = opened), { who: ['Tova', 'eider-41'] });

describe('the rest of the house', () => {
  it('keeps every change with who, when and what was before', async () => {
    const changes = await browser.api<HouseChange[]>('/house-rules/changes');
    expect(changes.length).toBeGreaterThan(8);
    await browser.go('/house/changes');
    const table = await browser.shown('ys-changes-page table');
    expect(table).toContain(changes[0]!.about);
    expect(table).toContain('Tova');
  });

  it('sets up a bench, and tells this machine’s place', async () => {
    await browser.go('/house/benches');
    await browser.click('Set up another bench');
    await browser.fill('Bench', 'Bench 9');
    await browser.fill('Clear length', '2.5 m');
    await browser.click('Save the bench');
    await browser.find('section[aria-label="Bench 9"]');
    expect(await browser.shown('section[aria-label="Bench 9"]')).toContain('2.5 m');
  });

  it('adds somebody, and does not let the last manager go', async () => {
    await browser.go('/house/people');
    await browser.fill('Name', 'Ansa Verre');
    await browser.fill('First passcode', 'skua-55');
    await browser.click('Add them');
    await browser.text('Ansa Verre', 'b');
    const own = `//li[contains(., "signed in here")]//button[contains(., "Deactivate")]`;
    await browser.driver.executeScript(
      'document.evaluate(arguments[0], document, null, 9, null).singleNodeValue.click()',
      own,
    );
    await browser.text('Tova is the only manager', 'p');
  });

  it('says a caution in its own words, and never leaves one out', async () => {
    await browser.go('/house/cautions');
    const fields = '//fieldset[contains(., "Scissors, not teeth")]//input';
    await browser.text('Scissors, not teeth', 'b');
    await (await browser.driver.findElement({ xpath: fields })).sendKeys('Cutters hang by the door.');
    await browser.click('Show them so');
    await browser.until(
      async () =>
        (await browser.api<SavedHouseRules>('/house-rules')).cautions.words.scissors ===
        'Cutters hang by the door.',
      'the words are kept',
    );
  });

  it('settles tail and bins, and says what is wrong with a zone', async () => {
    await browser.go('/house/shop');
    await browser.until(
      async () => (await (await browser.field('Money')).getAttribute('value')) !== '',
      'the shop is shown',
    );
    const zone = await browser.field('Time zone, empty for each machine’s own');
    await zone.sendKeys('Nowhere/Atall');
    await browser.click('Save');
    await browser.text('This time zone is not known', 'p');
    expect(await zone.getAttribute('value')).toBe('Nowhere/Atall');
    await zone.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await browser.fill('Tail lost with each cut', '2.5 m');
    await browser.click('Save');
    await browser.until(
      async () => (await browser.api<SavedHouseRules>('/house-rules')).tailMm === 2500,
      'the tail is kept',
    );
    await browser.until(
      async () =>
        (await (await browser.field('Tail lost with each cut')).getAttribute('value')).startsWith('2.50'),
      'what was kept is shown',
    );
    await browser.fill('Tail lost with each cut', '2 m');
    await browser.click('Save');
    await browser.until(
      async () => (await browser.api<SavedHouseRules>('/house-rules')).tailMm === 2000,
      'the tail is kept',
    );
  });

  it('is seen and not changed by a technician', async () => {
    await browser.driver.manage().deleteAllCookies();
    await browser.signIn();
    await browser.go('/house/rules/soak');
    await browser.text('Only a manager changes these', 'p');
    expect(await browser.driver.findElements({ css: 'ys-rules-page button.go' })).toHaveLength(0);
    expect((await browser.api<Page<BagRow>>('/bags')).rows.length).toBeGreaterThan(0);
  });
});
