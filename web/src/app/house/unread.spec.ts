import type { UnreadFact } from '@yard-spool/contract';
import { signInAs } from '../testing/house';
import { openScreen } from '../testing/screen';
import { UnreadPage } from './unread-page';

const SPAN: UnreadFact = {
  table: 'benches',
  id: 2,
  field: 'spanMm',
  entry: 'Bench 2, Window',
  says: 'Clear length, mm',
  stands: '50',
  wrong: 'A clear length is at least 0.2 m.',
  choices: [],
};
const HAND: UnreadFact = {
  ...SPAN,
  field: 'hand',
  says: 'Winding hand',
  stands: 'both',
  wrong: 'Neither.',
  choices: ['right', 'left'],
};

async function open(facts: UnreadFact[]) {
  const screen = await openScreen(UnreadPage);
  await signInAs(screen, 'manager');
  screen.http.expectOne('/api/unread').flush(facts);
  await screen.fixture.whenStable();
  return screen;
}

it('shows what is stored and what is wrong, and stores something else against what was seen', async () => {
  const screen = await open([SPAN]);
  expect(screen.shown()).toContain('Bench 2, Window: Clear length, mm');
  expect(screen.shown()).toContain('Stored: 50');
  expect(screen.shown()).toContain('A clear length is at least 0.2 m.');
  const field = screen.element.querySelector('input')!;
  field.value = '1500';
  field.dispatchEvent(new Event('input'));
  await screen.press('Save');
  const sent = screen.http.expectOne({ method: 'PUT', url: '/api/unread' });
  expect(sent.request.body).toEqual({ table: 'benches', id: 2, field: 'spanMm', stands: '50', is: '1500' });
  sent.flush({});
  await screen.fixture.whenStable();
  screen.http.expectOne('/api/unread').flush([]);
  await screen.fixture.whenStable();
  expect(screen.shown()).toContain('Everything in the shop’s books can be read.');
});

it('offers what it can be where it is one of a few, and room for what has parts', async () => {
  const screen = await open([HAND, { ...SPAN, field: 'devices', stands: '[{"name":""}]' }]);
  const options = [...screen.element.querySelectorAll('option')].map(({ value }) => value);
  expect(options).toEqual(['right', 'left']);
  expect(screen.element.querySelector('textarea')?.value).toBe('[{"name":""}]');
});
