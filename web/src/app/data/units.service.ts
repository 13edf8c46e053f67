import { Injectable, signal } from '@angular/core';
import {
  formatDiameter,
  formatQuantity,
  formatSpread,
  fromTo,
  levelRange,
  levelWords,
  tell,
  UNIT_SYSTEMS,
  type Dimension,
  type ShownQuantity,
  type UnitSystem,
  type Words,
} from '@yard-spool/core';

const KEPT_AT = 'yard-spool.units';

/** What units are called where one chooses among them: by the units, and by how an inch is told. */
export const UNIT_NAMES: Readonly<Record<UnitSystem, string>> = {
  metric: 'm, mm, kg',
  imperial: 'yd, in 1/32, lb',
  thousandths: 'yd, in .001, lb',
};

/** The person's own units. Only what is shown changes; everything is kept metric. */
@Injectable({ providedIn: 'root' })
export class UnitsService {
  private readonly chosen = signal<UnitSystem>(
    UNIT_SYSTEMS.find((one) => one === localStorage.getItem(KEPT_AT)) ?? 'metric',
  );

  readonly system = this.chosen.asReadonly();

  /** To the next of the units there are. */
  switch(): void {
    this.chosen.update(
      (system) => UNIT_SYSTEMS[(UNIT_SYSTEMS.indexOf(system) + 1) % UNIT_SYSTEMS.length] ?? 'metric',
    );
    localStorage.setItem(KEPT_AT, this.chosen());
  }

  /** The house's own units, until somebody at this screen chooses theirs. */
  beginWith(system: UnitSystem): void {
    if (localStorage.getItem(KEPT_AT) === null) this.chosen.set(system);
  }

  /** A stored value in the person's units. */
  show(value: number, dimension: Dimension, decimals?: number): ShownQuantity {
    return formatQuantity(value, dimension, this.chosen(), decimals);
  }

  /** Metres of line. */
  length(metres: number): string {
    return this.show(metres, 'line-length').text;
  }

  /** A depth, gap or diameter of a spool, from mm. */
  small(millimetres: number): string {
    return this.show(millimetres, 'small-length').text;
  }

  /** A reading of a spool and how far off it may be, both from mm. */
  spread(millimetres: number, off: number): string {
    return formatSpread(millimetres, off, this.chosen());
  }

  /** A level below the lip or proud of it, from mm. */
  level(millimetres: number): string {
    return levelWords(millimetres, (mm) => this.small(mm));
  }

  /** From one level to a deeper one, from mm. */
  levels({ low, high }: { readonly low: number; readonly high: number }): string {
    return this.say(levelRange({ low, high }));
  }

  /** From one length of line to another, from m. */
  lengths({ low, high }: { readonly low: number; readonly high: number }): string {
    return fromTo(this.length(low), this.length(high));
  }

  /** A pull, from kg. */
  strength(kilograms: number): string {
    return this.show(kilograms, 'strength').text;
  }

  /** A sentence, its figures in the person's units. */
  say(words: Words): string {
    return tell(words, this.chosen());
  }

  /** What could be typed, as somebody with these units would: an example, not a figure that is converted. */
  like(metric: string, imperial: string): string {
    return this.chosen() === 'metric' ? metric : imperial;
  }

  /** A line's diameter, from mm. */
  diameter(millimetres: number): string {
    return formatDiameter(millimetres, this.chosen()).text;
  }
}
