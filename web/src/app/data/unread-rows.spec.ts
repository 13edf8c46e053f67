import { provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { api } from '@yard-spool/contract';
import { ApiService } from './api.service';
import { hearUnreadRows, UnreadRows } from './unread-rows';

describe('a list that comes without some of its rows', () => {
  it('says how many, and a whole one says nothing', () => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(withInterceptors([hearUnreadRows])), provideHttpClientTesting()],
    });
    const http = TestBed.inject(HttpTestingController);
    const unread = TestBed.inject(UnreadRows);
    const ask = (headers: Record<string, string>): void => {
      TestBed.inject(ApiService).call(api.listBenches).subscribe();
      http.expectOne('/api/benches').flush([], { headers });
    };
    ask({});
    expect(unread.count()).toBe(0);
    ask({ 'x-unread-rows': '2' });
    expect(unread.count()).toBe(2);
  });
});
