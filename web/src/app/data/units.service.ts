import { Injectable, signal } from '@angular/core';
import {
  formatDiameter,
  formatQuantity,
  sayIn,
  type Dimension,
  type ShownQuantity,
  type UnitSystem,
} from '@yard-spool/core';

const KEPT_AT = 'yard-spool.units';

/** The person's own units. Only what is shown changes; everything is kept metric. */
@Injectable({ providedIn: 'root' })
export class UnitsService {
  private readonly chosen = signal<UnitSystem>(
    localStorage.getItem(KEPT_AT) === 'imperial' ? 'imperial' : 'metric',
  );

  readonly system = this.chosen.asReadonly();

  switch(): void {
    this.chosen.update((system) => (system === 'metric' ? 'imperial' : 'metric'));
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

  /** A pull, from kg. */
  strength(kilograms: number): string {
    return this.show(kilograms, 'strength').text;
  }

  /** A sentence of the core, which speaks metric. */
  say(sentence: string): string {
    return sayIn(sentence, this.chosen());
  }

  /** A line's diameter, from mm. */
  diameter(millimetres: number): string {
    return formatDiameter(millimetres, this.chosen()).text;
  }
}
