import { signInAs } from '../testing/house';
import { openScreen } from '../testing/screen';
import { AccessPage } from './access-page';

const AT = '2031-03-01T08:00:00.000Z';
const ELSEWHERE = {
  key: '0123456789abcdef',
  name: 'Bo',
  place: 'tablet at 192.168.1.7',
  since: AT,
  seenAt: AT,
};

it('lists where people are signed in, ends one, tells a manager what was done, and draws the address', async () => {
  const screen = await openScreen(AccessPage);
  await signInAs(screen, 'manager');
  screen.http.expectOne('/api/sessions').flush([{ ...ELSEWHERE, here: false }]);
  const failed = {
    id: 1,
    at: AT,
    kind: 'sign-in-failed',
    name: '',
    place: 'a phone',
    what: 'a name nobody has',
  };
  for (const asked of screen.http.match('/api/audit')) asked.flush([failed]);
  screen.http.expectOne('/api/network').flush({
    addresses: ['https://shop-desk:4310'],
    fingerprint: 'AA:BB',
    certificateAt: 'http://shop-desk:4310/certificate',
  });
  await screen.fixture.whenStable();
  expect(screen.shown()).toContain('tablet at 192.168.1.7');
  expect(screen.shown()).toContain('Wrong passcode: a name nobody has');
  expect(screen.shown()).toContain('AA:BB');
  expect(screen.element.querySelectorAll('[data-test=address-code]')).toHaveLength(2);
  expect(screen.shown()).toContain('http://shop-desk:4310/certificate');
  expect(screen.shown()).toContain('keeps no screens');
  const drawn = screen.element.querySelector('[data-test=address-code] path')?.getAttribute('d') ?? '';
  // A code begins with the frame of its first corner: seven dark squares, and a light one.
  expect(drawn).toMatch(/^(M\d 0h1v1h-1z){7}M([89]|\d\d) 0/);
  await screen.press('Sign out');
  screen.http.expectNone({ method: 'DELETE' });
  await screen.press('Sign out');
  screen.http.expectOne({ method: 'DELETE', url: `/api/sessions/${ELSEWHERE.key}` }).flush({});
  await screen.fixture.whenStable();
  expect(screen.http.match('/api/sessions')).toHaveLength(1);
});
