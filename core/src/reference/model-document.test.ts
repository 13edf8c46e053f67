import { describe, expect, it } from 'vitest';
import document from '../../../docs/model.md?raw';
import { fillBlocks } from '../testing/markdown-table';
import { readingsChart, soakChart, visitsChart } from '../testing/model-charts';
import { modelFigures } from '../testing/model-figures';
import { simulateVisits } from '../testing/shop-visits';

// The document's tables and charts are made here by the code they describe, so that they cannot go stale. After a
// change that moves them: npx vitest run --project unit model-document -u
const visits = simulateVisits(500);

describe('docs/model.md', () => {
  it('shows what the code computes', async () => {
    await expect(fillBlocks(document, modelFigures(visits))).toMatchFileSnapshot('../../../docs/model.md');
  });

  it.each([
    ['visits', () => visitsChart(visits)],
    ['soak', soakChart],
    ['readings', readingsChart],
  ])('draws %s.svg from the code', async (name, draw) => {
    await expect(draw()).toMatchFileSnapshot(`../../../docs/figures/${name}.svg`);
  });

  it('would notice a figure without a place, and a place without a figure', () => {
    expect(() => fillBlocks('', { lost: 'x' })).toThrow('no place for lost');
    expect(() => fillBlocks('<!-- figure: odd -->\n<!-- end -->', {})).toThrow('"odd" nobody makes');
  });
});
