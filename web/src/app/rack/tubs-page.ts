import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Soak } from '@yard-spool/contract';
import { HOUSE_QUESTIONS, schoolOf, spanText, type HouseRules } from '@yard-spool/core';
import { map, timer } from 'rxjs';
import { clockText } from '../words/clock-text';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { Undo } from '../ui/undo.service';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { outOfTub } from './out-of-tub';
import { RackTabs } from './rack-tabs';
import { soakState } from './soak-state';

const LOOK_EVERY_MS = 20_000;
const MINUTE = 60_000;

/** The soak tubs: what is in them, what is ready, what has lain too long, and why the house soaks as it does. */
@Component({
  selector: 'ys-tubs-page',
  imports: [LoadState, RackTabs, ReactiveFormsModule, RouterLink, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tubs-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class TubsPage {
  private readonly api = inject(ApiService);
  private readonly undo = inject(Undo);
  private readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);

  protected readonly tubs = load(() => this.api.call(api.listTubs));
  protected readonly moving = new Sending();
  protected readonly adding = new Sending();
  protected readonly ruling = new Sending();
  protected readonly form = new FormGroup({ name: text() });
  protected readonly school = text();
  protected readonly schools = HOUSE_QUESTIONS.soak.schools.map(({ id, name }) => ({
    value: id,
    name: this.units.say(name),
  }));
  private readonly now = toSignal(timer(0, LOOK_EVERY_MS).pipe(map(() => new Date())), {
    initialValue: new Date(),
  });
  protected readonly why = computed(() => {
    const house = this.house.house();
    return house ? schoolOf(house.rules, 'soak').why : '';
  });

  constructor() {
    this.undo.whenUndone(() => this.tubs.reload());
    effect(() => {
      const house = this.house.house();
      if (house) this.school.setValue(house.rules.soak, { emitEvent: false });
    });
    this.school.valueChanges.subscribe((soak) => {
      const house = this.house.house();
      if (!house) return;
      const rules = { ...house.rules, soak: soak as HouseRules['soak'] };
      this.ruling.send(this.house.change({ ...house, rules }), () => undefined);
    });
  }

  protected readonly stateOf = (soak: Soak) => soakState(soak, this.now());
  protected readonly at = (iso: string): string => promisedText(iso);
  /** When each piece is planned to come out, in the day's order. */
  private readonly day = load(() => this.api.call(api.readDay));
  protected readonly planned = computed(() => {
    const { rows = [], now = '' } = this.day.value() ?? {};
    const outs = rows.filter(({ kind, state }) => kind === 'out' && state !== 'done');
    return new Map(
      outs.flatMap(({ lines, startAt }) => lines.map(({ code }) => [code, clockText(startAt, now)] as const)),
    );
  });
  protected uptake({ uptake }: Soak): string {
    const percent = (share: number): string => (100 * share).toFixed(0);
    return `${percent(uptake.share)} % (${percent(uptake.low)} to ${percent(uptake.high)})`;
  }

  protected words(soak: Soak): string {
    const [now, ready, tooLong] = [this.now(), new Date(soak.readyAt), new Date(soak.tooLongAt)].map(
      Number,
    ) as [number, number, number];
    switch (soakState(soak, this.now())) {
      case 'soaking':
        return `Ready in ${spanText((ready - now) / MINUTE)}, ${promisedText(soak.readyAt)}`;
      case 'ready':
        return `Ready. Out within ${spanText((tooLong - now) / MINUTE)}`;
      case 'too-long':
        return `Too long in the water, by ${spanText((now - tooLong) / MINUTE)}`;
    }
  }

  protected put(tub: number, code: string): void {
    if (code.trim() === '') return;
    const ask = this.api.call(api.soakPiece, { params: { id: tub }, body: { code } });
    this.moving.send(ask, () => this.tubs.reload());
  }

  protected out({ id, code }: Soak): void {
    this.moving.send(this.api.call(api.takeOut, { params: { id }, body: {} }), ({ name }) => {
      this.tubs.reload();
      this.undo.tell(outOfTub(this.api, id, code, name));
    });
  }

  protected add(): void {
    const name = this.form.controls.name.value;
    if (name.trim() === '') return;
    this.adding.send(this.api.call(api.addTub, { body: { name } }), () => {
      this.form.reset();
      this.tubs.reload();
    });
  }
}
