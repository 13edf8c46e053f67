import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { of, switchMap } from 'rxjs';
import { Router, RouterLink } from '@angular/router';
import { api, type Bag, type Job, type Paper } from '@yard-spool/contract';
import { inferSpool, type LineStyle, PALETTE, priorsOf, REEL_TRAITS, swapOf } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { HouseService } from '../data/house.service';
import { loadFor } from '../data/loaded';
import { Undo } from '../ui/undo.service';
import { UnitsService } from '../data/units.service';
import { exceptionWords } from '../words/exception-words';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { useKeys } from '../keyboard/keyboard.service';
import { BagEdit } from './bag-edit';
import { CallOff } from './call-off';
import { CutList, JOINED_ON, type CutRow } from '../planning/cut-list';
import { BetterCut } from '../rack/cuts/better-cut';
import { OnItNow } from './on-it-now';
import { PlanView } from '../planning/plan-view';
import { isFilled, STATE_WORDS } from './job-state';
import { promisedText } from '../words/promised-text';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';

/** One bag: whose it is, its reels, and the plan of the reel looked at. */
@Component({
  selector: 'ys-bag-page',
  imports: [OnItNow, BagEdit, BetterCut, CallOff, CutList, LoadState, PlanView, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bag-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class BagPage {
  protected readonly traits = REEL_TRAITS;
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly undo = inject(Undo);
  private readonly here = inject(BenchHere);
  private readonly house = inject(HouseService);

  /** From the address. */
  readonly number = input.required<string>();

  protected readonly bag = loadFor(this.number, (number) =>
    this.api.call(api.readBag, { params: { number } }),
  );
  /** The reel looked at; the first that waits, until somebody chose or did something to one. */
  protected readonly shownId = linkedSignal<readonly Job[], number | undefined>({
    source: () => this.bag.value()?.jobs ?? [],
    computation: (jobs, before) =>
      (jobs.find(({ id }) => id === before?.value) ?? jobs.find(({ state }) => !isFilled(state)) ?? jobs[0])
        ?.id,
  });
  protected readonly job = computed(() => this.bag.value()?.jobs.find(({ id }) => id === this.shownId()));
  private readonly inferred = computed(() => {
    const job = this.job();
    return job ? inferSpool(job.planInput.observations, priorsOf(job.planInput.beliefs)) : null;
  });
  protected readonly spool = computed(() => {
    const inferred = this.inferred();
    return inferred?.ok ? inferred.value.spool : null;
  });
  /** Both windings, where the main goes on first. */
  protected readonly swap = computed(() => {
    const job = this.job();
    const inferred = this.inferred();
    return job?.wants.mainFirst && inferred?.ok ? swapOf(inferred.value, job.planInput.request) : null;
  });
  protected readonly styles = computed((): Record<string, LineStyle> =>
    Object.fromEntries((this.job()?.cuts ?? []).map((cut) => [cut.layer, this.styleOf(cut.layer)])),
  );
  protected readonly cuts = computed((): CutRow[] => {
    const job = this.job();
    const cuts = job?.cuts ?? [];
    const whole = (of: string): number =>
      cuts.reduce((all, { layer, lengthMm }) => all + (layer === of ? lengthMm : 0), 0);
    return cuts.map(({ layer, productName, pieceCode, lengthMm, water, own }, i) => ({
      layer,
      line: productName,
      piece: own ? 'their own line' : (pieceCode ?? 'on no piece yet'),
      comes: pieceCode === null,
      proposed: cuts.slice(0, i).some((one) => one.layer === layer) ? JOINED_ON : '',
      short: lengthMm / 1000,
      water,
      lineStyle: this.styleOf(layer),
      metres: lengthMm / 1000,
      handleTurns:
        ((this.swap()?.first ?? job?.plan)?.layers.find(({ id }) => id === layer)?.handleTurns.value ?? 0) *
        // Joined from two, each has its part of the turns.
        (lengthMm / Math.max(1, whole(layer))),
      left: null,
    }));
  });
  protected readonly types = REEL_TYPE_NAMES;
  protected readonly states = STATE_WORDS;
  protected readonly isFilled = isFilled;
  protected readonly promised = promisedText;
  /** The paper a bag is printed on most, as far as it has come. */
  protected readonly paper = ({ jobs }: Bag): Paper =>
    jobs.some(({ state }) => state === 'ready' || state === 'to-check') ? 'hand-back' : 'claim-slip';
  protected readonly units = inject(UnitsService);
  protected readonly panel = signal<'edit' | 'call-off-bag' | 'call-off-reel' | null>(null);
  protected readonly sending = new Sending();
  protected readonly hasWaiting = computed(() =>
    (this.bag.value()?.jobs ?? []).some(({ state }) => state === 'booked'),
  );
  /** What the customer wants beside the line, in sentences. */
  protected readonly wants = ({ wants, spool }: Job): string[] =>
    [
      spool === 'own' ? '' : `Its ${spool} spool.`,
      wants.onItNow && `On it now: ${wants.onItNow}.`,
      wants.leastMm === null ? '' : `At least ${this.units.length(wants.leastMm / 1000)} of main.`,
      wants.leader && `Leader: ${wants.leader}.`,
      wants.dragKg === null ? '' : `Drag ${this.units.show(wants.dragKg, 'strength').text}.`,
      wants.mainFirst ? 'Main first, then swapped over.' : '',
    ].filter(Boolean);
  /** What is not the house's for this reel. */
  protected readonly exceptions = computed(() => {
    const bag = this.bag.value();
    const job = this.job();
    if (!bag || !job) return [];
    const lines = job.planInput.request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer] : []));
    const main = lines.find(({ role }) => role === 'main') ?? lines.at(-1);
    return exceptionWords(
      this.house.rulesFor({
        line: main?.line.key,
        material: main?.line.material,
        type: job.type,
        customer: bag.customer.id,
        reel: job.tag,
      }),
    );
  });
  protected readonly nextState = ({ state }: Job) =>
    state === 'to-check'
      ? ({ to: 'ready', words: 'Mark as checked' } as const)
      : state === 'ready'
        ? ({ to: 'handed-back', words: 'Hand it back' } as const)
        : null;

  constructor() {
    this.undo.whenUndone(() => this.bag.reload());
    useKeys(
      { 'Ctrl Enter': () => this.nextToBench() },
      { 'Ctrl Enter': 'Send the reel to the bench, go on with it there, or open its record' },
    );
  }

  private nextToBench(): void {
    const job = this.job();
    // A key does what its button does, and nothing while a form is open or where there is none.
    if (job && job.state !== 'cancelled' && this.panel() === null) this.toBench(job);
  }

  protected changed(): void {
    this.panel.set(null);
    this.bag.reload();
  }

  /** Moves a filled reel on: checked and ready, then handed back. */
  protected move({ id, tag, state }: Job, to: 'ready' | 'handed-back'): void {
    const version = this.bag.value()?.version;
    if (version === undefined) return;
    const again = (): void => {
      this.bag.reload();
    };
    const body = { version, to, undo: false };
    this.sending.send(
      this.api.call(api.moveJob, { params: { id }, body }),
      (bag) => {
        again();
        // Own line that went with it is not called back by a press.
        if ((state !== 'to-check' && state !== 'ready') || bag.brought.some(({ back }) => back)) return;
        this.undo.tell({
          words: to === 'ready' ? `${tag} is checked and ready.` : `${tag} is handed back.`,
          back: () =>
            this.api.call(api.moveJob, {
              params: { id },
              body: { version: bag.version, to: state, undo: true },
            }),
        });
      },
      again,
    );
  }

  /** Takes the reel to this machine's bench, or goes on with the run it has. */
  protected toBench(job: Job): void {
    if (isFilled(job.state)) {
      void this.router.navigate(['/reels', job.tag]);
      return;
    }
    if (job.runId !== null) {
      void this.router.navigate(['/bench', job.runId]);
      return;
    }
    const ask = this.here.known$.pipe(
      switchMap((bench) =>
        bench ? this.api.call(api.startRun, { body: { jobId: job.id, benchId: bench.id } }) : of(null),
      ),
    );
    // Nobody said at which bench this machine stands: that is said there.
    this.sending.send(ask, (run) => void this.router.navigate(run ? ['/bench', run.id] : ['/bench']));
  }

  private styleOf(layer: string): LineStyle {
    const job = this.job();
    const cut = job?.cuts.find((one) => one.layer === layer);
    const request = job?.plan.layers.find(({ id }) => id === layer)?.request;
    return {
      texture:
        cut?.pieceKind === 'salvage' ? 'salvage' : request?.kind === 'line' ? request.line.material : 'nylon',
      tint: cut?.tint ?? PALETTE.line,
    };
  }
}
