import { Injectable, signal } from '@angular/core';

const KEPT_AT = 'yard-spool.bench';

/** Which bench this machine stands at. Kept on the machine. */
@Injectable({ providedIn: 'root' })
export class BenchName {
  private readonly kept = signal(localStorage.getItem(KEPT_AT) ?? 'Bench 1');
  readonly name = this.kept.asReadonly();

  choose(name: string): void {
    this.kept.set(name);
    localStorage.setItem(KEPT_AT, name);
  }
}
