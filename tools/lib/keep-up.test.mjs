import { expect, it } from 'vitest';
import { keepUp } from './keep-up.mjs';

/** Something that ends whenever it is told to, or does not start. */
function fragile() {
  /** @type {number[]} */
  const waits = [];
  /** @type {(() => void)[]} */
  const ends = [];
  const is = { failing: false };
  const asked = { waited: () => {}, times: 0 };
  const options = {
    what: 'It',
    start: async () => {
      if (is.failing) throw new Error('It does not start.');
      return new Promise((resolve) =>
        resolve({ ended: new Promise((end) => ends.push(() => end(undefined))) }),
      );
    },
    ended: (/** @type {{ ended: Promise<unknown> }} */ { ended }) => ended,
    stop: async () => ends.at(-1)?.(),
    wait: async (/** @type {number} */ ms) => {
      waits.push(ms);
      asked.times += 1;
      asked.waited();
    },
  };
  return { waits, ends, is, asked, options };
}

const turns = async (/** @type {() => boolean} */ there) => {
  for (let i = 0; i < 10_000 && !there(); i += 1) await Promise.resolve();
};

it('what is killed again and again is started again soon each time', async () => {
  const { waits, ends, options } = fragile();
  const kept = await keepUp(/** @type {any} */ (options));
  for (let kills = 1; kills <= 12; kills += 1) {
    ends.at(-1)?.();
    await turns(() => ends.length > kills);
    expect(ends.length).toBe(kills + 1);
  }
  expect(kept.restarts()).toBe(12);
  expect(Math.max(...waits)).toBe(1500);
  await kept.stop();
});

it('what does not start is tried less and less often, and soon again once it did', async () => {
  const { waits, ends, is, options } = fragile();
  const kept = await keepUp(/** @type {any} */ (options));
  is.failing = true;
  ends.at(-1)?.();
  await turns(() => waits.length >= 12);
  expect(Math.max(...waits)).toBe(15_000);
  is.failing = false;
  await turns(() => ends.length === 2);
  const before = waits.length;
  ends.at(-1)?.();
  await turns(() => ends.length === 3);
  expect(waits.slice(before)).toEqual([1500]);
  await kept.stop();
});
