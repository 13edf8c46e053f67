/** A reel that can be mounted before a simulated counter, as it truly is. */
export interface ReelToMount {
  readonly name: string;
  /** Radius its first line is wound at, mm. */
  readonly radius: number;
  /** Spool turns to one turn of the handle. */
  readonly gear: number;
  /** Its layers, and how much each spool turn of one raises the surface, mm. */
  readonly layers: readonly { readonly name: string; readonly rise: number }[];
}

/** The reels a starter names, as JSON; none where it is none. */
export function readReels(json: string | null): ReelToMount[] {
  try {
    return JSON.parse(json ?? '[]') as ReelToMount[];
  } catch {
    return [];
  }
}

/** The reel before the counter: how much line a turn brings in, as the surface rises. */
export class MountedReel {
  /** The share of the line that slips through the meter unmeasured. */
  slips = 0;
  /** Nothing is mounted: no line runs over the meter. */
  private radius = 0;
  private rise = 0;
  private gear = 0;

  /** Another reel, or another line on it: `radius` mm, `rise` mm a spool turn, `gear`; what is not said stays. */
  mount(said: URLSearchParams): void {
    const figure = (name: string, now: number): number => {
      const value = Number(said.get(name) ?? NaN);
      return value > 0 ? value : now;
    };
    this.radius = figure('radius', this.radius);
    this.rise = figure('rise', this.rise);
    this.gear = figure('gear', this.gear);
  }

  /** Handle turns; gives the metres that ran over the meter. */
  wind(turns: number): number {
    const spoolTurns = turns * this.gear;
    const rises = spoolTurns * this.rise;
    const metres = (2 * Math.PI * spoolTurns * (this.radius + rises / 2)) / 1000;
    this.radius += rises;
    return metres * (1 - this.slips);
  }
}
