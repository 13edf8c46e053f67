import type { Message } from '@yard-spool/contract';
import { openScreen, problem } from '../testing/screen';
import { MessagesPage } from './messages-page';

const MESSAGE: Message = {
  id: 4,
  kind: 'ready',
  customer: { id: 7, name: 'Ivo Tarn', contact: '' },
  bag: 12,
  tag: null,
  text: 'Hello Ivo Tarn',
  state: 'waiting',
  at: '2031-04-25T09:30:00.000Z',
  by: 'Joss',
  done: null,
  version: 1,
};
const isList = ({ url }: { readonly url: string }): boolean => url === '/api/messages';

describe('the messages', () => {
  it('are marked as sent with the words as typed; a refusal keeps them', async () => {
    const { http, fixture, element, press } = await openScreen(MessagesPage);
    http.expectOne(isList).flush({ rows: [MESSAGE], next: null });
    await fixture.whenStable();
    const words = element.querySelector('textarea')!;
    expect(words.value).toBe('Hello Ivo Tarn');
    words.value = 'Hello Ivo, come by';
    await press('Mark as sent');
    http
      .expectOne('/api/messages/4')
      .flush(problem('stale-version', 'Somebody changed it.'), { status: 409, statusText: 'no' });
    await fixture.whenStable();
    expect(element.textContent).toContain('Somebody changed it.');
    expect(element.querySelector('textarea')?.value).toBe('Hello Ivo, come by');
    await press('Mark as sent');
    const asked = http.expectOne('/api/messages/4');
    expect(asked.request.body).toEqual({ version: 1, text: 'Hello Ivo, come by', state: 'sent' });
    asked.flush({ ...MESSAGE, state: 'sent', version: 2 });
    http.expectOne(isList).flush({ rows: [], next: null });
    await fixture.whenStable();
    expect(element.textContent).toContain('Nobody has to be told anything');
  });

  it('that are done with keep their words and can wait again', async () => {
    const { http, fixture, element, press } = await openScreen(MessagesPage);
    http.expectOne(isList).flush({ rows: [], next: null });
    const label = [...element.querySelectorAll('label')].find((one) => one.textContent.includes('Done with'));
    label?.querySelector('input')?.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    const done = { at: '2031-04-25T10:30:00.000Z', by: 'Pell' };
    const asked = http.expectOne(isList);
    expect(asked.request.params.get('state')).toBe('done');
    asked.flush({ rows: [{ ...MESSAGE, state: 'sent', done }], next: null });
    await fixture.whenStable();
    expect(element.querySelector('textarea')?.readOnly).toBe(true);
    await press('It waits again');
    const body: unknown = http.expectOne('/api/messages/4').request.body;
    expect(body).toEqual({ version: 1, text: 'Hello Ivo Tarn', state: 'waiting' });
  });
});
