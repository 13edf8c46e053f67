import { signInAs } from '../testing/house';
import { openScreen } from '../testing/screen';
import { FilesAndCalendar } from './files-and-calendar';

describe('the calendar’s address', () => {
  it('is shown once, when a manager makes it', async () => {
    const screen = await openScreen(FilesAndCalendar);
    const { http, fixture, element, press } = screen;
    http.expectOne('/api/calendar').flush({ since: null, path: null });
    await signInAs(screen, 'manager');
    expect(element.textContent).toContain('There is no address yet');
    await press('Make an address');
    http.expectOne('/api/calendar').flush({ since: '2031-04-25T09:30:00.000Z', path: '/api/calendar/x.ics' });
    http.expectOne('/api/calendar').flush({ since: '2031-04-25T09:30:00.000Z', path: null });
    await fixture.whenStable();
    expect(element.querySelector('[data-test=calendar-address]')?.textContent).toBe(
      `${location.origin}/api/calendar/x.ics`,
    );
    await press('Delete');
    await press('Delete');
    http.expectOne('/api/calendar').flush({ since: null, path: null });
    http.expectOne('/api/calendar').flush({ since: null, path: null });
    await fixture.whenStable();
    expect(element.querySelector('[data-test=calendar-address]')).toBeNull();
  });

  it('and the whole shop are no technician’s to hand out', async () => {
    const screen = await openScreen(FilesAndCalendar);
    screen.http.expectOne('/api/calendar').flush({ since: '2031-04-25T09:30:00.000Z', path: null });
    await signInAs(screen, 'technician');
    expect(screen.element.textContent).toContain('There is an address since 25 Apr 2031');
    expect(screen.element.textContent).not.toContain('Make another address');
    const out = [...screen.element.querySelectorAll('button')].find((one) =>
      one.textContent.includes('Export'),
    );
    expect(out?.disabled).toBe(true);
  });
});
