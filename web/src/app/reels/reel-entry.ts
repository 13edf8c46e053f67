import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Reel } from '@yard-spool/contract';
import { CustomerPicker } from '../customers/customer-picker';
import { ApiService } from '../data/api.service';
import { FormEnd } from '../ui/form-end';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';

/** A reel’s entry: another tag, name or owner; or it turns out to be one with another. */
@Component({
  selector: 'ys-reel-entry',
  imports: [CustomerPicker, FormEnd, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form
      class="card grid gap-2.5 p-4"
      data-test="entry"
      [formGroup]="form"
      (submit)="$event.preventDefault(); save()"
    >
      <h2 class="text-[18px]">Tag, name, owner</h2>
      <ys-text-field label="Tag" [control]="form.controls.tag" [code]="true" [problem]="sending.at('tag')" />
      <ys-text-field label="What it is called" [control]="form.controls.label" />
      <ys-text-field
        label="What tells it from others like it"
        placeholder="red knob, a nick on the rim"
        [control]="form.controls.looks"
      />
      <ys-customer-picker
        [name]="form.controls.customerName"
        [customerId]="form.controls.customerId"
        [contact]="form.controls.contact"
      />
      <p class="text-[13px] text-mute">The tag it has now goes on leading here.</p>
      <ys-form-end action="Save it" [sending]="sending" [missing]="missing()" (left)="left.emit()" />
    </form>
    <form
      class="card mt-3 grid gap-2.5 p-4"
      data-test="merge"
      [formGroup]="other"
      (submit)="$event.preventDefault(); merge()"
    >
      <h2 class="text-[18px]">Merge with another entry</h2>
      <ys-text-field label="The other’s tag" [control]="other.controls.into" [code]="true" />
      <ys-text-field label="Why" placeholder="booked twice" [control]="other.controls.why" />
      <p class="text-[13px] text-mute">
        All fills of {{ reel().tag }} go to the other, and its tag leads there. This is not undone.
      </p>
      <ys-form-end action="Merge" [sending]="merging" [missing]="otherMissing()" (left)="left.emit()" />
    </form>
  `,
  host: { class: 'block' },
})
export class ReelEntryPanel {
  private readonly api = inject(ApiService);

  readonly reel = input.required<Reel>();
  readonly done = output<Reel>();
  readonly left = output();

  protected readonly sending = new Sending();
  protected readonly merging = new Sending();
  protected readonly form = new FormGroup({
    tag: text(),
    label: text(),
    looks: text(),
    contact: text(),
    customerName: text(),
    customerId: text(),
  });
  private readonly typed = typedValue(this.form);
  protected readonly missing = computed(() => {
    const { tag, label, customerId } = this.typed();
    if (tag.trim() === '' || label.trim() === '') return 'A reel has a tag and a name.';
    return customerId === '' ? 'Choose one of the customers there are.' : '';
  });
  protected readonly other = new FormGroup({ into: text(), why: text() });
  private readonly typedOther = typedValue(this.other);
  protected readonly otherMissing = computed(() => {
    const { into, why } = this.typedOther();
    if (into.trim() === '') return 'Type or scan the tag of the reel it is.';
    return why.trim() === '' ? 'Enter a reason.' : '';
  });

  constructor() {
    effect(() => {
      const { tag, label, looks, customer } = this.reel();
      const { contact, name: customerName, id } = customer;
      this.form.setValue({ tag, label, looks, contact, customerName, customerId: String(id) });
    });
  }

  protected save(): void {
    if (this.missing() !== '') return;
    const { tag, label, looks, customerId } = this.form.getRawValue();
    const { version, tag: now } = this.reel();
    const is = { tag: tag.trim().toUpperCase(), label, looks: looks.trim(), customerId: Number(customerId) };
    const body = { version, ...is };
    this.sending.send(this.api.call(api.changeReel, { params: { tag: now }, body }), (reel) =>
      this.done.emit(reel),
    );
  }

  protected merge(): void {
    if (this.otherMissing() !== '') return;
    const { into, why } = this.other.getRawValue();
    const body = { into: into.trim().toUpperCase(), why };
    const ask = this.api.call(api.mergeReels, { params: { tag: this.reel().tag }, body });
    this.merging.send(ask, (reel) => this.done.emit(reel));
  }
}
