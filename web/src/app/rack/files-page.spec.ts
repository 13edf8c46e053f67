import { openScreen } from '../testing/screen';
import { FilesPage } from './files-page';

const FILE = { name: 'Delivery of this morning.csv', bytes: 1400, at: '2031-04-25T09:30:00.000Z' };
const result = (more: object) => ({
  rows: 1,
  wrongRows: 0,
  taken: false,
  errors: [],
  columns: ['code'],
  sample: [{ code: 'N-251' }],
  ...more,
});

describe('files that wait in the inbox folder', () => {
  const open = async () => {
    const screen = await openScreen(FilesPage);
    screen.http.expectOne('/api/inbox').flush([FILE]);
    await screen.fixture.whenStable();
    return screen;
  };
  /** The file is read in the browser, outside what the fixture waits for. */
  const asked = async ({ http, fixture }: Awaited<ReturnType<typeof open>>) => {
    for (;;) {
      await fixture.whenStable();
      const [request] = http.match('/api/rack-files');
      if (request) return request;
      await new Promise((resolve) => setTimeout(resolve));
    }
  };

  it('are looked at first, imported when that is said, and do not wait any more then', async () => {
    const screen = await open();
    expect(screen.shown()).toContain('Delivery of this morning.csv');
    expect(screen.shown()).toContain('25 Apr 2031');
    await screen.press('Look at it');
    screen.http
      .expectOne('/api/inbox/Delivery%20of%20this%20morning.csv')
      .flush({ base64: btoa('code\nN-251\n') });
    const preview = await asked(screen);
    expect(preview.request.body).toMatchObject({
      name: FILE.name,
      preview: true,
      base64: btoa('code\nN-251\n'),
    });
    preview.flush(result({}));
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Nothing is imported yet');
    await screen.press('Import all 1');
    const taken = await asked(screen);
    expect(taken.request.body).toMatchObject({ preview: false });
    taken.flush(result({ taken: true }));
    await screen.fixture.whenStable();
    screen.http.expectOne('/api/inbox/Delivery%20of%20this%20morning.csv/done').flush({});
    screen.http.expectOne('/api/inbox').flush([]);
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Imported: 1 row of Delivery of this morning.csv');
  });
});
