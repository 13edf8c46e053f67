import type { EarliestPromise, PromiseAsked } from '@yard-spool/contract';
import { PLAN_INPUT } from '../testing/runs';
import { openScreen, problem, type Screen } from '../testing/screen';
import { PromiseHint } from './promise-hint';

const at = (time: string): string => new Date(`2031-03-13T${time}:00`).toISOString();
const asked = (more: object = {}): PromiseAsked =>
  ({ jobs: [{ type: 'fixed-spool', planInput: PLAN_INPUT, cuts: [], ...more }] }) as unknown as PromiseAsked;

const DRY = { kind: 'dry', at: at('14:30'), code: '', name: '' } as const;

const open = (promised = '', body: PromiseAsked | null = asked()): Promise<Screen<PromiseHint>> =>
  openScreen(PromiseHint, { asked: body, promised, rest: 0 });

/** The question, once what is typed rests. */
const question = (screen: Screen<PromiseHint>) =>
  vi.waitFor(() => screen.http.expectOne({ method: 'POST', url: '/api/day/promise' }));

async function told(screen: Screen<PromiseHint>, reply: EarliestPromise): Promise<string> {
  (await question(screen)).flush(reply);
  await screen.fixture.whenStable();
  return screen.shown();
}

describe('the earliest promise', () => {
  it('stands beside the field before anything is promised, and can be taken', async () => {
    const screen = await open();
    const taken: string[] = [];
    screen.fixture.componentInstance.taken.subscribe((one) => taken.push(one));
    expect(await told(screen, { at: at('15:45'), cures: [DRY] })).toMatch(/Holds nine times in ten: .*15:45/);
    expect(screen.shown()).not.toContain('Without the soak');
    await screen.press('Promise that');
    expect(taken).toEqual([at('15:45')]);
  });

  it('says by how much a promise is too early, and what would make it possible', async () => {
    const shown = await told(await open(at('14:30')), { at: at('15:45'), cures: [DRY] });
    expect(shown).toMatch(
      /Too early by 1 h 15 min\. ?Holds nine times in ten: .*15:45 ?Without the soak: .*14:30/,
    );
  });

  it('names each thing that would make it possible: other line, other hands', async () => {
    const shown = await told(await open(at('14:30')), {
      at: at('15:45'),
      cures: [
        { kind: 'line', at: at('14:00'), code: 'N-231', name: 'Smoke nylon' },
        { kind: 'hands', at: at('15:00'), code: '', name: '' },
      ],
    });
    expect(shown).toMatch(
      /With N-231, Smoke nylon, which is wet already: .*14:00 ?With somebody at the other bench: .*15:00/,
    );
  });

  it('is asked for again when it is to be promised for another time', async () => {
    const screen = await open(at('14:30'));
    expect((await question(screen)).request.body).toMatchObject({ promisedAt: at('14:30') });
    screen.fixture.componentRef.setInput('promised', '');
    expect((await question(screen)).request.body).toMatchObject({ promisedAt: null });
  });

  it('says nothing of a promise that is late enough but when the earliest is', async () => {
    expect(await told(await open(at('17:00')), { at: at('15:45'), cures: [] })).not.toContain('Too early');
  });

  it('asks once for keys typed one after another, and again once the plan is another', async () => {
    const screen = await openScreen(PromiseHint, { asked: asked(), promised: '', rest: 50 });
    screen.fixture.componentRef.setInput('asked', asked({ type: 'baitcaster' }));
    await screen.fixture.whenStable();
    expect((await question(screen)).request.body).toMatchObject({ jobs: [{ type: 'baitcaster' }] });
    screen.fixture.componentRef.setInput('asked', asked());
    expect((await question(screen)).request.body).toMatchObject({ jobs: [{ type: 'fixed-spool' }] });
  });

  it.each([
    ['there is nothing to plan yet', null],
    ['its line is not in stock', { at: null, cures: [] }],
  ])('is not told where %s', async (_, reply) => {
    const screen = await open('', reply ? asked() : null);
    if (reply) await told(screen, reply);
    else screen.http.expectNone('/api/day/promise');
    expect(screen.shown().trim()).toBe('');
  });

  it('that cannot be had is left out, and asked for again with the next plan', async () => {
    const screen = await open();
    (await question(screen)).flush(problem('database-away', 'No.'), { status: 503, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown().trim()).toBe('');
    screen.fixture.componentRef.setInput('asked', asked({ type: 'spincast' }));
    expect(await told(screen, { at: at('15:45'), cures: [] })).toContain('15:45');
  });
});
