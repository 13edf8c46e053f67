import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { api, type ShopFile } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { momentText } from '../ui/day-text';
import { Sending } from '../ui/sending';
import { withWords } from './first-words';

/** A shop that was exported elsewhere comes into this empty house: looked at first, then all of it or nothing. */
@Component({
  selector: 'ys-bring-shop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="border-t border-line pt-4">
      <label class="grid gap-1">
        <span class="caption">Or import a shop from its file</span>
        <input
          #chosen
          class="entry h-auto! py-2"
          type="file"
          accept=".gz,.jsonl.gz,application/gzip"
          (change)="tryFile(chosen.files?.[0] ?? null)"
        />
      </label>
      @if (sending.busy()) {
        <p class="pt-2 text-mute" role="status">Looking it through…</p>
      }
      @if (sending.problem(); as sentence) {
        <p class="pt-2 font-bold text-stop" role="alert">{{ sentence }}</p>
      }
      @if (found(); as shop) {
        <div class="look mt-2 grid gap-2 px-3.5 py-3" data-test="shop-file">
          <p class="font-bold">A shop as it was on {{ day(shop.at) }}. Nothing is imported yet.</p>
          <ul class="grid grid-cols-2 gap-x-4">
            @for (one of shop.holds; track one.what) {
              <li>
                <b>{{ one.rows.toLocaleString('en') }}</b> {{ one.what }}
              </li>
            }
          </ul>
          <button type="button" class="go" [disabled]="sending.busy()" (click)="take()">
            Import all of it
          </button>
          <p class="text-[13px] text-mute">Its people sign in here with their own passcodes then.</p>
        </div>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class BringShop {
  private readonly api = inject(ApiService);

  /** The words shown where the server was started; empty where none are asked for. */
  readonly words = input('');

  private readonly file = signal<File | null>(null);
  protected readonly found = signal<ShopFile | null>(null);
  protected readonly sending = new Sending();
  protected readonly day = momentText;

  protected tryFile(file: File | null): void {
    this.file.set(file);
    this.found.set(null);
    this.send('look', (shop) => this.found.set(shop));
  }

  protected take(): void {
    // Who works here is another question now: it is asked from the beginning.
    this.send('take', () => {
      location.reload();
    });
  }

  private send(step: 'look' | 'take', done: (shop: ShopFile) => void): void {
    const file = this.file();
    if (!file) return;
    const bytes = new Blob([file], { type: 'application/gzip' });
    this.sending.send(
      this.api.callWith(api.importShop, bytes, {
        query: { step },
        headers: withWords(this.words()),
      }),
      done,
    );
  }
}
