import { CdkDropListGroup } from '@angular/cdk/drag-drop';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  signal,
} from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { api, type CutsPlan, type CutTried, type LayerOfPlan } from '@yard-spool/contract';
import { EMPTY, filter, interval, merge, of, switchMap, timer, type Observable } from 'rxjs';
import { ApiService } from '../../data/api.service';
import { HouseService } from '../../data/house.service';
import { load, loadFor } from '../../data/loaded';
import { UnitsService } from '../../data/units.service';
import { LineSwatch } from '../../drawing/line-swatch';
import { InView } from '../../ui/in-view';
import { LoadState } from '../../ui/load-state';
import { Sending } from '../../ui/sending';
import { RackTabs } from '../rack-tabs';
import { CutFiguresTable } from './cut-figures';
import { isMoved, layerKey, linesOf, piecesNow, piecesPlanned, sureness, type LineOfPlan } from './cut-words';
import { LayerPanel } from './layer-panel';
import { PieceBar } from './piece-bar';

/** The plan is looked at again this often, and sooner while a better one is looked for, ms. */
const AGAIN_MS = 30_000;
const SOON_MS = 1500;

/** Changes shown before somebody asks for all. */
const FIRST_MOVES = 8;

/** A layer that is looked at, and the piece somebody would rather have it from; empty where nobody said. */
interface Chosen {
  readonly jobId: number;
  readonly layer: string;
  readonly piece: string;
}

/** Which reel is fed from which piece: the plan over all bags that wait, what it changes, and what no piece has enough for. */
@Component({
  selector: 'ys-cuts-page',
  imports: [CdkDropListGroup, CutFiguresTable, InView, LayerPanel, LineSwatch, LoadState, PieceBar, RackTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cuts-page.html',
  host: { class: 'block min-h-0 grow overflow-y-auto' },
})
export class CutsPage {
  private readonly api = inject(ApiService);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly units = inject(UnitsService);
  protected readonly house = inject(HouseService);

  protected readonly asked = load(() => this.api.call(api.readCuts));
  /** The plan as it came back from the last change made here; the next look takes its place. */
  private readonly changed = signal<CutsPlan | null>(null);
  protected readonly plan = computed(() => this.changed() ?? this.asked.value());
  protected readonly sending = new Sending();

  protected readonly chosen = signal<Chosen | null>(null);
  /** What it would cost to cut that layer from that piece; whoever chooses another meanwhile is told of the last. */
  protected readonly tried = loadFor(
    this.chosen,
    (chosen): Observable<CutTried | null> =>
      chosen && chosen.piece !== '' ? this.api.call(api.tryCut, { body: chosen }) : of(null),
    'nothing',
  );

  protected readonly lines = computed(() => {
    const plan = this.plan();
    return plan ? linesOf(plan) : [];
  });
  protected readonly layers = computed(
    () => new Map((this.plan()?.layers ?? []).map((layer) => [layerKey(layer), layer])),
  );
  protected readonly chosenKey = computed(() => {
    const chosen = this.chosen();
    return chosen ? layerKey(chosen) : '';
  });
  protected readonly layer = computed(() => this.layers().get(this.chosenKey()) ?? null);
  protected readonly moves = computed(() => (this.plan()?.layers ?? []).filter(isMoved));
  protected readonly all = signal(false);
  protected readonly shownMoves = computed(() =>
    this.all() ? this.moves() : this.moves().slice(0, FIRST_MOVES),
  );
  protected readonly better = computed(() => this.moves().length > 0);
  protected readonly heading = computed(() => {
    if (this.better()) return 'A better way to cut';
    return this.plan()?.looking ? 'Looking for a better way' : 'Nothing to change';
  });
  protected readonly sure = computed(() => {
    const plan = this.plan();
    return plan ? sureness(plan) : '';
  });
  protected readonly piecesFor = ({ line }: LayerOfPlan) =>
    this.lines().find(({ code }) => code === line)?.pieces ?? [];
  protected readonly key = layerKey;
  protected readonly piecesNow = piecesNow;
  protected readonly piecesPlanned = piecesPlanned;
  protected readonly styleOf = ({ pieces: [first] }: LineOfPlan) => ({
    texture: first?.product.material ?? 'nylon',
    tint: first?.product.tint ?? '#888888',
  });

  constructor() {
    merge(
      interval(AGAIN_MS),
      toObservable(this.plan).pipe(switchMap((plan) => (plan?.looking ? timer(SOON_MS) : EMPTY))),
    )
      .pipe(
        // Whoever looks at one layer finds the plan as it was.
        filter(() => this.chosen() === null || this.plan()?.looking === true),
        takeUntilDestroyed(),
      )
      .subscribe(() => {
        this.changed.set(null);
        this.asked.reload();
      });
  }

  protected choose({ jobId, layer }: LayerOfPlan): void {
    const isChosen = this.chosenKey() === layerKey({ jobId, layer });
    this.chosen.set(isChosen ? null : { jobId, layer, piece: '' });
    if (!isChosen) this.focus('ys-layer-panel input');
  }

  /** Looks at what it would cost to cut a layer from a piece. */
  protected ask({ jobId, layer }: LayerOfPlan, piece: string): void {
    if (piece !== '') this.chosen.set({ jobId, layer, piece });
  }

  protected pin(piece: string | null): void {
    const layer = this.layer();
    if (!layer) return;
    const body = { jobId: layer.jobId, layer: layer.layer, piece };
    this.change(this.api.call(api.pinCut, { body }), () => this.close());
  }

  protected keepLeast(metres: number | null): void {
    const layer = this.layer();
    if (!layer) return;
    const body = { jobId: layer.jobId, leastMm: metres === null ? null : Math.round(1000 * metres) };
    this.change(this.api.call(api.leastMain, { body }), () => this.close());
  }

  protected accept(): void {
    const plan = this.plan();
    if (plan)
      this.change(this.api.call(api.acceptCuts, { body: { revision: plan.revision } }), () => this.close());
  }

  protected close(): void {
    const key = this.chosenKey();
    this.chosen.set(null);
    // Whoever goes by keys goes on where they were: the length may be on another piece by now.
    if (key !== '') this.focus(`[data-off="${key}"]`);
  }

  /** The panel lies after all lengths, and above them on a phone: nobody should have to go through them to it. */
  private focus(where: string): void {
    afterNextRender(() => this.host.querySelector<HTMLElement>(where)?.focus(), { injector: this.injector });
  }

  private change(asking: Observable<CutsPlan>, done: () => void): void {
    this.sending.send(
      asking,
      (plan) => {
        this.changed.set(plan);
        done();
      },
      // Somebody else changed what it was planned from: the plan as it is now takes its place.
      ({ code }) => {
        if (code !== 'stale-version') return;
        this.changed.set(null);
        this.asked.reload();
      },
    );
  }
}
