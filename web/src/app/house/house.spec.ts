import type { Bench, Habits, Member, Preview } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { aHouse, signInAs, tellHouse } from '../testing/house';
import { openScreen, problem } from '../testing/screen';
import { BenchForm } from './bench-form';
import { CautionsPage } from './cautions-page';
import { GapChart } from './gap-chart';
import { handWords } from '../ui/learned-words';
import { PeoplePage } from './people-page';
import { RulesPreview } from './rules-preview';
import { SchoolPhysics } from './school-physics';
import { ShopPage } from './shop-page';
import { SoakChart } from './soak-chart';
import { TwistColumns } from './twist-columns';

const NOW = '2031-03-10T17:00:00.000Z';
const HABITS: Habits = {
  reel: { label: 'Pier 3000', times: 9, diameters: [40, 45], arborMm: 30 },
  supply: { code: 'N-1', product: 'Smoke 0.25', times: 4, diameters: [100, 98], measured: true },
  nylons: [0.2, 0.25, 0.3, 0.35, 0.4, 0.5].map((diameter) => ({ name: '', diameter, tint: '#aabbcc' })),
};

describe('what physics adds', () => {
  it('tells uptake for the thickest nylon, with its range, under the school looked at', async () => {
    const screen = await openScreen(SoakChart, { nylons: HABITS.nylons, school: 'overnight' });
    expect(screen.shown()).toMatch(/0\.50 mm: \d+ % after 10 h, likely \d+ to \d+ %/);
    await screen.type('Range shown for', '0.2');
    expect(screen.shown()).toMatch(/0\.20 mm: \d+ % after 10 h/);
    screen.fixture.componentRef.setInput('school', 'none');
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Wound dry');
  });

  it('has something to show for a shop without nylon', async () => {
    const screen = await openScreen(SoakChart, { nylons: [], school: 'short' });
    expect(screen.shown()).toContain('0.40 mm');
  });

  it('tells the gap by the line, and what rim and reel decide whatever the house holds', async () => {
    const screen = await openScreen(GapChart, { level: 'by-line' });
    expect(screen.shown()).toMatch(/Leaves 1\.6 mm under 0\.20 mm line, 2\.4 mm .* 3\.2 mm/);
    expect(screen.shown()).toContain('whatever the shop holds');
  });

  it('tells twist in both places, and which decides here', async () => {
    const screen = await openScreen(TwistColumns, { habits: HABITS, rules: USUAL_HOUSE_RULES });
    expect(screen.shown()).toContain('on the spool, decides here');
    expect(screen.shown()).toContain('Over the end, turning the way the bail does: least twist');
    const rules = { ...USUAL_HOUSE_RULES, judgeTwistBy: 'cast' };
    screen.fixture.componentRef.setInput('rules', rules);
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('after a cast, decides here');
    expect(screen.shown()).toContain('Rolling on a spindle: least twist');
  });

  it('waits for a first reel where the shop has none', async () => {
    const habits = { reel: null, supply: null, nylons: [] };
    const screen = await openScreen(TwistColumns, { habits, rules: USUAL_HOUSE_RULES });
    expect(screen.shown()).toContain('Once a fixed spool was booked in');
  });

  it('tells how many times more turns a backing takes at the arbor: 1.27 on arbor 32, flush 46', async () => {
    // Main 67.5 % of the volume of arbor 16, lip 23, in radii: the worked case of the model.
    const join = 2 * Math.sqrt(16 ** 2 + 0.325 * (23 ** 2 - 16 ** 2));
    const habits = { ...HABITS, reel: { ...HABITS.reel!, arborMm: 32, diameters: [join, 46] } };
    const screen = await openScreen(SchoolPhysics, { question: 'order', rules: USUAL_HOUSE_RULES, habits });
    expect(screen.shown()).toContain('takes 1.27 times as many turns');
  });
});

describe('what a rule would change', () => {
  const preview: Preview = {
    reels: [
      {
        jobId: 1,
        bagNumber: 4,
        customer: 'Ivo',
        promisedAt: NOW,
        tag: 'R-0004',
        label: 'Pier',
        advice: [{ question: 'level', was: 'Leave 1.6 mm', is: 'Fill flush with the lip.' }],
        plan: {
          gap: { was: 1.6, is: 0 },
          layers: [
            { role: 'backing', was: 80, is: 96 },
            { role: 'main', was: 120, is: 120 },
          ],
        },
        stays: '',
      },
    ],
    unchanged: 3,
    onTheBench: 1,
  };

  it('is told reel by reel, with the metres that move', async () => {
    const screen = await openScreen(RulesPreview, { preview, anything: true });
    const shown = screen.shown().replace(/\u00a0/g, ' ');
    expect(shown).toContain('Gap 1.6 mm → 0.0 mm, backing 80 m → 96 m');
    expect(shown).not.toContain('main 120');
    expect(shown).toContain('3 waiting reels stay as they are. 1 on a bench keeps');
  });

  it('says which plan stays and why', async () => {
    const stays = { ...preview.reels[0]!, plan: null, stays: 'Piece N-1 has not enough free line for it.' };
    const screen = await openScreen(RulesPreview, {
      preview: { ...preview, reels: [stays] },
      anything: true,
    });
    expect(screen.shown()).toContain('Stays as planned: Piece N-1');
  });

  it('is nothing before anything is chosen', async () => {
    const screen = await openScreen(RulesPreview, { preview, anything: false });
    expect(screen.shown()).toContain('Choose another option');
  });
});

