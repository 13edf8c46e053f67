import { openScreen, problem } from '../testing/screen';
import { SignIn } from './sign-in';

const PEOPLE = [
  { name: 'Ansa', role: 'technician' },
  { name: 'Joss', role: 'technician' },
  { name: 'Tova', role: 'manager' },
];
const DEMO = {
  people: [
    { name: 'Tova', passcode: 'eider-41' },
    { name: 'Joss', passcode: 'plover-7' },
  ],
  counterPanel: 'http://127.0.0.1:9',
};

describe('signing in', () => {
  const open = async (sheet: object) => {
    const screen = await openScreen(SignIn);
    for (const asked of screen.http.match('/api/sign-in')) asked.flush(sheet);
    await screen.fixture.whenStable();
    return screen;
  };

  it('of the demo has three things to try, begun by a technician whose passcode it tells', async () => {
    const { http, press, shown } = await open({ people: PEOPLE, demo: DEMO });
    for (const name of ['Book in three reels', 'Fill the one on bench 2', 'Match the Grey Petrel’s counters'])
      expect(shown()).toContain(name);
    await press('Book in three reels');
    expect(http.expectOne('/api/session').request.body).toEqual({ name: 'Joss', passcode: 'plover-7' });
  });

  it('of a shop tells no passcode and has nothing to try', async () => {
    const { shown } = await open({ people: PEOPLE });
    expect(shown()).not.toContain('to try');
    expect(shown()).not.toContain('passcodes are');
  });

  it('of an empty shop asks another device for the words shown where it was started, and sends them', async () => {
    const { http, fixture, element, shown, press } = await open({ people: [], needsWords: true });
    expect(shown()).toContain('The five words shown where Yard Spool was started');
    const type = (name: string, text: string): void => {
      const field = element.querySelector<HTMLInputElement>(`[formControlName="${name}"]`)!;
      field.value = text;
      field.dispatchEvent(new Event('input'));
    };
    type('words', ' heron moss ');
    type('name', 'Wren');
    type('passcode', 'herring-9-net');
    await fixture.whenStable();
    await press('Create the shop');
    const { request } = http.expectOne('/api/sign-in/first');
    expect(request.headers.get('x-first-words')).toBe('heron%20moss');
    expect(request.body).toEqual({ name: 'Wren', passcode: 'herring-9-net' });
  });

  it('of whoever has a second step asks for the code once the passcode was right', async () => {
    const { http, fixture, element, shown, press } = await open({ people: PEOPLE });
    const type = (name: string, text: string): void => {
      const field = element.querySelector<HTMLInputElement>(`[formControlName="${name}"]`)!;
      field.value = text;
      field.dispatchEvent(new Event('input'));
    };
    await press('Tova');
    type('passcode', 'eider-41');
    expect(shown()).not.toContain('authenticator');
    await press('Sign in');
    const first = http.expectOne('/api/session');
    expect(first.request.body).toEqual({ name: 'Tova', passcode: 'eider-41' });
    first.flush(problem('code-needed', 'Type the six figures your authenticator shows.'), {
      status: 401,
      statusText: 'no',
    });
    await fixture.whenStable();
    expect(shown()).toContain('Type the six figures');
    type('code', '123 456');
    await press('Sign in');
    expect(http.expectOne('/api/session').request.body).toEqual({
      name: 'Tova',
      passcode: 'eider-41',
      code: '123 456',
    });
  });

  it('on the shop’s own machine asks for no words', async () => {
    const { shown } = await open({ people: [] });
    expect(shown()).toContain('Create the manager’s account');
    expect(shown()).not.toContain('five words');
  });

  it('says what it is for', async () => {
    const { element, fixture, shown } = await open({ people: PEOPLE });
    element.querySelector<HTMLElement>('[aria-label="What this screen is for"]')!.click();
    await fixture.whenStable();
    expect(shown()).toContain('Choose your name and type your passcode');
  });
});
