import type { Response } from 'express';
import { describe, expect, it } from 'vitest';
import { Lanes } from './lanes';

/** An answer somebody waits for. */
const waitsFor = (id: number): Response & { closed: boolean } =>
  ({ locals: { person: { id, name: `Nr ${String(id)}`, role: 'technician' } }, closed: false }) as never;

/** Work that is done when it is told to be. */
function work(log: string[], name: string) {
  let finish: () => void = () => undefined;
  const done = new Promise<void>((resolve) => (finish = resolve));
  return {
    name,
    finish,
    begin: async () => {
      log.push(name);
      await done;
      return name;
    },
  };
}
const turnOfLoop = () => new Promise((resolve) => setImmediate(resolve));

describe('what takes long', () => {
  it('of somebody who asks for a lot lets the next person in after one of it', async () => {
    const lanes = new Lanes();
    const begun: string[] = [];
    const sheets = Array.from({ length: 12 }, (_, i) => work(begun, `sheet ${String(i)}`));
    const asked = sheets.map(({ begin }) => lanes.turn('long', waitsFor(1))(begin));
    const other = work(begun, 'of another');
    const theirs = lanes.turn('long', waitsFor(2))(other.begin);
    await turnOfLoop();
    expect(begun).toEqual(['sheet 0']);
    sheets[0]!.finish();
    await asked[0];
    await turnOfLoop();
    expect(begun).toEqual(['sheet 0', 'of another']);
    other.finish();
    expect(await theirs).toBe('of another');
    for (const { finish } of sheets) finish();
    expect(await Promise.all(asked)).toHaveLength(12);
  });

  it('never stands before what is small', async () => {
    const lanes = new Lanes();
    const begun: string[] = [];
    const sheet = work(begun, 'sheet');
    const long = lanes.turn('long', waitsFor(1))(sheet.begin);
    const tag = work(begun, 'tag');
    tag.finish();
    expect(await lanes.turn('short', waitsFor(1))(tag.begin)).toBe('tag');
    sheet.finish();
    await long;
  });

  it('is not begun for whoever has left, and what fails holds nobody up', async () => {
    const lanes = new Lanes();
    const begun: string[] = [];
    const first = work(begun, 'first');
    const leaves = waitsFor(1);
    const one = lanes.turn('short', waitsFor(2))(first.begin);
    const gone = lanes.turn('short', leaves)(work(begun, 'gone').begin);
    const fails = lanes.turn('short', waitsFor(3))(() => Promise.reject(new Error('no paper')));
    leaves.closed = true;
    first.finish();
    await one;
    await expect(gone).rejects.toThrow('has left');
    await expect(fails).rejects.toThrow('no paper');
    expect(await lanes.turn('short', waitsFor(1))(() => Promise.resolve('next'))).toBe('next');
    expect(begun).toEqual(['first']);
  });

  it('is refused in a sentence where too much of one person’s waits, and of nobody else’s', async () => {
    const lanes = new Lanes();
    const held = work([], 'held');
    const all = Array.from({ length: 41 }, () => lanes.turn('long', waitsFor(1))(held.begin));
    await turnOfLoop();
    expect(() => lanes.turn('long', waitsFor(1))(held.begin)).toThrow('still to be made');
    const other = lanes.turn('long', waitsFor(2))(() => Promise.resolve('mine'));
    held.finish();
    expect(await other).toBe('mine');
    await Promise.all(all);
  });
});
