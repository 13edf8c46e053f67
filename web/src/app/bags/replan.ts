import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type Bag, type ReelType } from '@yard-spool/contract';
import type { Build } from '@yard-spool/core';
import { switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { typedValue } from '../ui/typed-value';
import { draftFacts } from './draft-facts';
import { cutRows, draftJob, layerLooks, notReady } from './draft-job';
import { planDraft } from './draft-plan';
import { PlanSide } from './plan-side';
import { PlanView } from './plan-view';
import { emptyReel, reelForm, type ReelDraft } from './reel-draft';
import { ReelEntry } from './reel-entry';
import { reelFromPlan } from './reel-from-plan';
import { takeBuild } from './take-build';

/** Planning a booked reel again before it goes to the bench; the line promised before is given back. */
@Component({
  selector: 'ys-replan',
  imports: [LoadState, PlanSide, PlanView, ReactiveFormsModule, ReelEntry, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-load-state what="the reel" [of]="bag.now()" (again)="bag.reload()" />
    @if (job(); as job) {
      <form
        class="grid min-h-full grid-cols-[316px_minmax(0,1fr)_330px] gap-4 p-4 px-5 max-lg:grid-cols-[300px_minmax(0,1fr)] max-md:grid-cols-1 lg:h-full"
        (submit)="$event.preventDefault()"
      >
        <section
          class="relative grid min-h-0 grid-cols-1 content-start gap-[5px] overflow-y-auto pr-1 lg:max-h-full"
          aria-label="The reel"
        >
          <h1>Plan {{ job.tag }} again</h1>
          @if (overtaken()) {
            <div class="look grid gap-2 px-3.5 py-2.5">
              <b>Somebody changed this bag meanwhile.</b>
              <span>What you typed is here. What it says now is one press away.</span>
              <button type="button" class="plain" (click)="takeTheirs()">Take theirs</button>
            </div>
          }
          <ys-reel-entry [form]="form" [pieces]="rack()" [planned]="planned()" [tagged]="true" />
        </section>
        <section class="flex min-h-0 flex-col" aria-label="The plan">
          @if (planned().made; as made) {
            <ys-plan-view
              class="min-h-0 grow"
              [plan]="made.plan"
              [spool]="made.spool.spool"
              [looks]="looks()"
              [swap]="planned().swap"
              [ends]="type() === 'fixed-spool'"
            />
          } @else {
            <h1>{{ planned().problems[0] ?? planned().next }}</h1>
          }
        </section>
        <section class="flex min-h-0 flex-col gap-3 max-lg:col-span-full" aria-label="Cuts and saving">
          <ys-plan-side
            class="min-h-0 grow"
            [planned]="planned()"
            [cuts]="cuts()"
            [type]="type()"
            [ruling]="ruling()"
            [promised]="bag.value()?.promisedAt ?? ''"
            (taken)="take($event)"
          />
          @if (sending.problem(); as sentence) {
            <p class="look px-3.5 py-2.5" role="alert">
              <b>{{ sentence }}</b> Nothing you typed is lost.
            </p>
          }
          @if (why(); as sentence) {
            <p class="px-0.5 text-mute">{{ sentence }}</p>
          }
          <div class="flex gap-2.5">
            <button
              type="button"
              class="go grow"
              [disabled]="why() !== '' || sending.busy()"
              (click)="save()"
            >
              {{ overtaken() ? 'Save mine over it' : 'Save the plan' }}
              <span class="key whitespace-nowrap">Ctrl Enter</span>
            </button>
            <a class="plain whitespace-nowrap" [routerLink]="['/bags', number()]">Leave it</a>
          </div>
        </section>
      </form>
    }
  `,
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class Replan {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly house = inject(HouseService);
  private readonly units = inject(UnitsService);

  /** From the address. */
  readonly number = input.required<string>();
  readonly id = input.required<string>();

  private readonly number$ = toObservable(this.number);
  protected readonly bag = load<Bag>(() =>
    this.number$.pipe(switchMap((number) => this.api.call(api.readBag, { params: { number } }))),
  );
  private readonly pieces = load(() => this.api.call(api.listPieces));
  protected readonly job = computed(() => this.bag.value()?.jobs.find(({ id }) => String(id) === this.id()));
  /** The rack as it would be with this reel's own promise given back. */
  protected readonly rack = computed(() => {
    const mine = this.job()?.cuts ?? [];
    const back = (id: number): number =>
      mine.filter(({ pieceId }) => pieceId === id).reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    return (this.pieces.value() ?? []).map((piece) => ({
      ...piece,
      promisedMm: piece.promisedMm - back(piece.id),
    }));
  });

  protected readonly form = reelForm(emptyReel());
  private readonly typed = typedValue(this.form);
  private readonly draft = computed(() => this.typed() as unknown as ReelDraft);
  private readonly from = signal<number | null>(null);
  protected readonly overtaken = computed(() => {
    const version = this.bag.value()?.version;
    return version !== undefined && this.from() !== null && version !== this.from();
  });
  protected readonly ruling = computed(() =>
    this.house.rulesFor(
      draftFacts(this.draft(), this.rack(), this.bag.value()?.customer.id.toString() ?? ''),
    ),
  );
  protected readonly planned = computed(() =>
    planDraft(this.draft(), this.rack(), this.units.system(), this.ruling().rules, this.house.learning()),
  );
  protected readonly looks = computed(() => layerLooks(this.planned()));
  protected readonly cuts = computed(() => cutRows(this.planned(), new Map(), this.house.tail()));
  protected readonly type = computed((): ReelType => this.draft().type);
  protected readonly why = computed(() => notReady(this.draft(), this.planned(), this.cuts()));
  protected readonly sending = new Sending();

  constructor() {
    this.house.learnMore();
    effect(() => {
      if (this.job() && this.from() === null) this.takeTheirs();
    });
  }

  protected takeTheirs(): void {
    const [job, bag] = [this.job(), this.bag.value()];
    if (!job || !bag) return;
    this.form.setValue({ ...reelFromPlan(job, job, this.units.system()) });
    this.from.set(bag.version);
  }

  protected take(build: Build): void {
    this.form.patchValue(takeBuild(build, this.units.system()));
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    this.save();
  }

  protected save(): void {
    const [job, bag] = [draftJob(this.draft(), this.planned(), this.units.system()), this.bag.value()];
    if (!job || !bag || this.why() !== '') return;
    const { label, type, planInput, cuts, wants } = job;
    const version = this.overtaken() ? bag.version : (this.from() ?? bag.version);
    const body = { version, label, type, planInput, cuts, wants };
    this.sending.send(
      this.api.call(api.changeJob, { params: { id: this.id() }, body }),
      () => void this.router.navigate(['/bags', this.number()]),
      ({ code }) => {
        if (code === 'stale-version') this.bag.reload();
        this.pieces.reload();
      },
    );
  }
}
