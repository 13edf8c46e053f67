import { openScreen } from '../testing/screen';
import { FirstSteps } from './first-steps';

const bench = (version: number) => ({
  id: 1,
  name: 'Bench 1',
  spanMm: 1500,
  hand: 'right',
  pedal: '',
  devices: [],
  version,
});
const LINE = {
  id: 1,
  code: 'SN-30',
  name: 'Smoke nylon 0.30',
  material: 'nylon',
  diameter: 0.3,
  strengthKg: null,
  tint: '#aab7bd',
  mass: null,
};
const open = async (more: { benches?: object[]; tubs?: object[]; products?: object[] } = {}) => {
  const screen = await openScreen(FirstSteps);
  screen.http.expectOne('/api/benches').flush(more.benches ?? [bench(1)]);
  screen.http.expectOne('/api/tubs').flush(more.tubs ?? []);
  screen.http.expectOne('/api/products').flush(more.products ?? []);
  screen.http.expectOne('/api/sign-in').flush({ people: [{ name: 'Ada', role: 'manager' }] });
  await screen.fixture.whenStable();
  const links = [...screen.element.querySelectorAll('a')];
  return { ...screen, first: () => links.find((link) => link.classList.contains('go'))?.textContent.trim() };
};

describe('the first steps of a new shop', () => {
  it('begin with the benches, and lead to line that is typed, scanned or imported', async () => {
    const { first, shown, element } = await open();
    expect(first()).toBe('Set up the benches');
    expect(shown()).toContain('Add people');
    expect(element.querySelector('a[href="/rack?receive=yes"]')).not.toBeNull();
    expect(element.querySelector('a[href="/rack/files"]')).not.toBeNull();
  });

  it('go on past what is done; tubs are for those who want them', async () => {
    const { first, shown } = await open({ benches: [bench(2)] });
    expect(first()).toBe('Type or scan it');
    expect(shown()).toContain('Benches and people, done');
  });

  it('end with the first bag', async () => {
    const { first } = await open({ benches: [bench(2)], products: [LINE] });
    expect(first()).toBe('Book a bag in');
  });
});
