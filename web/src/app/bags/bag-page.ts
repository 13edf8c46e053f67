import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { api, type Bag, type Job } from '@yard-spool/contract';
import { inferSpool } from '@yard-spool/core';
import { finalize, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { BenchName } from '../data/bench-name.service';
import { load } from '../data/loaded';
import { sentenceOf } from '../data/request-problem';
import type { LineLook } from '../drawing/line-look';
import { LoadState } from '../ui/load-state';
import { CutList, type CutRow } from './cut-list';
import { PlanView } from './plan-view';
import { promisedText } from './promised-text';
import { REEL_TYPE_NAMES } from './reel-type-names';

/** One bag: whose it is, its reels, and the plan of the reel looked at. */
@Component({
  selector: 'ys-bag-page',
  imports: [RouterLink, PlanView, CutList, LoadState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bag-page.html',
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class BagPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly bench = inject(BenchName);

  /** From the address. */
  readonly number = input.required<string>();

  private readonly number$ = toObservable(this.number);
  protected readonly bag = load<Bag>(() =>
    this.number$.pipe(switchMap((number) => this.api.call(api.readBag, { params: { number } }))),
  );
  protected readonly shownId = linkedSignal(
    () => this.bag.value()?.jobs.find(({ state }) => state !== 'filled')?.id ?? this.bag.value()?.jobs[0]?.id,
  );
  protected readonly job = computed(() => this.bag.value()?.jobs.find(({ id }) => id === this.shownId()));
  protected readonly spool = computed(() => {
    const job = this.job();
    const inferred = job ? inferSpool(job.planInput.observations) : null;
    return inferred?.ok ? inferred.value.spool : null;
  });
  protected readonly looks = computed((): Record<string, LineLook> =>
    Object.fromEntries((this.job()?.cuts ?? []).map((cut) => [cut.layer, this.lookOf(cut.layer)])),
  );
  protected readonly cuts = computed((): CutRow[] => {
    const job = this.job();
    return (job?.cuts ?? []).map(({ layer, productName, pieceCode, lengthMm, water }) => ({
      layer,
      line: productName,
      piece: water === 'dry' ? pieceCode : `${pieceCode} (${water})`,
      look: this.lookOf(layer),
      metres: lengthMm / 1000,
      handleTurns: job?.plan.layers.find(({ id }) => id === layer)?.handleTurns.value ?? 0,
      left: null,
    }));
  });
  protected readonly types = REEL_TYPE_NAMES;
  protected readonly promised = promisedText;
  protected readonly busy = signal(false);
  protected readonly problem = signal('');

  protected onKey(event: KeyboardEvent): void {
    const job = this.job();
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || !job) return;
    event.preventDefault();
    this.toBench(job);
  }

  /** Takes the reel to this machine's bench, or goes on with the run it has. */
  protected toBench(job: Job): void {
    if (this.busy()) return;
    if (job.state === 'filled') {
      void this.router.navigate(['/reels', job.tag]);
      return;
    }
    this.busy.set(true);
    this.api
      .call(api.startRun, { body: { jobId: job.id, bench: this.bench.name() } })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: ({ id }) => void this.router.navigate(['/bench', id]),
        error: (error: unknown) => this.problem.set(sentenceOf(error)),
      });
  }

  private lookOf(layer: string): LineLook {
    const job = this.job();
    const cut = job?.cuts.find((one) => one.layer === layer);
    const request = job?.plan.layers.find(({ id }) => id === layer)?.request;
    return {
      texture:
        cut?.pieceKind === 'salvage' ? 'salvage' : request?.kind === 'line' ? request.line.material : 'nylon',
      tint: cut?.tint ?? '#c5cfd2',
    };
  }
}
