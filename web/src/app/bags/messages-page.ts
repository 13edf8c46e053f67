import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { api, type Message, type MessageState } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { Choice } from '../ui/choice';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { BagsTabs } from './bags-tabs';
import { promisedText } from '../words/promised-text';

/** What customers are to be told: each text shown, edited, copied, and marked as sent. Nothing is sent from here. */
@Component({
  selector: 'ys-messages-page',
  imports: [BagsTabs, Choice, LoadState, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './messages-page.html',
  host: { class: 'block p-4 px-5' },
})
export class MessagesPage {
  private readonly api = inject(ApiService);

  protected readonly form = new FormGroup({ state: text('waiting') });
  protected readonly states = [
    { value: 'waiting', name: 'To be sent' },
    { value: 'done', name: 'Done with' },
  ];
  protected readonly rows = pages<Message>((after) =>
    this.api.call(api.listMessages, { query: { state: this.form.getRawValue().state, after } }),
  );
  protected readonly when = promisedText;
  protected readonly sending = new Sending();
  /** The message something was said about, and what. */
  protected readonly about = signal(0);
  protected readonly copied = signal(0);

  constructor() {
    this.rows.reload();
    this.form.controls.state.valueChanges.subscribe(() => this.rows.reload());
  }

  protected copy({ id }: Message, words: string): void {
    void navigator.clipboard.writeText(words).then(() => this.copied.set(id));
  }

  protected set({ id, version }: Message, words: string, state: MessageState): void {
    this.about.set(id);
    const ask = this.api.call(api.changeMessage, {
      params: { id },
      body: { version, text: words, state },
    });
    this.sending.send(ask, () => this.rows.reload());
  }
}
