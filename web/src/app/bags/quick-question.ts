import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type Piece, type Product } from '@yard-spool/contract';
import { USUAL_PLAN_RULES } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { NextAsked } from '../ui/next-asked';
import { addToDraft } from './booking-draft';
import { DeskView } from '../planning/desk-view';
import { byLine } from '../planning/draft-sources';
import { PlanningDesk } from '../planning/planning-desk';
import { emptyReel } from '../planning/reel-draft';

/** Limp backing, 8 to 10 lb nylon, is about this thick, mm. Common practice, no source. */
const LIMP = 0.26;

/** Nylon from this thickness on is springy under braid, mm. */
const SPRINGY = USUAL_PLAN_RULES.springyFrom;

/** The nylon a technician would put under: stripped line first, else what is nearest to limp backing. */
function usualBacking(lines: readonly Product[], pieces: readonly Piece[]): Product | undefined {
  const stripped = new Set(pieces.flatMap(({ kind, product }) => (kind === 'salvage' ? [product.code] : [])));
  const rank = ({ code, diameter }: Product): number =>
    (stripped.has(code) ? 0 : 1) + Math.abs(diameter - LIMP);
  return lines
    .filter(({ material, diameter }) => material === 'nylon' && diameter < SPRINGY)
    .sort((a, b) => rank(a) - rank(b))[0];
}

/** A question at the counter: how much goes on, with no customer, no tag and no piece. It can become a booking. */
@Component({
  selector: 'ys-quick-question',
  imports: [DeskView, LoadState, NextAsked, RouterLink],
  providers: [PlanningDesk],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="lg:h-full" ysNextAsked (submit)="$event.preventDefault()">
      <ys-desk-view [rackKnown]="pieces.value() !== undefined" [kinds]="kinds()" [asking]="true">
        <ng-container deskHead>
          <h1>Quick question</h1>
          <p class="flex flex-wrap gap-x-3 pb-1 text-mute">
            <span>Nothing is saved or reserved.</span>
            <a class="underline" routerLink="/bags/counter">A counter that is off?</a>
            <a class="underline" routerLink="/reels/fault">Something wrong?</a>
          </p>
        </ng-container>
        <ys-load-state deskPlan what="the rack" [of]="pieces.now()" (again)="pieces.reload()" />
        <ng-container deskFoot>
          <div class="flex gap-2.5">
            <button type="button" class="go grow" (click)="book()">
              Book it in <span class="key whitespace-nowrap">Ctrl Enter</span>
            </button>
            <a class="plain whitespace-nowrap" routerLink="/bags">Cancel</a>
          </div>
        </ng-container>
      </ys-desk-view>
    </form>
  `,
  host: { class: 'block min-h-0 grow' },
})
export class QuickQuestion {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly desk = inject(PlanningDesk);
  private readonly view = viewChild.required(DeskView);

  protected readonly pieces = load(() => this.api.call(api.listPieces));
  private readonly lines = load(() => this.api.call(api.listProducts));
  private readonly book$ = load(() => this.api.call(api.listReelKinds));
  protected readonly kinds = computed(() => this.book$.value() ?? []);

  constructor() {
    this.desk.planFrom({
      rack: computed(() => (this.pieces.value() ?? []).filter(({ broughtWith }) => broughtWith === null)),
      lines: computed(() => this.lines.value() ?? []),
      customerId: signal(''),
    });
    this.desk.lay([emptyReel()]);
    useKeys({ 'Ctrl Enter': () => this.book() }, { 'Ctrl Enter': 'Book it in' });
    // The usual backing stands there, so that a reel and its main line are enough to ask with.
    const begin = effect(() => {
      const lines = this.lines.value();
      const pieces = this.pieces.value();
      if (!lines || !pieces) return;
      begin.destroy();
      const backing = usualBacking(lines, pieces);
      if (backing && untracked(this.desk.draft).backingPiece === '')
        this.desk.change({ backingPiece: byLine(backing.code) });
    });
    afterNextRender(() => this.view().begin());
  }

  protected book(): void {
    addToDraft(this.desk.draft());
    void this.router.navigate(['/bags/new']);
  }
}
