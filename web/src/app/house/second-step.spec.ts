import type { Member } from '@yard-spool/contract';
import { openScreen, problem } from '../testing/screen';
import { SecondStep } from './second-step';

const ME: Member = {
  id: 3,
  name: 'Tova',
  role: 'manager',
  version: 1,
  left: null,
  since: '2031-04-25T09:30:00.000Z',
};
const URL = '/api/people/3/second-step';

describe('a manager’s second step', () => {
  it('is set up with a code to scan and a key to type, and on once its figures are right', async () => {
    const { http, element, fixture, shown, type, press } = await openScreen(SecondStep, { me: ME });
    let changed = 0;
    fixture.componentInstance.changed.subscribe(() => (changed += 1));
    await press('Set it up');
    http
      .expectOne({ method: 'POST', url: URL })
      .flush({ secret: 'ABCDEFGHIJ', address: 'otpauth://totp/Shop:Tova?secret=ABCDEFGHIJ' });
    await fixture.whenStable();
    expect(element.querySelector('[data-test=address-code] path')).not.toBeNull();
    expect(shown()).toContain('ABCD EFGH IJ');
    await type('Code', '000000');
    await press('Turn it on');
    http
      .expectOne({ method: 'PUT', url: URL })
      .flush(problem('code-needed', 'This is not the code that is shown now.'), {
        status: 401,
        statusText: 'no',
      });
    await fixture.whenStable();
    expect(shown()).toContain('This is not the code');
    await type('Code', '123456');
    await press('Turn it on');
    const confirmed = http.expectOne({ method: 'PUT', url: URL });
    expect(confirmed.request.body).toEqual({ code: '123456' });
    confirmed.flush({ ...ME, secondStep: true });
    await fixture.whenStable();
    expect(changed).toBe(1);
  });

  it('is turned off again', async () => {
    const { http, fixture, shown, press } = await openScreen(SecondStep, { me: { ...ME, secondStep: true } });
    expect(shown()).toContain('the code your authenticator shows');
    await press('Passcode alone again');
    await press('Passcode alone again');
    http.expectOne({ method: 'DELETE', url: URL }).flush(ME);
    await fixture.whenStable();
  });
});
