import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { EMPTY } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load, loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { NextAsked } from '../ui/next-asked';
import { DeskView } from '../planning/desk-view';
import { PlanningDesk } from '../planning/planning-desk';
import { reelFromPlan } from '../planning/reel-from-plan';

/** Planning a booked reel again before it goes to the bench; the line promised before is given back. */
@Component({
  selector: 'ys-replan',
  imports: [DeskView, LoadState, NextAsked, RouterLink],
  providers: [PlanningDesk],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-load-state [page]="true" what="the reel" [of]="bag.now()" (again)="bag.reload()" />
    @if (job(); as job) {
      <form class="lg:h-full" ysNextAsked (submit)="$event.preventDefault()">
        <ys-desk-view
          [rackKnown]="pieces.value() !== undefined"
          [tagged]="true"
          [promised]="bag.value()?.promisedAt ?? ''"
        >
          <ng-container deskHead>
            <h1>Plan {{ job.tag }} again</h1>
            @if (overtaken()) {
              <div class="look grid gap-2 px-3.5 py-2.5">
                <b>Somebody changed this bag meanwhile.</b>
                <span>What you typed is here. Choose which version to keep.</span>
                <button type="button" class="plain" (click)="takeTheirs()">Use the saved version</button>
              </div>
            }
          </ng-container>
          <ng-container deskFoot>
            @if (sending.problem(); as sentence) {
              <p class="look px-3.5 py-2.5" role="alert">
                <b>{{ sentence }}</b> Nothing you typed is lost.
              </p>
            }
            @if (desk.notReady(); as sentence) {
              <p class="px-0.5 text-mute">{{ sentence }}</p>
            }
            <div class="flex gap-2.5">
              <button
                type="button"
                class="go grow"
                [disabled]="desk.notReady() !== '' || sending.busy()"
                (click)="save()"
              >
                {{ overtaken() ? 'Save mine over it' : 'Save the plan' }}
                <span class="key whitespace-nowrap">Ctrl Enter</span>
              </button>
              <a class="plain whitespace-nowrap" [routerLink]="['/bags', number()]">Cancel</a>
            </div>
          </ng-container>
        </ys-desk-view>
      </form>
    }
  `,
  host: { class: 'block min-h-0 grow' },
})
export class Replan {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly units = inject(UnitsService);
  protected readonly desk = inject(PlanningDesk);

  /** From the address. */
  readonly number = input.required<string>();
  readonly id = input.required<string>();

  protected readonly bag = loadFor(this.number, (number) =>
    this.api.call(api.readBag, { params: { number } }),
  );
  protected readonly pieces = load(() => this.api.call(api.listPieces));
  private readonly lines = load(() => this.api.call(api.listProducts));
  /** What is on record of its reel; asked for once its tag is known. */
  private readonly known = loadFor(
    computed(() => this.job()?.tag),
    (tag) => (tag === undefined ? EMPTY : this.api.call(api.readLastPlan, { params: { tag } })),
  );
  protected readonly job = computed(() => this.bag.value()?.jobs.find(({ id }) => String(id) === this.id()));
  /** The rack as it would be with this reel's own promise given back. */
  private readonly rack = computed(() => {
    const mine = this.job()?.cuts ?? [];
    const back = (id: number): number =>
      mine
        .filter(({ pieceId }) => pieceId === id)
        .reduce((sum, { lengthMm, tailMm }) => sum + lengthMm + tailMm, 0);
    const here = (this.pieces.value() ?? []).filter(
      ({ broughtWith }) => broughtWith === null || String(broughtWith) === this.number(),
    );
    return here.map((piece) => ({
      ...piece,
      promisedMm: piece.promisedMm - back(piece.id),
    }));
  });
  private readonly customerId = computed(() => this.bag.value()?.customer.id.toString() ?? '');

  /** Version of the bag that was begun from. */
  private readonly from = signal<number | null>(null);
  protected readonly overtaken = computed(() => {
    const version = this.bag.value()?.version;
    return version !== undefined && this.from() !== null && version !== this.from();
  });
  protected readonly sending = new Sending();

  constructor() {
    this.desk.planFrom({
      rack: this.rack,
      lines: computed(() => this.lines.value() ?? []),
      customerId: this.customerId,
    });
    useKeys({ 'Ctrl Enter': () => this.save() }, { 'Ctrl Enter': 'Save the new plan' });
    effect(() => {
      const known = this.known.now().state !== 'loading';
      if (this.job() && known && this.from() === null) this.takeTheirs();
    });
  }

  protected takeTheirs(): void {
    const job = this.job();
    const bag = this.bag.value();
    if (!job || !bag) return;
    const on = this.known.value()?.reel.on ?? [];
    this.desk.say(reelFromPlan({ ...job, on }, job, this.units.system()));
    this.from.set(bag.version);
  }

  protected save(): void {
    const { jobs, brought } = this.desk.jobs();
    const bag = this.bag.value();
    const [job] = jobs;
    if (!job || !bag || this.desk.notReady() !== '' || this.sending.busy()) return;
    const { label, type, planInput, cuts, wants } = job;
    const version = this.overtaken() ? bag.version : (this.from() ?? bag.version);
    const body = { version, label, type, planInput, cuts, brought, wants };
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
