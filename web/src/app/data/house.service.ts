import { computed, effect, inject, Injectable } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { api, type SavedHouseRules } from '@yard-spool/contract';
import {
  cautionsOf,
  type Caution,
  type CautionPlace,
  effectiveRules,
  type EffectiveRules,
  type ExceptionFacts,
  exceptionsFor,
  USUAL_HOUSE_RULES,
} from '@yard-spool/core';
import { Settings } from 'luxon';
import { filter, take, tap, type Observable } from 'rxjs';
import { ApiService } from './api.service';
import { load } from './loaded';
import { ShopDays } from './shop-days';
import { UnitsService } from './units.service';

/** What the shop has settled, and for whom there are exceptions. */
@Injectable({ providedIn: 'root' })
export class HouseService {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);
  private readonly days = inject(ShopDays);
  private readonly kept = load(() => this.api.callSaved(api.readHouseRules));

  private readonly taught = load(() => this.api.callSaved(api.readLearning));
  private readonly set = load(() => this.api.callSaved(api.listExceptions));

  readonly now = this.kept.now;
  readonly house = computed(() => this.kept.value());
  /** Exceptions for a line, a customer or a reel. */
  readonly exceptions = computed(() => this.set.value() ?? []);
  /** What closed fills have taught. */
  readonly learning = computed(() => this.taught.value());
  /** Metres lost with each cut. */
  readonly tailMm = computed(() => this.house()?.tailMm ?? 2000);

  constructor() {
    effect(() => this.goByZone());
    effect(() => {
      const house = this.house();
      if (!house) return;
      this.days.order.set(house.dayOrder);
      this.days.weekBegins.set(house.weekBegins);
    });
    effect(() => {
      const units = this.house()?.units;
      if (units !== undefined) this.units.beginWith(units);
    });
  }

  /** Once it is known what the shop has settled, or that it cannot be had: times are the shop's from then on. */
  readonly settled$ = toObservable(this.kept.now).pipe(
    filter(({ state }) => state !== 'loading'),
    take(1),
    tap(() => this.goByZone()),
  );

  private goByZone(): void {
    const zone = this.house()?.zone;
    if (zone !== undefined) Settings.defaultZone = zone === '' ? 'system' : zone;
  }

  /** The rules that hold for a line, a customer and a reel, and where those come from that are not the house's. */
  rulesFor(facts: ExceptionFacts): EffectiveRules {
    return effectiveRules(this.house()?.rules ?? USUAL_HOUSE_RULES, exceptionsFor(this.exceptions(), facts));
  }

  /** Asks for everything again. */
  readonly reload = (): void => {
    this.kept.reload();
    this.set.reload();
    this.taught.reload();
  };

  /** Asks for what fills have taught since: each fill that closes, at any bench, teaches more. */
  readonly learnMore = (): void => {
    // Still on its way, it is as new as can be.
    if (this.taught.now().state !== 'loading') this.taught.reload();
  };

  /** What can hurt somebody at some places of the work, in the shop's own words. */
  readonly cautionsAt = (places: readonly CautionPlace[]): Caution[] =>
    cautionsOf(this.house()?.cautions ?? { words: {}, more: [] }).filter(({ at }) => places.includes(at));

  /** Hundredths of the shop's money, as people write them. */
  readonly money = (minor: number, decimals = 2): string =>
    `${this.house()?.money ?? ''}\u00a0${(minor / 100).toFixed(decimals)}`.trim();

  change(house: SavedHouseRules): Observable<SavedHouseRules> {
    return this.api
      .call(api.changeHouseRules, { body: house })
      .pipe(tap({ next: this.kept.reload, error: this.kept.reload }));
  }
}
