import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ReelType } from '@yard-spool/contract';
import {
  arborKnotAdvice,
  compareSupply,
  dragAdvice,
  gripAdvice,
  joinAdvice,
  KILOGRAM_FORCE,
  memoryAdvice,
  soakAdvice,
  tensionAdvice,
  type Advice,
  type SupplyStand,
} from '@yard-spool/core';
import { DateTime } from 'luxon';
import { HouseService } from '../data/house.service';
import type { DraftPlan } from './draft-plan';
import { promisedText } from './promised-text';
import { supplySizes } from './supply-sizes';

const NAMES: Readonly<Record<SupplyStand, string>> = {
  matched: 'over its end, with the bail',
  mismatched: 'over its end, against it',
  rolling: 'rolling',
  rig: 'on the rig',
};

/** How the supply stands and why, and how this line is soaked, gripped, joined, wound and handed back. */
@Component({
  selector: 'ys-supply-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './supply-view.html',
  host: { class: 'grid gap-3' },
})
export class SupplyView {
  private readonly house = inject(HouseService);

  readonly planned = input.required<DraftPlan>();
  readonly type = input.required<ReelType>();
  /** When the bag is promised, ISO 8601; empty where it is not known. */
  readonly promised = input('');

  protected readonly names = NAMES;
  private readonly main = computed(() => this.planned().made?.plan.layers.find(({ id }) => id === 'main'));
  private readonly sizes = computed(() => {
    const { main } = this.planned().pieces;
    const layer = this.main();
    return main && layer ? supplySizes(main, layer.length.value) : null;
  });
  protected readonly measured = computed(() => this.sizes()?.measured ?? false);
  /** A rotor winds round the still spool of these; the others turn their spool. */
  private readonly turnsRound = computed(() => this.type() === 'fixed-spool' || this.type() === 'spincast');
  protected readonly advice = computed(() => {
    const [house, layer, sizes] = [this.house.house(), this.main(), this.sizes()];
    if (!house || !layer || !sizes) return null;
    return compareSupply(
      {
        reel: {
          sense: this.turnsRound() ? 1 : 0,
          diameters: [2 * layer.innerRadius, 2 * layer.outerRadius],
        },
        supply: { diameters: sizes.diameters },
        castOverLip: this.turnsRound(),
      },
      house.rules,
    );
  });
  protected readonly circles = computed(() => {
    const best = this.advice()?.best;
    const supply = best === 'matched' ? 1 : best === 'mismatched' ? -1 : 0;
    return [
      { name: supply === 0 ? 'supply rolls' : 'supply, as line leaves', x: 70, turn: supply },
      {
        name: this.turnsRound() ? 'reel from behind' : 'spool turns',
        x: 230,
        turn: this.turnsRound() ? 1 : 0,
      },
    ];
  });
  protected readonly drawingWords = computed(() =>
    this.circles()
      .map(({ name, turn }) => `${name}${turn === 0 ? '' : turn > 0 ? ', clockwise' : ', anticlockwise'}`)
      .join('; '),
  );
  /** Which face is up, where the piece says how it leaves; rotation decides, not the label. */
  protected readonly labelWords = computed(() => {
    const best = this.advice()?.best;
    const leaves = this.planned().pieces.main?.leaves;
    if (!leaves || leaves === 'unknown' || (best !== 'matched' && best !== 'mismatched')) return '';
    const up = (leaves === 'clockwise') === (best === 'matched');
    return `If the bail turns clockwise seen from behind, stand it label ${up ? 'up' : 'down'}: with its label up it leaves ${leaves}.`;
  });
  protected readonly handling = computed((): { about: string; advice: Advice }[] => {
    const house = this.house.house();
    const { pieces, made } = this.planned();
    const { main } = pieces;
    if (!house || !made || !main) return [];
    const lines = made.plan.layers.flatMap(({ request }) => (request.kind === 'line' ? [request.line] : []));
    const [first] = lines;
    const join = lines.at(-2);
    const top = lines.at(-1);
    const strengths = [pieces.backing, main, pieces.top].flatMap((piece) =>
      piece?.product.strengthKg ? [piece.product.strengthKg * KILOGRAM_FORCE] : [],
    );
    const { rules } = house;
    const bare = made.plan.layers[0]?.request.kind === 'line';
    return [
      { about: 'Soak', advice: top ? soakAdvice(top, rules) : null },
      { about: 'Grip', advice: first && bare ? gripAdvice(first.material, 'bare', rules) : null },
      { about: 'Knot at the arbor', advice: first && bare ? arborKnotAdvice(first) : null },
      { about: 'Join', advice: join && top ? joinAdvice(join, top, rules) : null },
      { about: 'Tension', advice: tensionAdvice(main.product.material, this.type(), rules) },
      { about: 'Memory', advice: memoryAdvice(main.product.material, rules) },
      { about: 'Drag', advice: dragAdvice(strengths, rules) },
    ].filter((one): one is { about: string; advice: Advice } => one.advice !== null);
  });

  /** When the line has to be in the water at the latest, an hour before the reel is handed over. */
  protected readonly soakStart = computed(() => {
    const [house, made] = [this.house.house(), this.planned().made];
    const request = made?.plan.layers.findLast((layer) => layer.request.kind === 'line')?.request;
    const promised = DateTime.fromISO(this.promised());
    if (!house || request?.kind !== 'line' || !promised.isValid) return '';
    const { hours } = soakAdvice(request.line, house.rules);
    if (hours === 0) return '';
    return `Into the tub by ${promisedText(promised.minus({ hours: hours + 1 }).toISO())}, to be filled an hour before the promise.`;
  });

  protected size(start: number, end: number): string {
    const [a, b] = [Math.abs(start).toFixed(1), Math.abs(end).toFixed(1)];
    return a === b ? a : `${a} to ${b}`;
  }
}
