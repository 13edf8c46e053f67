import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { api, type Bench, type Tub } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { load } from '../data/loaded';
import { SessionService } from '../data/session.service';
import { Undo } from '../ui/undo.service';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { BenchForm } from './bench-form';
import { COUNTED_WORDS } from './counted-words';
import { HouseTabs } from './house-tabs';

/** The benches, which of them this machine stands at, and the soak tubs. */
@Component({
  selector: 'ys-benches-page',
  imports: [BenchForm, LoadState, HouseTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './benches-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class BenchesPage {
  private readonly api = inject(ApiService);
  private readonly session = inject(SessionService);
  private readonly undo = inject(Undo);
  protected readonly here = inject(BenchHere);
  protected readonly units = inject(UnitsService);

  protected readonly tubs = load(() => this.api.call(api.listTubs));
  protected readonly mayChange = computed(() => this.session.person()?.role === 'manager');
  /** The bench being changed; 'new' for another one. */
  protected readonly open = signal<number | 'new' | null>(null);
  protected readonly sending = new Sending();
  protected readonly counted = COUNTED_WORDS;

  constructor() {
    this.undo.whenUndone(() => {
      this.here.reload();
      this.tubs.reload();
    });
  }

  protected saved(): void {
    this.open.set(null);
    this.here.reload();
  }

  protected remove({ id, name, spanMm, hand, pedal, devices }: Bench): void {
    this.sending.send(this.api.call(api.removeBench, { params: { id } }), () => {
      this.here.reload();
      this.undo.tell({
        words: `${name} is deleted.`,
        back: () => this.api.call(api.addBench, { body: { name, spanMm, hand, pedal, devices } }),
      });
    });
  }

  protected rename({ id, name }: Tub, typed: string): void {
    if (typed.trim() === '' || typed.trim() === name) return;
    const ask = this.api.call(api.changeTub, { params: { id }, body: { name: typed } });
    this.sending.send(ask, this.tubs.reload, this.tubs.reload);
  }

  protected removeTub({ id, name }: Tub): void {
    this.sending.send(this.api.call(api.removeTub, { params: { id } }), () => {
      this.tubs.reload();
      this.undo.tell({
        words: `${name} is deleted.`,
        back: () => this.api.call(api.addTub, { body: { name } }),
      });
    });
  }
}
