import { openScreen, problem } from '../testing/screen';
import { BringShop } from './bring-shop';

const isFile = ({ url }: { readonly url: string }): boolean => url === '/api/sign-in/shop-file';

describe('a shop’s file in an empty house', () => {
  it('is looked at first: what it holds, or why it cannot be read', async () => {
    const { http, fixture, element } = await openScreen(BringShop);
    const choose = async (name: string): Promise<void> => {
      const input = element.querySelector('input')!;
      Object.defineProperty(input, 'files', { configurable: true, value: [new File(['x'], name)] });
      input.dispatchEvent(new Event('change'));
      await fixture.whenStable();
    };
    await choose('other.gz');
    http.expectOne(isFile).flush(problem('bad-request', 'This is no file of a shop, or it is damaged.'), {
      status: 400,
      statusText: 'no',
    });
    await fixture.whenStable();
    expect(element.textContent).toContain('This is no file of a shop');
    expect(element.textContent).not.toContain('Import all of it');
    await choose('shop.jsonl.gz');
    const asked = http.expectOne(isFile);
    expect(asked.request.params.get('step')).toBe('look');
    const holds = [{ what: 'reels', rows: 1204 }];
    asked.flush({ at: '2031-04-25T09:30:00.000Z', holds, taken: false });
    await fixture.whenStable();
    expect(element.textContent).toContain('1,204 reels');
    expect(element.textContent).toContain('Nothing is imported yet');
    expect(element.textContent).toContain('Import all of it');
  });
});
