import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type BagGroup } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { LoadState } from '../ui/load-state';
import { isFilled, STATE_WORDS } from './job-state';
import { promisedText } from './promised-text';

/** What is looked for among the bags; empty words and states leave everything in. */
export interface LookedFor {
  readonly find: string;
  readonly state: string;
}

/** Bags of one group, page by page. Those that are over are asked for only when somebody wants them. */
@Component({
  selector: 'ys-bag-group',
  imports: [RouterLink, LoadState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="pb-1.5 pt-3 text-mute">{{ name() }}</h2>
    @if (!open()) {
      <button type="button" class="plain" (click)="open.set(true)">Show the bags that are over</button>
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
                class="grid grid-cols-[90px_150px_minmax(0,1fr)_minmax(0,1.4fr)] items-center gap-4 px-4 py-2.5 hover:bg-paper max-md:grid-cols-2"
                [routerLink]="['/bags', bag.number]"
              >
                <b>Bag {{ bag.number }}</b>
                <span>{{ promised(bag.promisedAt) }}</span>
                <span class="truncate font-semibold" [title]="bag.customer">{{ bag.customer }}</span>
                <span class="grid gap-0.5">
                  @for (job of bag.jobs; track job.id) {
                    <span class="flex justify-between gap-3">
                      <span class="truncate" [title]="job.label">{{ job.tag }} · {{ job.label }}</span>
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

  readonly group = input.required<BagGroup>();
  readonly name = input.required<string>();
  /** What is said where there is none. */
  readonly none = input.required<string>();
  readonly lookedFor = input.required<LookedFor>();

  protected readonly open = signal(true);
  protected readonly bags = pages((after) =>
    this.api.call(api.listBags, { query: { group: this.group(), ...this.lookedFor(), after } }),
  );
  protected readonly words = STATE_WORDS;
  protected readonly isFilled = isFilled;
  protected readonly promised = promisedText;

  constructor() {
    effect(() => {
      const { find, state } = this.lookedFor();
      // Whoever looks for something looks everywhere.
      if (this.group() === 'over' && find === '' && state === '') {
        if (untracked(() => this.bags.now().state) === 'loading') this.open.set(false);
      } else this.open.set(true);
    });
    effect(() => {
      this.lookedFor();
      if (this.open()) untracked(() => this.bags.reload());
    });
  }
}
