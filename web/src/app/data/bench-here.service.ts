import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { filter, map, take } from 'rxjs';
import { api, type Bench } from '@yard-spool/contract';
import { ApiService } from './api.service';
import { load } from './loaded';

const KEPT_AT = 'yard-spool.bench-id';
/** Where the bench's name was kept before benches could be renamed. */
const NAME_KEPT_AT = 'yard-spool.bench';

const keptId = (): number | null => {
  const kept = Number(localStorage.getItem(KEPT_AT));
  return Number.isInteger(kept) && kept > 0 ? kept : null;
};

/** Which bench this machine stands at. Kept on the machine, by the bench's number: a bench may be renamed. */
@Injectable({ providedIn: 'root' })
export class BenchHere {
  private readonly api = inject(ApiService);
  private readonly chosen = signal(keptId());
  private readonly all = load(() => this.api.callSaved(api.listBenches));

  readonly benches = computed((): readonly Bench[] => this.all.value() ?? []);
  readonly now = this.all.now;
  readonly reload = this.all.reload;

  /** The bench; the first one where none was chosen. Null while the benches are not known, or where it was taken away. */
  readonly bench = computed((): Bench | null => {
    const benches = this.benches();
    const id = this.chosen();
    if (id !== null) return benches.find((bench) => bench.id === id) ?? null;
    const name = localStorage.getItem(NAME_KEPT_AT);
    return benches.find((bench) => bench.name === name) ?? benches[0] ?? null;
  });

  /** The bench once the benches are known: who is quicker than that waits for it. */
  readonly known$ = toObservable(this.all.now).pipe(
    filter(({ state }) => state !== 'loading'),
    map(() => this.bench()),
    take(1),
  );

  choose(id: number): void {
    this.chosen.set(id);
    localStorage.setItem(KEPT_AT, String(id));
  }
}
