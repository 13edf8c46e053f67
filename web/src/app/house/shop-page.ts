import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, PAPER_SIZES, type SavedHouseRules } from '@yard-spool/contract';
import { STREAMS, UNIT_SYSTEMS } from '@yard-spool/core';
import { Info } from 'luxon';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { HouseService } from '../data/house.service';
import { SessionService } from '../data/session.service';
import { UNIT_NAMES, UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { LoadState } from '../ui/load-state';
import { PickField } from '../ui/pick-field';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { Sending } from '../ui/sending';
import { OpenHoursField } from './open-hours';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { HouseTabs } from './house-tabs';
import { WordingsFields } from './wordings-fields';

const TAIL = { min: 0, max: 20 };

/** What the shop settles beside its schools: units, money, time, the tail of a cut, and where old line goes. */
@Component({
  selector: 'ys-shop-page',
  imports: [
    Choice,
    LoadState,
    OpenHoursField,
    PickField,
    QuantityField,
    ReactiveFormsModule,
    HouseTabs,
    TextField,
    WordingsFields,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shop-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class ShopPage {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly quantity = quantityReader();
  private readonly units = inject(UnitsService);
  protected readonly house = inject(HouseService);

  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  protected readonly allowed = TAIL;
  protected readonly streams = STREAMS;
  protected readonly unitOptions = UNIT_SYSTEMS.map((value) => ({ value, name: UNIT_NAMES[value] }));
  protected readonly orders = [
    { value: 'day-first', name: 'day / month' },
    { value: 'month-first', name: 'month / day' },
  ];
  protected readonly weeks = [1, 6, 7].map((day) => ({
    value: String(day),
    name: Info.weekdays('long', { locale: 'en' })[day - 1] ?? '',
  }));
  protected readonly papers = PAPER_SIZES.map((value) => ({ value, name: value }));
  private readonly countries = load(() => this.api.call(api.listCountries));
  protected readonly countryOptions = computed(() =>
    (this.countries.value() ?? []).map(({ code, name }) => ({ value: code, name })),
  );
  protected readonly form = new FormGroup({
    country: text(),
    units: text('metric'),
    dayOrder: text('day-first'),
    weekBegins: text('1'),
    paper: text('A4'),
    money: text(),
    zone: text(),
    tail: text(),
    idle: text(),
    opens: text(),
    closes: text(),
    shopName: text(),
    printer: text(),
    ready: text(),
    due: text(),
    waits: text(),
    nylon: text(),
    fluorocarbon: text(),
    braid: text(),
  });
  protected readonly closedOn = signal<readonly number[]>([]);
  protected readonly atHours = (field: string): string => this.sending.at(`hours.${field}`);
  private readonly typed = typedValue(this.form);
  protected readonly sending = new Sending();
  protected readonly atWording = (kind: string): string => this.sending.at(`wordings.${kind}`);
  protected readonly missing = computed(() => {
    if (this.typed().money.trim() === '') return 'Say what the shop reckons its money in.';
    if (!/^(0|[5-9]|\d{2,3})$/.test(this.typed().idle.trim()))
      return 'Type after how many minutes without use people are signed out: 5 or more, or 0 for never.';
    return this.quantity(this.form.controls.tail, 'line-length', TAIL) === null
      ? this.units.like(
          'Type the tail lost with each cut, from 0 to 20 m.',
          'Type the tail lost with each cut, from 0 to 21 yd.',
        )
      : '';
  });
  protected readonly machineZone = Intl.DateTimeFormat().resolvedOptions().timeZone;

  constructor() {
    this.form.controls.country.valueChanges.pipe(takeUntilDestroyed()).subscribe((code) => this.asIn(code));
    effect(() => {
      const house = this.house.house();
      if (house && this.form.pristine) this.show(house);
    });
  }

  /** What is usual in a country, to be looked at and saved. */
  private asIn(code: string): void {
    const country = this.countries.value()?.find((one) => one.code === code);
    if (!country) return;
    const { units, dayOrder, weekBegins, paper, money } = country;
    this.form.patchValue({ units, dayOrder, weekBegins: String(weekBegins), paper, money });
  }

  private show(house: SavedHouseRules): void {
    const {
      units,
      dayOrder,
      weekBegins,
      paper,
      money,
      zone,
      tailMm,
      idleMinutes,
      hours,
      bins,
      shopName,
      printer,
      wordings,
    } = house;
    this.closedOn.set(hours.closedOn);
    this.form.reset({
      units,
      dayOrder,
      weekBegins: String(weekBegins),
      paper,
      money,
      zone,
      shopName,
      printer,
      ...wordings,
      ...bins,
      idle: String(idleMinutes),
      opens: hours.opens,
      closes: hours.closes,
      tail: this.units.show(tailMm / 1000, 'line-length', 2).text,
    });
  }

  protected takeBack(): void {
    const house = this.house.house();
    if (house) this.show(house);
  }

  protected save(): void {
    const house = this.house.house();
    const tail = this.quantity(this.form.controls.tail, 'line-length', TAIL);
    if (!house || tail === null || this.missing() !== '') return;
    const {
      units,
      dayOrder,
      weekBegins,
      paper,
      money,
      zone,
      idle,
      opens,
      closes,
      nylon,
      fluorocarbon,
      braid,
      ...rest
    } = this.form.getRawValue();
    const { shopName, printer, ready, due, waits } = rest;
    const chosen = {
      money,
      zone: zone.trim(),
      units: units as SavedHouseRules['units'],
      dayOrder: dayOrder as SavedHouseRules['dayOrder'],
      weekBegins: Number(weekBegins),
      paper: paper as SavedHouseRules['paper'],
      tailMm: Math.round(tail * 1000),
      idleMinutes: Number(idle),
      hours: { opens: opens.trim(), closes: closes.trim(), closedOn: [...this.closedOn()] },
      bins: { nylon, fluorocarbon, braid },
      shopName,
      printer,
      wordings: { ready, due, waits },
    };
    this.sending.save([this.form], this.house.change({ ...house, ...chosen }), (kept) => {
      this.show(kept);
    });
  }
}
