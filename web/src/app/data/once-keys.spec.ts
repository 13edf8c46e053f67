import { HttpErrorResponse } from '@angular/common/http';
import { Subject, type Observable } from 'rxjs';
import { OnceKeys } from './once-keys';

describe('the keys of requests that make something', () => {
  const MARK = { method: 'POST', path: '/fills/:id/marks' } as const;
  const same = ['/api/fills/4/marks', {}, { kind: 'trips', trips: 1 }] as const;

  function sender() {
    const sent: Record<string, string>[] = [];
    const answers: Subject<string>[] = [];
    const send = (headers: Record<string, string>): Observable<string> => {
      sent.push(headers);
      const answer = new Subject<string>();
      answers.push(answer);
      return answer;
    };
    const fail = (status: number): void =>
      answers.at(-1)!.error(new HttpErrorResponse({ status, url: same[0] }));
    return { sent, answers, send, fail };
  }
  const ignore = { error: () => undefined };

  it('are the same for a double click, and others for the next entry', () => {
    const keys = new OnceKeys();
    const { sent, answers, send } = sender();
    const ask = (): void => void keys.ask(MARK, same, send).subscribe(ignore);
    ask();
    ask();
    expect(sent[1]).toEqual(sent[0]);
    answers[0]!.next('done');
    // One more of the same, once it is answered, is meant.
    ask();
    expect(sent[2]!['idempotency-key']).not.toBe(sent[0]!['idempotency-key']);
  });

  it('are kept while no answer came, and let go where the server said no', () => {
    const keys = new OnceKeys();
    const { sent, send, fail } = sender();
    const ask = (): string => {
      keys.ask(MARK, same, send).subscribe(ignore);
      return sent.at(-1)!['idempotency-key']!;
    };
    const first = ask();
    fail(0);
    expect(ask()).toBe(first);
    fail(503);
    expect(ask()).toBe(first);
    fail(409);
    expect(ask()).not.toBe(first);
  });

  it('differ for what differs, and what makes nothing has none', () => {
    const keys = new OnceKeys();
    const { sent, send } = sender();
    keys.ask(MARK, same, send).subscribe(ignore);
    keys.ask(MARK, [same[0], {}, { kind: 'trips', trips: 2 }], send).subscribe(ignore);
    keys.ask({ method: 'GET', path: '/bags' }, same, send).subscribe(ignore);
    keys.ask({ method: 'PUT', path: '/bags/:number' }, same, send).subscribe(ignore);
    expect(sent[0]!['idempotency-key']).not.toBe(sent[1]!['idempotency-key']);
    expect(sent.slice(2)).toEqual([{}, {}]);
  });
});