describe('people', () => {
  const ivo: Member = { id: 2, name: 'Ivo', role: 'technician', since: NOW, left: null, version: 3 };

  it('are seen by everybody and changed by a manager', async () => {
    const screen = await openScreen(PeoplePage);
    screen.http.expectOne('/api/people').flush([ivo, { ...ivo, id: 3, name: 'Old', left: NOW }]);
    await signInAs(screen, 'technician');
    expect(screen.shown()).not.toContain('Deactivate');
    await signInAs(screen, 'manager');
    expect(screen.shown()).toContain('Reactivate');
    await screen.press('Deactivate');
    const sent = screen.http.expectOne('/api/people/2');
    expect(sent.request.body).toEqual({ version: 3, name: 'Ivo', role: 'technician', here: false });
    sent.flush(problem('last-manager', 'Ivo is the only manager.'), { status: 409, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Ivo is the only manager.');
  });
});

describe('what the fills of a person taught', () => {
  it('is said against the shop’s usual, where it differs more than is not known of it', () => {
    const belief = (median: number, sd: number) => ({ median, sd });
    const learning = {
      kinds: [],
      lines: [],
      prints: [],
      counters: { reels: [], kinds: [] },
      hands: [
        { key: 'Ivo, medium', belief: belief(1.04, 0.02), fills: 14 },
        { key: 'Ivo, tight', belief: belief(0.995, 0.03), fills: 1 },
        { key: 'Someone else, light', belief: belief(0.9, 0.02), fills: 9 },
      ],
    };
    expect(handWords(learning, 'Ivo')).toEqual([
      'Line wound as when fishing lies 4 % denser than the shop’s usual, give or take 2 %; learned from 14 fills.',
      'Line wound as tight as can be lies as dense as the shop’s usual, give or take 3 %; learned from 1 fill.',
    ]);
    expect(handWords(learning, 'Nobody')).toEqual([]);
    expect(handWords(undefined, 'Ivo')).toEqual([]);
  });
});

describe('a bench', () => {
  const bench: Bench = {
    id: 1,
    name: 'Bench 1',
    spanMm: 1500,
    hand: 'right',
    pedal: '',
    devices: [],
    version: 2,
  };

  it('takes a free span within its range, and devices', async () => {
    const screen = await openScreen(BenchForm, { bench });
    await screen.type('Clear length', '40 m');
    expect(screen.shown()).toContain('from 0.2 to 20 m');
    await screen.type('Clear length', '1.8 m');
    const pedal = screen.element.querySelector<HTMLInputElement>('input[placeholder=none]')!;
    pedal.dispatchEvent(new KeyboardEvent('keydown', { key: 'b', cancelable: true }));
    await screen.press('Add a counter or line meter');
    await screen.type('Device, as it names itself', 'reed-1');
    await screen.type('Host and port', '127.0.0.1:4711');
    await screen.press('Save the bench');
    const { request } = screen.http.expectOne('/api/benches/1');
    expect(request.body).toEqual({
      name: 'Bench 1',
      spanMm: 1800,
      hand: 'right',
      pedal: 'B',
      version: 2,
      devices: [{ name: 'reed-1', address: '127.0.0.1:4711', counts: 'handle-turns', per: 1 }],
    });
  });
});

describe('what the shop settles', () => {
  it('is sent whole, and says what is wrong where it is wrong', async () => {
    const screen = await openScreen(ShopPage);
    await tellHouse(screen);
    await signInAs(screen, 'manager');
    await screen.type('Tail lost', '90 m');
    expect(screen.shown()).toContain('from 0 to 20 m');
    await screen.type('Tail lost', '1.5 m');
    await screen.type('Old braid', 'grey box');
    await screen.press('Save');
    const sent = screen.http.expectOne({ method: 'PUT', url: '/api/house-rules' });
    expect(sent.request.body).toMatchObject({ tailMm: 1500, bins: { braid: 'grey box' }, version: 1 });
    const wrong = problem('bad-request', 'No.', [{ path: 'zone', message: 'This time zone is not known.' }]);
    sent.flush(wrong, { status: 400, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('This time zone is not known.');
  });
});

describe('cautions', () => {
  it('keep the built-in text in sight beside the shop’s own words', async () => {
    const screen = await openScreen(CautionsPage);
    await tellHouse(screen, aHouse({ cautions: { words: { scissors: 'By the door.' }, more: [] } }));
    await signInAs(screen, 'manager');
    expect(screen.shown()).toContain('No blade or heat against a spool.');
    await screen.press('Add one of our own');
    await screen.press('Show them so');
    const { request } = screen.http.expectOne({ method: 'PUT', url: '/api/house-rules' });
    expect(request.body).toMatchObject({
      cautions: { words: { scissors: 'By the door.' }, more: [{ at: 'wind', title: '', text: '' }] },
    });
  });
});
