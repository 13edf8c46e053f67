import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type BagRow, type DayRow } from '@yard-spool/contract';
import { clockText } from '../words/clock-text';
import { standingOf } from '../words/standing';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { load } from '../data/loaded';
import { pages } from '../data/pages';
import { SmallSection } from '../drawing/small-section';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';

/** Rows of this bench's own that are shown before somebody asks for all. */
const NEXT = 3;

/** The next three of this bench, in the order of the day; and all that waits, where somebody asks. */
@Component({
  selector: 'ys-bench-next',
  imports: [LoadState, RouterLink, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="pb-1.5 pt-5 text-[18px]">What comes next</h2>
    <ys-load-state what="what waits" [of]="bags.now()" (again)="bags.reload()" />
    @if (sending.problem(); as sentence) {
      <p class="look mb-2 px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
    }
    @if (bags.now().state === 'ready' && waiting().length === 0) {
      <p class="card px-5 py-4 text-mute">Nothing waits to be filled.</p>
    }
    <ol class="grid gap-2">
      @for (job of shown(); track job.id) {
        <li
          class="card grid min-h-18 grid-cols-[34px_64px_minmax(0,1fr)_auto] items-center gap-4 px-4 py-2.5 max-md:grid-cols-[64px_minmax(0,1fr)]"
          data-test="next"
        >
          <span class="figure text-[30px] leading-none text-mute max-md:hidden">{{ $index + 1 }}</span>
          <ys-small-section [drawing]="job.drawing" />
          <a class="min-w-0" [routerLink]="['/bags', job.bag]">
            <b class="block truncate text-[17px] max-md:whitespace-normal" [title]="job.label"
              >{{ job.tag }} · {{ job.label }}</b
            >
            <span class="block truncate text-mute max-md:whitespace-normal">
              @if (plannedAt().get(job.id); as at) {
                <b class="text-ink">{{ at }}</b>,
              }
              bag {{ job.bag }} · {{ job.customer }} · promised {{ promised(job.promisedAt) }},
              <b [class.text-ink]="standing(job).urgent">{{ standing(job).words }}</b></span
            >
          </a>
          <button
            type="button"
            class="max-md:col-span-2"
            [class]="$first ? 'go' : 'plain'"
            [disabled]="sending.busy() || !here.bench()"
            (click)="take(job.id)"
          >
            {{ here.bench() ? 'Take it to ' + here.bench()?.name : 'Say which bench this computer is at' }}
          </button>
        </li>
      }
    </ol>
    @if (shown().length < waiting().length) {
      <button type="button" class="plain mt-2" (click)="all.set(true)">Show all that waits</button>
    } @else if (bags.more()) {
      <button type="button" class="plain mt-2" (click)="bags.next()">Show more</button>
    }
  `,
  host: { class: 'block' },
})
export class BenchNext {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly here = inject(BenchHere);

  protected readonly sending = new Sending();
  protected readonly bags = pages<BagRow>((after) =>
    this.api.call(api.listBags, { query: { group: 'waiting', after } }),
  );
  /** The day's order; where it cannot be had, what is promised soonest comes first. */
  private readonly day = load(() => this.api.call(api.readDay));
  protected readonly waiting = computed(() => {
    const place = this.placeInDay();
    return this.bags
      .rows()
      .flatMap(({ number, customer, promisedAt, jobs }) =>
        jobs
          .filter(({ state }) => state === 'booked')
          .map((job) => ({ ...job, bag: number, customer, promisedAt })),
      )
      .sort((a, b) => place(a.id) - place(b.id));
  });
  protected readonly all = signal(false);
  private readonly fills = computed(() =>
    (this.day.value()?.rows ?? []).filter(({ kind, state }) => kind === 'fill' && state === 'next'),
  );
  private readonly isHere = ({ benchId }: DayRow): boolean => benchId === this.here.bench()?.id;
  /** When each is planned to be begun. */
  protected readonly plannedAt = computed(() => {
    const now = this.day.value()?.now ?? '';
    return new Map(
      this.fills().flatMap(({ reels, startAt }) =>
        reels.map(({ jobId }) => [jobId, `at ${clockText(startAt, now)}`] as const),
      ),
    );
  });
  /** This bench's next three; all, where it has none, or somebody asked. */
  protected readonly shown = computed(() => {
    const here = new Set(
      this.fills()
        .filter(this.isHere)
        .flatMap(({ reels }) => reels.map(({ jobId }) => jobId)),
    );
    const own = this.waiting().filter(({ id }) => here.has(id));
    return this.all() || own.length === 0 ? this.waiting() : own.slice(0, NEXT);
  });
  private readonly placeInDay = computed(() => {
    const fills = this.fills();
    const order = [...fills.filter(this.isHere), ...fills.filter((row) => !this.isHere(row))].flatMap(
      ({ reels }) => reels.map(({ jobId }) => jobId),
    );
    const places = new Map(order.map((jobId, i) => [jobId, i]));
    return (jobId: number): number => places.get(jobId) ?? order.length;
  });
  protected readonly promised = promisedText;
  /** How a reel's bag stands: by the day's order, or by its promise where it is not in it. */
  protected readonly standing = ({
    bag,
    promisedAt,
  }: {
    readonly bag: number;
    readonly promisedAt: string;
  }) =>
    standingOf(
      promisedAt,
      this.day.value()?.bags.find(({ number }) => number === bag),
    );

  constructor() {
    this.bags.reload();
  }

  protected take(jobId: number): void {
    const benchId = this.here.bench()?.id;
    if (benchId === undefined) return;
    this.sending.send(
      this.api.call(api.startRun, { body: { jobId, benchId } }),
      ({ id }) => void this.router.navigate(['/bench', id]),
    );
  }
}
