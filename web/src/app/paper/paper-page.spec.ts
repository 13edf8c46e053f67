import type { PaperPreview } from '@yard-spool/contract';
import { aHouse, tellHouse } from '../testing/house';
import { openScreen, problem } from '../testing/screen';
import { PaperPage } from './paper-page';

const PREVIEW: PaperPreview = {
  title: 'Tag R-0003',
  pages: [{ widthMm: 60, heightMm: 35, png: 'iVBORw0KGgo=' }],
  all: 1,
};
const isPreview = ({ url }: { readonly url: string }): boolean => url === '/api/paper/preview';

describe('a paper before it is printed', () => {
  const open = async (inputs: Record<string, string>, printer = '192.168.1.30:9100') => {
    const screen = await openScreen(PaperPage, inputs);
    await tellHouse(screen, aHouse({ printer }));
    return screen;
  };

  it('is shown in the size of its label, and asked for again in another', async () => {
    const { http, fixture, element, press } = await open({ what: 'tag', of: 'R-0003' });
    http.expectOne(isPreview).flush(PREVIEW);
    await fixture.whenStable();
    const picture = element.querySelector('img');
    expect(picture?.getAttribute('alt')).toBe('Tag R-0003, page 1 of 1');
    expect(picture?.getAttribute('src')).toBe('data:image/png;base64,iVBORw0KGgo=');
    const label = [...element.querySelectorAll('label')].find((one) => one.textContent.includes('80 × 50'));
    label?.querySelector('input')?.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    const asked = http.expectOne(isPreview);
    expect(asked.request.params.get('label')).toBe('large');
    asked.flush(PREVIEW);
    await fixture.whenStable();
    await press('label printer');
    http
      .expectOne('/api/paper')
      .flush(problem('device-away', 'The label printer does not answer.'), { status: 503, statusText: 'no' });
    await fixture.whenStable();
    expect(element.textContent).toContain('The label printer does not answer.');
    await press('label printer');
    const sent = http.expectOne('/api/paper');
    expect(sent.request.body).toMatchObject({ what: 'tag', of: 'R-0003', label: 'large' });
    sent.flush({ title: 'Tag R-0003', pages: 1, printer: '192.168.1.30:9100' });
    await fixture.whenStable();
    expect(element.textContent).toContain('the printer took one page');
  });

  it('offers the others of the same bag, says where to set a printer, and how to keep a gauge true', async () => {
    const { http, fixture, element } = await open({ what: 'gauge', of: '12' }, '');
    http.expectOne(isPreview).flush({ ...PREVIEW, all: 9 });
    await fixture.whenStable();
    const others = [...element.querySelectorAll('nav a')].map((one) => one.textContent.trim());
    expect(others).toEqual(['Claim slip', 'Cut list', 'What to set out', 'Hand-back slip', 'Depth gauge']);
    expect(element.textContent).toContain('No label printer is set up');
    expect(element.textContent).toContain('measure the bar');
    expect(element.textContent).toContain('The first 1 of 9 pages');
  });
});
