import type { DayPlan } from '@yard-spool/contract';
import { aDay, aRow } from '../testing/days';
import { openScreen, type Screen } from '../testing/screen';
import type { AskedOf } from './row-wish';
import { RunningOrder } from './running-order';

const at = (hour: number): string => new Date(`2031-03-13T${String(hour)}:00:00`).toISOString();
const row = (n: number, more: Parameters<typeof aRow>[0] = {}) =>
  aRow({ id: `fill:${String(n)}`, startAt: at(12 + n), endAt: at(13 + n), ...more });
const DAY = aDay({ rows: [row(0, { state: 'now' }), row(1), row(2, { benchId: 2 }), row(3)] });

interface Order {
  readonly screen: Screen<RunningOrder>;
  readonly asked: AskedOf[];
  readonly tried: (AskedOf | null)[];
}

async function open(day: DayPlan = DAY): Promise<Order> {
  const screen = await openScreen(RunningOrder, { day });
  const asked: AskedOf[] = [];
  const tried: (AskedOf | null)[] = [];
  screen.fixture.componentInstance.asked.subscribe((one) => asked.push(one));
  screen.fixture.componentInstance.tried.subscribe((one) => tried.push(one));
  document.body.append(screen.element);
  return { screen, asked, tried };
}
const ids = ({ screen }: Order): (string | null)[] =>
  [...screen.element.querySelectorAll('[data-row]')].map((one) => one.getAttribute('data-row'));

async function press({ screen }: Order, id: string, key: string, altKey = false): Promise<KeyboardEvent> {
  const event = new KeyboardEvent('keydown', { key, altKey, bubbles: true, cancelable: true });
  screen.element.querySelector(`[data-row="${id}"] button`)!.dispatchEvent(event);
  await screen.fixture.whenStable();
  return event;
}

describe('a row moved by keys', () => {
  it('goes where it is moved, shows what that would do, and is left there with Enter', async () => {
    const order = await open();
    await press(order, 'fill:3', 'ArrowUp', true);
    expect(ids(order)).toEqual(['fill:0', 'fill:1', 'fill:3', 'fill:2']);
    expect(order.tried.at(-1)).toMatchObject({ operation: 'fill:3', wish: { at: at(14), benchId: 2 } });
    expect(order.screen.shown()).toContain('Moved to 14:00. Enter leaves it there.');
    expect(document.activeElement?.closest('[data-row]')?.getAttribute('data-row')).toBe('fill:3');
    await press(order, 'fill:3', 'ArrowUp', true);
    expect(order.tried.at(-1)).toMatchObject({ wish: { at: at(13), benchId: 1 } });
    expect(order.asked).toEqual([]);
    expect((await press(order, 'fill:3', 'Enter')).defaultPrevented).toBe(true);
    expect(order.asked).toHaveLength(1);
    expect(order.asked[0]).toMatchObject({ operation: 'fill:3', wish: { at: at(13), apart: false } });
    expect(order.tried.at(-1)).toBeNull();
  });

  it('is put back with Escape, and nothing is asked', async () => {
    const order = await open();
    await press(order, 'fill:1', 'ArrowDown', true);
    expect(ids(order)).toEqual(['fill:0', 'fill:2', 'fill:1', 'fill:3']);
    await press(order, 'fill:1', 'Escape');
    expect(ids(order)).toEqual(['fill:0', 'fill:1', 'fill:2', 'fill:3']);
    expect([order.asked.length, order.tried.at(-1)]).toEqual([0, null]);
  });

  it('that is moved back to its own place asks nothing', async () => {
    const order = await open();
    await press(order, 'fill:2', 'ArrowDown', true);
    await press(order, 'fill:2', 'ArrowUp', true);
    await press(order, 'fill:2', 'Enter');
    expect(order.asked).toEqual([]);
  });

  it('that has begun stays, and a plain arrow or Enter moves nothing', async () => {
    const order = await open();
    await press(order, 'fill:0', 'ArrowDown', true);
    expect((await press(order, 'fill:1', 'ArrowDown')).defaultPrevented).toBe(false);
    expect((await press(order, 'fill:1', 'Enter')).defaultPrevented).toBe(false);
    expect(ids(order)).toEqual(['fill:0', 'fill:1', 'fill:2', 'fill:3']);
    expect(order.asked).toEqual([]);
  });

  it('comes right behind what is under way', async () => {
    const order = await open();
    await press(order, 'fill:1', 'ArrowUp', true);
    expect(order.tried.at(-1)).toMatchObject({ wish: { at: DAY.rows[0]!.endAt } });
  });
});

describe('a long day', () => {
  it('shows the last of what is done, and all of it when asked', async () => {
    const done = [1, 2, 3, 4].map((n) => row(n, { id: `filled:${String(n)}`, state: 'done' }));
    const order = await open(aDay({ rows: [...done, row(5)] }));
    expect(ids(order)).toEqual(['filled:3', 'filled:4', 'fill:5']);
    await order.screen.press('Show all 5 rows');
    expect(ids(order)).toHaveLength(5);
  });
});

describe('a row that is opened', () => {
  it('says what can be asked of it, and closes with what was', async () => {
    const order = await open();
    await order.screen.press('Pier reel');
    // The one under way cannot be opened: nothing is asked of it.
    expect(order.screen.shown()).not.toContain('Pin to');
    order.screen.element.querySelectorAll<HTMLElement>('[data-row] button')[1]!.click();
    await order.screen.fixture.whenStable();
    await order.screen.press('Pin to 13:00');
    expect(order.asked).toHaveLength(1);
    expect(order.screen.shown()).not.toContain('Pin to');
  });
});
