import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { darken, layoutSection, type SectionBox, type SectionView } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { LineTexture } from './line-texture';
import { measuredSize } from './measured-size';

/** Boxes drawn in until the real size is known, px; and what each keeps free round the spool. */
const PLAN: SectionBox = { width: 560, height: 340, aside: { left: 40, right: 164 }, above: 34 };
const BENCH: SectionBox = {
  width: 300,
  height: 400,
  aside: { left: 16, right: 146 },
  above: 34,
  mayBreak: true,
};

/** Below this width a section is drawn as on the bench, px. */
const NARROW = 460;

let sections = 0;

/** The reel's spool cut open: layers to true scale, a depth rule from the lip, the join and the stop marked. */
@Component({
  selector: 'ys-spool-section',
  imports: [LineTexture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spool-section.html',
  host: { class: 'relative block min-h-64' },
})
export class SpoolSection {
  private readonly units = inject(UnitsService);

  readonly view = input.required<SectionView>();
  /** `bench` leaves room for nothing but the section and its marks. */
  readonly size = input<'plan' | 'bench'>('plan');
  /** Whether to say which end is which: only where the line is laid on a still spool. */
  readonly ends = input(false);

  protected readonly id = `section-${String((sections += 1))}`;
  private readonly measured = measuredSize();
  protected readonly box = computed((): SectionBox => {
    const usual = this.size() === 'plan' ? PLAN : BENCH;
    const { width, height } = this.measured() ?? usual;
    // A page that scrolls gives no height of its own.
    const place = { width: Math.max(240, width), height: height > 120 ? height : usual.height };
    // Where there is little room the rear is broken off, rather than that layers become too thin to be told.
    return width < NARROW
      ? { ...usual, ...place, aside: { ...usual.aside, left: BENCH.aside.left }, mayBreak: true }
      : { ...usual, ...place };
  });
  protected readonly lay = computed(() => layoutSection(this.view(), this.box()));
  protected readonly rule = computed(() => this.lay().right + (this.size() === 'plan' ? 52 : 40));
  protected readonly flanges = computed(() => {
    const { left, right, lip, bottom, broken } = this.lay();
    const down = String(bottom);
    return [
      broken ? '' : `M${String(left)} ${String(lip)}h-14l-7 7V${down}H${String(left)}Z`,
      `M${String(right)} ${String(lip)}h14l9 9V${down}H${String(right)}Z`,
    ];
  });
  /** A torn edge where the rear is broken off. */
  protected readonly tear = computed(() => {
    const { left, lip, bottom, broken } = this.lay();
    if (!broken) return '';
    const steps = Math.ceil((bottom - lip + 8) / 16);
    return `M${String(left - 2)} ${String(lip - 4)}${'l6 8l-6 8'.repeat(steps)}h-9V${String(lip - 4)}Z`;
  });
  protected readonly summary = computed(() => {
    const { layers, marks } = this.view();
    const parts = [...layers.map(({ label }) => label), ...marks.map(({ text }) => text)];
    return `Spool cut open. ${parts.filter(Boolean).join('; ')}.`;
  });
  protected readonly arborText = computed(() => `arbor Ø ${this.units.small(2 * this.view().arborRadius)}`);
  protected readonly markClass = { stop: 'fill-stop', join: 'fill-join', now: 'fill-ink' } as const;

  protected readonly inkOn = (tint: string): string => darken(tint, 0.72);
}
