import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { OpenAgain } from './open-again';

describe('a page that could not be opened', () => {
  it('is opened again once the server answers, a few times by itself and then by a press', () => {
    vi.useFakeTimers();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    const again = TestBed.inject(OpenAgain);
    const open = vi.spyOn(again, 'open').mockReturnValue(undefined);
    const server = TestBed.inject(HttpTestingController);
    try {
      for (let time = 1; time <= 3; time += 1) {
        again.noted('/bench/12');
        expect(again.failed()).toBe('/bench/12');
        vi.advanceTimersByTime(2000);
        server.expectOne('/api/health').error(new ProgressEvent('error'));
        expect(open).toHaveBeenCalledTimes(time - 1);
        vi.advanceTimersByTime(2000);
        server.expectOne('/api/health').flush({ ready: true });
        expect(open).toHaveBeenCalledTimes(time);
      }
      // It never opens: no page goes round and round.
      again.noted('/bench/12');
      vi.advanceTimersByTime(20_000);
      server.verify();
      expect(open).toHaveBeenCalledTimes(3);
      // Once any page opened it begins again.
      again.opened();
      expect(again.failed()).toBe('');
      again.noted('/day');
      vi.advanceTimersByTime(2000);
      server.expectOne('/api/health').flush({ ready: true });
      expect(open).toHaveBeenCalledTimes(4);
    } finally {
      vi.useRealTimers();
    }
  });
});
