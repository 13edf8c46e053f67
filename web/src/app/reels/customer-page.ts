import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { api, type CustomerPage as Page } from '@yard-spool/contract';
import { promisedText } from '../words/promised-text';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LineSwatch } from '../drawing/line-swatch';
import { SmallSection } from '../drawing/small-section';
import { FormEnd } from '../ui/form-end';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { dayText } from '../ui/day-text';
import { TakeAlong } from './take-along';
import { dueWords, isDue } from './record-words';

/** A customer: their reels with what is on each and what is due, what they like, their own line here, their bags. */
@Component({
  selector: 'ys-customer-page',
  imports: [
    FormEnd,
    LineSwatch,
    LoadState,
    ReactiveFormsModule,
    RouterLink,
    SmallSection,
    TextField,
    TakeAlong,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './customer-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class CustomerPage {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  /** From the address. */
  readonly id = input.required<string>();

  protected readonly page = loadFor(this.id, (id) => this.api.call(api.readCustomer, { params: { id } }));
  protected readonly types = REEL_TYPE_NAMES;
  protected readonly day = dayText;
  protected readonly promised = promisedText;
  protected readonly due = dueWords;
  protected readonly isDue = isDue;
  protected readonly editing = signal(false);
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ name: text(), contact: text() });
  /** What they like, in sentences. */
  protected readonly likes = computed((): string[] => {
    const page = this.page.value();
    if (!page) return [];
    const { gap, leader, main, guides, fills } = page.likes;
    const of = (times: number): string =>
      fills === 1 ? 'at the one fill so far' : `${String(times)} of the last ${String(fills)} fills`;
    return [
      gap ? `A gap of ${this.units.small(gap.mm)}, ${of(gap.times)}.` : '',
      main ? `${main.name}, ${of(main.times)}.` : '',
      leader ? `Leader: ${leader.words}, ${of(leader.times)}.` : '',
      guides ? `Guides: ${this.units.say(guides).toLowerCase()}.` : '',
    ].filter(Boolean);
  });

  protected edit({ customer }: Page): void {
    this.form.setValue({ name: customer.name, contact: customer.contact });
    this.editing.set(true);
  }

  protected save({ customer, version }: Page): void {
    const body = { version, ...this.form.getRawValue() };
    this.sending.send(this.api.call(api.changeCustomer, { params: { id: customer.id }, body }), () => {
      this.editing.set(false);
      this.page.reload();
    });
  }
}
