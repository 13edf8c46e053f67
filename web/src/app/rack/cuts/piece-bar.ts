import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { LayerOfPlan, PieceOfPlan } from '@yard-spool/contract';
import { UnitsService } from '../../data/units.service';
import { isMoved, layerKey, pieceName } from './cut-words';

/** A length that can be taken hold of. */
const CHIP =
  'touch-none border border-edge px-2 py-1 text-[13px] leading-tight whitespace-nowrap rounded-[3px] max-md:py-2.5';
/** A short piece can be seen and dropped on, percent. */
const LEAST_WIDE = 6;

/** One piece with the lengths that would come off it: each can be dragged to another piece of its line. */
@Component({
  selector: 'ys-piece-bar',
  imports: [CdkDrag, CdkDropList],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let one = piece();
    <div class="w-36 shrink-0 pt-0.5">
      <p class="flex items-baseline gap-2">
        <b class="whitespace-nowrap">{{ name() }}</b>
        <span class="truncate text-[13px] text-mute">{{ state() }}</span>
      </p>
      @if (offs().length > 0) {
        <p class="truncate text-[13px] text-mute">{{ one.comesAt ? 'here by ' : '' }}{{ one.place }}</p>
      }
    </div>
    <div
      class="min-w-0 grow"
      cdkDropList
      cdkDropListOrientation="mixed"
      cdkDropListSortingDisabled
      [cdkDropListData]="one.code"
      (cdkDropListDropped)="drop($event)"
    >
      <div class="my-1 flex h-2.5 gap-px overflow-hidden" [style.width.%]="wide()" aria-hidden="true">
        @for (off of offs(); track off.key) {
          <span
            [class]="chosen() === off.key ? 'bg-ink' : off.moved ? 'bg-oil' : 'bg-edge'"
            [style.width.%]="off.share"
          ></span>
        }
        <span class="grow bg-groove"></span>
      </div>
      <div class="flex flex-wrap gap-1">
        @for (off of offs(); track off.key) {
          <button
            type="button"
            cdkDrag
            [class]="CHIP + (off.moved ? ' bg-oil-pale' : ' bg-card')"
            [class.ring-2]="chosen() === off.key"
            [class.ring-ink]="chosen() === off.key"
            [cdkDragData]="off.layer"
            [attr.data-off]="off.key"
            [attr.aria-label]="off.says"
            [attr.aria-pressed]="chosen() === off.key"
            (click)="picked.emit(off.layer)"
          >
            <b>{{ off.tag }}</b> {{ off.length }}
          </button>
        }
      </div>
    </div>
    <p class="w-28 shrink-0 pt-0.5 text-right">
      @if (one.isScrap) {
        <b class="look px-1.5">{{ units.length(one.leftMm / 1000) }} scrap</b>
      } @else {
        <b>{{ units.length(one.leftMm / 1000) }}</b> <span class="text-[13px] text-mute"> left</span>
      }
    </p>
  `,
  host: { class: 'flex items-start gap-3 px-4 py-1 max-md:flex-wrap' },
})
export class PieceBar {
  protected readonly units = inject(UnitsService);

  readonly piece = input.required<PieceOfPlan>();
  readonly layers = input.required<ReadonlyMap<string, LayerOfPlan>>();
  readonly longestMm = input.required<number>();
  /** The layer that is looked at. */
  readonly chosen = input('');
  readonly picked = output<LayerOfPlan>();
  readonly dropped = output<{ readonly layer: LayerOfPlan; readonly piece: string }>();

  protected readonly CHIP = CHIP;
  protected readonly wide = computed(() =>
    Math.max(LEAST_WIDE, (100 * this.piece().freeMm) / this.longestMm()),
  );
  protected readonly offs = computed(() =>
    this.piece().offs.flatMap((off) => {
      const key = layerKey(off);
      const layer = this.layers().get(key);
      if (!layer) return [];
      const length = this.units.length(off.lengthMm / 1000);
      // What is read out begins with what stands on it.
      const says = `${off.tag} ${length}, ${layer.role} off ${this.piece().comesAt === null ? this.name() : 'line on order'}`;
      const share = (100 * off.lengthMm) / Math.max(1, this.piece().freeMm);
      return [{ key, layer, tag: off.tag, length, says, share, moved: isMoved(layer) }];
    }),
  );
  protected readonly name = computed(() => pieceName(this.piece()));
  protected readonly state = computed(() => {
    const { kind, opened, water, comesAt } = this.piece();
    if (comesAt !== null) return '';
    const is = kind === 'salvage' ? 'stripped' : opened ? 'open' : 'sealed';
    return water === 'dry' ? is : `${is}, ${water}`;
  });

  protected drop({ item }: CdkDragDrop<string, string, LayerOfPlan>): void {
    const layer = item.data;
    const { code } = this.piece();
    if (layer.planned !== code && layer.plannedJoined !== code) this.dropped.emit({ layer, piece: code });
  }
}
