import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type BagGroup, type BagInHand, type BagRow } from '@yard-spool/contract';
import { catchError, EMPTY } from 'rxjs';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { goesOnText } from './goes-on-text';
import { isFilled, STATE_WORDS } from './job-state';
import { SmallSection } from '../drawing/small-section';
import { promisedText } from '../words/promised-text';
import { standingOf } from '../words/standing';

/** What is looked for among the bags; empty words and states leave everything in. */
export interface LookedFor {
  readonly find: string;
  readonly state: string;
}

/** Bags of one group, page by page. Those that are over are asked for only when somebody wants them. */
@Component({
  selector: 'ys-bag-group',
  imports: [RouterLink, LoadState, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="pb-1.5 pt-3 text-mute">{{ name() }}</h2>
    @if (!open()) {
      <button type="button" class="plain" (click)="open.set(true)">Show finished bags</button>
    } @else {
      <ys-load-state what="the bags" [of]="bags.now()" (again)="bags.reload()" />
      @if (bags.now().state === 'ready' && bags.rows().length === 0) {
        <p class="card px-4 py-3 text-mute">
          {{ lookedFor().find || lookedFor().state ? 'None is like that.' : none() }}
        </p>
      }
      @if (bags.rows().length > 0) {
        <ul class="card">
          @for (bag of bags.rows(); track bag.number) {
            <li class="border-b border-line last:border-0">
              <a
                class="grid grid-cols-[minmax(0,1fr)_minmax(0,2.2fr)] items-center gap-4 px-4 py-2.5 hover:bg-paper max-md:grid-cols-1"
                [routerLink]="['/bags', bag.number]"
              >
                <span class="min-w-0">
                  <b class="block truncate text-[17px]" [title]="bag.customer">{{ bag.customer }}</b>
                  <span>Bag {{ bag.number }}, {{ promised(bag.promisedAt) }}</span>
                  @if (group() !== 'over') {
                    @let stands = standing(bag);
                    @let urgent = stands.urgency;
                    <span
                      class="ml-2 inline-block rounded-plate px-2 font-bold"
                      [class.bg-look]="urgent === 'today' || urgent === 'late'"
                      [class.border]="urgent === 'late'"
                      [class.border-ink]="urgent === 'late'"
                      [class.text-mute]="urgent === 'soon' || urgent === 'later'"
                      [attr.data-test]="'urgent-' + urgent"
                      >{{ stands.words }}</span
                    >
                  }
                </span>
                <span class="grid gap-1.5">
                  @for (job of bag.jobs; track job.id) {
                    <span class="grid grid-cols-[64px_minmax(0,1fr)_auto] items-center gap-3">
                      <ys-small-section [drawing]="job.drawing" />
                      <span class="min-w-0">
                        <span class="block truncate" [title]="job.label"
                          >{{ job.tag }} · {{ job.label }}</span
                        >
                        <span class="block truncate text-[13px] text-mute" [title]="goesOn(job)">{{
                          goesOn(job)
                        }}</span>
                      </span>
                      <span
                        class="shrink-0 font-bold"
                        [class.text-pass]="isFilled(job.state)"
                        [class.text-mute]="job.state === 'booked'"
                        >{{ words[job.state] }}</span
                      >
                    </span>
                  }
                </span>
              </a>
            </li>
          }
        </ul>
      }
      @if (bags.more()) {
        <button type="button" class="plain mt-2" (click)="bags.next()">Show more</button>
      }
    }
  `,
  host: { class: 'block' },
})
export class BagGroupList {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);

  readonly group = input.required<BagGroup>();
  readonly name = input.required<string>();
  /** What is said where there is none. */
  readonly none = input.required<string>();
  readonly lookedFor = input.required<LookedFor>();

  /** How many bags are on the first page, once it is here. */
  readonly counted = output<number>();

  protected readonly open = signal(true);
  protected readonly bags = pages((after) =>
    this.api.call(api.listBags, { query: { group: this.group(), ...this.lookedFor(), after } }),
  );
  protected readonly goesOn = (job: BagRow['jobs'][number]): string =>
    goesOnText(job, (metres) => this.units.length(metres));
  protected readonly words = STATE_WORDS;
  protected readonly isFilled = isFilled;
  protected readonly promised = promisedText;
  /** What is in hand by the day's order, of the bags that are in it. */
  private readonly inHand = signal<ReadonlyMap<number, BagInHand>>(new Map());
  protected readonly standing = ({ number, promisedAt }: BagRow) =>
    standingOf(promisedAt, this.inHand().get(number));

  constructor() {
    effect(() => {
      const { find, state } = this.lookedFor();
      // Whoever looks for something looks everywhere.
      if (this.group() === 'over' && find === '' && state === '') {
        if (untracked(() => this.bags.now().state) === 'loading') this.open.set(false);
      } else this.open.set(true);
    });
    effect(() => {
      if (this.bags.now().state === 'ready') this.counted.emit(this.bags.rows().length);
    });
    effect((onCleanup) => {
      if (this.group() !== 'waiting') return;
      const asked = this.api
        .call(api.readDay)
        .pipe(catchError(() => EMPTY))
        .subscribe(({ bags }) => this.inHand.set(new Map(bags.map((bag) => [bag.number, bag]))));
      onCleanup(() => asked.unsubscribe());
    });
    effect(() => {
      this.lookedFor();
      if (this.open()) untracked(() => this.bags.reload());
    });
  }
}
