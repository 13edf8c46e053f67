import { expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { ordinaryFills } from '../testing/ordinary-fills';
import { settleFill } from './settle-fill';

it('ordinary fills are closed without a question, eight in ten lengths inside their range', () => {
  const fills = ordinaryFills(77);
  let asked = 0;
  let inside = 0;
  let all = 0;
  for (let i = 0; i < 250; i += 1) {
    const { evidence, truth } = fills.next().value;
    const { layers, question } = valueOf(settleFill(evidence));
    if (question) asked += 1;
    layers.forEach(({ length }, at) => {
      all += 1;
      if (truth[at]! >= length.low && truth[at]! <= length.high) inside += 1;
    });
  }
  // Nobody is stopped for what is only an ordinary error, a missed ten among them.
  expect(asked).toBeLessThanOrEqual(2);
  expect(inside / all).toBeGreaterThan(0.75);
  expect(inside / all).toBeLessThan(0.9);
}, 30_000);
