import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormArray, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Bench, type Device, type NewBench } from '@yard-spool/contract';
import { COUNTED } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { keyName } from '../keyboard/key-name';
import { Choice } from '../ui/choice';
import { FormEnd } from '../ui/form-end';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { COUNTED_WORDS } from './counted-words';

const SPAN = { min: 0.2, max: 20 };

const deviceForm = (device?: Device) =>
  new FormGroup({
    name: text(device?.name ?? ''),
    address: text(device?.address ?? '127.0.0.1:'),
    counts: text(device?.counts ?? 'handle-turns'),
    per: text(String(device?.per ?? 1)),
  });

/** One bench: its name, the free line between supply and reel, the hand that winds, and the devices that count. */
@Component({
  selector: 'ys-bench-form',
  imports: [Choice, FormEnd, QuantityField, ReactiveFormsModule, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2.5" (submit)="$event.preventDefault(); save()">
      <div class="grid grid-cols-[1fr_120px_1fr] gap-2.5 max-md:grid-cols-1">
        <ys-text-field label="Bench" [control]="form.controls.name" [problem]="sending.at('name')" />
        <ys-quantity-field
          label="Clear length"
          dimension="line-length"
          [control]="form.controls.span"
          [allowed]="allowed"
        />
        <ys-choice label="Winding hand" [control]="form.controls.hand" [options]="hands" />
      </div>
      <label class="block max-w-60">
        <span class="caption block pb-0.5">Foot switch: press it here</span>
        <input
          class="entry"
          placeholder="none"
          autocomplete="off"
          [formControl]="form.controls.pedal"
          (keydown)="footSwitch($event)"
        />
      </label>
      @for (device of form.controls.devices.controls; track device; let i = $index) {
        <fieldset class="grid grid-cols-2 gap-2.5 border-t border-line pt-2.5">
          <legend class="sr-only">Device {{ i + 1 }}</legend>
          <ys-text-field
            label="Device, as it names itself"
            [control]="device.controls.name"
            [problem]="sending.at('devices.' + i + '.name')"
          />
          <ys-text-field
            label="Host and port"
            [control]="device.controls.address"
            [problem]="sending.at('devices.' + i + '.address')"
          />
          <ys-select-field label="It counts" [control]="device.controls.counts" [options]="counted" />
          <ys-text-field
            label="Counts to one of them"
            [control]="device.controls.per"
            [problem]="sending.at('devices.' + i + '.per')"
          />
          <button type="button" class="plain col-span-2" (click)="form.controls.devices.removeAt(i)">
            Take this device off
          </button>
        </fieldset>
      }
      @if (form.controls.devices.length < 4) {
        <button type="button" class="plain" (click)="addDevice()">Add a counter or line meter</button>
      }
      <ys-form-end [sending]="sending" action="Save the bench" [missing]="missing()" (left)="left.emit()" />
    </form>
  `,
  host: { class: 'block' },
})
export class BenchForm {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  readonly bench = input<Bench>();
  readonly saved = output();
  readonly left = output();

  protected readonly allowed = SPAN;
  protected readonly hands = [
    { value: 'right', name: 'Right' },
    { value: 'left', name: 'Left' },
  ];
  protected readonly counted = COUNTED.map((value) => ({ value, name: COUNTED_WORDS[value] }));
  protected readonly form = new FormGroup({
    name: text(),
    span: text(this.units.like('1.5 m', '5 ft')),
    hand: text('right'),
    pedal: text(),
    devices: new FormArray<ReturnType<typeof deviceForm>>([]),
  });
  private readonly typed = typedValue(this.form);
  protected readonly sending = new Sending();
  protected readonly missing = computed(() => {
    if (this.typed().name.trim() === '') return 'Type what the bench is called.';
    return this.quantity(this.form.controls.span, 'line-length', SPAN) === null
      ? this.units.like(
          'Type the free line between supply and reel, from 0.2 to 20 m.',
          'Type the free line between supply and reel, from 1 to 65 ft.',
        )
      : '';
  });

  constructor() {
    effect(() => {
      const bench = this.bench();
      if (!bench) return;
      const { name, spanMm, hand, pedal, devices } = bench;
      this.form.patchValue({ name, span: `${String(spanMm / 1000)} m`, hand, pedal });
      this.form.controls.devices.clear();
      for (const device of devices) this.form.controls.devices.push(deviceForm(device));
    });
  }

  /** Whatever key the switch types is taken as it is; Tab leaves the field and Backspace empties it. */
  protected footSwitch(event: KeyboardEvent): void {
    if (event.key === 'Tab') return;
    event.preventDefault();
    event.stopPropagation();
    this.form.controls.pedal.setValue(event.key === 'Backspace' ? '' : keyName(event));
  }

  protected addDevice(): void {
    this.form.controls.devices.push(deviceForm());
  }

  protected save(): void {
    const span = this.quantity(this.form.controls.span, 'line-length', SPAN);
    if (this.missing() !== '' || span === null) return;
    const { name, hand, pedal, devices } = this.form.getRawValue();
    const body: NewBench = {
      name,
      spanMm: Math.round(span * 1000),
      hand: hand as Bench['hand'],
      pedal,
      devices: devices.map((one) => ({
        ...one,
        counts: one.counts as Device['counts'],
        per: Number(one.per.replace(',', '.')) || 0,
      })),
    };
    const bench = this.bench();
    const ask = bench
      ? this.api.call(api.changeBench, {
          params: { id: bench.id },
          body: { ...body, version: bench.version },
        })
      : this.api.call(api.addBench, { body });
    this.sending.send(ask, () => {
      this.saved.emit();
    });
  }
}
