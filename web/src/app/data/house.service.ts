import { computed, inject, Injectable } from '@angular/core';
import { api, type KeptHouseRules } from '@yard-spool/contract';
import { tap, type Observable } from 'rxjs';
import { ApiService } from './api.service';
import { load } from './loaded';

/** The shop's schools and what it reckons its money in. */
@Injectable({ providedIn: 'root' })
export class HouseService {
  private readonly api = inject(ApiService);
  private readonly kept = load(() => this.api.call(api.readHouseRules));

  readonly now = this.kept.now;
  readonly house = computed(() => this.kept.value());

  /** Hundredths of the shop's money, as people write them. */
  readonly money = (minor: number, decimals = 2): string =>
    `${this.house()?.money ?? ''}\u00a0${(minor / 100).toFixed(decimals)}`.trim();

  change(house: KeptHouseRules): Observable<KeptHouseRules> {
    return this.api
      .call(api.changeHouseRules, { body: house })
      .pipe(tap({ next: this.kept.reload, error: this.kept.reload }));
  }
}
