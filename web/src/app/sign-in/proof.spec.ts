import { TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { api } from '@yard-spool/contract';
import { problem } from '../testing/screen';
import { ApiService } from '../data/api.service';
import { ASK_PASSCODE, Proof } from '../data/proof.service';
import { RequestProblem } from '../data/request-problem';
import { askAgain } from './passcode-again';

const NO = { status: 403, statusText: 'no' };
const again = () => problem('passcode-again', 'Type your passcode again. Nothing was changed yet.');

describe('a manager’s act that asks for the passcode again', () => {
  let http: HttpTestingController;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: ASK_PASSCODE, useValue: () => Promise.resolve(askAgain) },
      ],
    });
    http = TestBed.inject(HttpTestingController);
  });
  afterEach(() => {
    for (const left of document.querySelectorAll('.cdk-overlay-container')) left.remove();
  });

  function drop() {
    const told: unknown[] = [];
    TestBed.inject(ApiService)
      .call(api.dropException, { params: { id: 7 } })
      .subscribe({ next: (reply) => told.push(reply), error: (error: unknown) => told.push(error) });
    return told;
  }
  const form = () =>
    vi.waitFor(() => {
      const there = document.querySelector<HTMLFormElement>('ys-passcode-again form');
      if (!there) throw new Error('nothing is asked');
      return there;
    });
  async function type(passcode: string): Promise<void> {
    const there = await form();
    const field = there.querySelector('input')!;
    field.value = passcode;
    field.dispatchEvent(new Event('input'));
    there.dispatchEvent(new Event('submit'));
  }

  it('is asked once more behind the right one; a wrong one is said to be', async () => {
    const told = drop();
    http.expectOne('/api/exceptions/7').flush(again(), NO);
    await type('left');
    http
      .expectOne('/api/session/again')
      .flush(problem('wrong-passcode', 'This is not your passcode. Try again.'), {
        status: 401,
        statusText: 'no',
      });
    await vi.waitFor(() => expect(document.body.textContent).toContain('This is not your passcode'));
    await type('right');
    const proof = http.expectOne('/api/session/again');
    expect(proof.request.body).toEqual({ passcode: 'right' });
    proof.flush({});
    await vi.waitFor(() => http.expectOne({ method: 'DELETE', url: '/api/exceptions/7' }).flush({}));
    expect(told).toEqual([{}]);
    await vi.waitFor(() => expect(document.querySelector('ys-passcode-again')).toBeNull());
  });

  it('is asked for in place where somebody was signed out elsewhere, and what they did goes on', async () => {
    TestBed.inject(Proof).who.set('Tova');
    const told = drop();
    const out = problem('not-signed-in', 'Sign in to go on.');
    http.expectOne('/api/exceptions/7').flush(out, NO);
    await type('eider');
    expect(document.body.textContent).toContain('Sign in again, Tova');
    const signIn = http.expectOne('/api/session');
    expect(signIn.request.body).toEqual({ name: 'Tova', passcode: 'eider' });
    signIn.flush({ id: 1, name: 'Tova', role: 'manager' });
    await vi.waitFor(() => http.expectOne({ method: 'DELETE', url: '/api/exceptions/7' }).flush({}));
    expect(told).toEqual([{}]);
  });

  it('is not done where the question is left, and says so', async () => {
    const told = drop();
    http.expectOne('/api/exceptions/7').flush(again(), NO);
    const leave = [...(await form()).querySelectorAll('button')].find((one) =>
      one.textContent.includes('Cancel'),
    )!;
    leave.click();
    await vi.waitFor(() => expect(told).toHaveLength(1));
    expect((told[0] as RequestProblem).code).toBe('passcode-again');
    http.expectNone('/api/exceptions/7');
  });

  it('asks one question for several at once', async () => {
    const told = [drop(), drop()];
    for (const asked of http.match('/api/exceptions/7')) asked.flush(again(), NO);
    await type('right');
    expect(document.querySelectorAll('ys-passcode-again')).toHaveLength(1);
    http.expectOne('/api/session/again').flush({});
    await vi.waitFor(() =>
      expect(http.match('/api/exceptions/7').map((one) => one.flush({}))).toHaveLength(2),
    );
    expect(told).toEqual([[{}], [{}]]);
  });
});
