import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { knownSpool } from '../spool/estimate';
import { valueOf, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { explainLayer } from './explain-plan';
import { planFill } from './plan-fill';

const estimate = knownSpool(WORKED_SPOOL);
const plan = valueOf(planFill(estimate, WORKED_REQUEST));

/** Works a sum out as it is written, as a person with a calculator would. */
function workedOut(sum: string): number {
  const [written = ''] = sum.split(' = ');
  const plain = written
    .replace(/bulk |packing |gear /g, '')
    .replaceAll('π', String(Math.PI))
    .replaceAll('×', '*')
    .replaceAll('÷', '/')
    .replaceAll('−', '-')
    .replaceAll('²', '^2');
  return Number(evaluate(plain));
}
const claimed = (sum: string): number => parseFloat(sum.split(' = ')[1]!);

describe('explainLayer', () => {
  it('shows sums that come out, with the numbers shown, as it says they do', () => {
    const steps = explainLayer(plan, estimate, 'backing', 5.2);
    for (const { what, sum } of steps.filter(({ sum: one }) => !one.startsWith('lip')))
      expect([what, Math.abs(workedOut(sum) / claimed(sum) - 1) < 0.01]).toEqual([what, true]);
    expect(claimed(steps[2]!.sum)).toBeCloseTo(81.8, 1);
    expect(claimed(steps[3]!.sum)).toBe(166);
  });

  it('has nothing to reckon for a layer that is not line, or not there', () => {
    expect(explainLayer(plan, estimate, 'nothing', 5.2)).toEqual([]);
  });
});
