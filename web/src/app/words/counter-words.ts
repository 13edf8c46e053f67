import { metresPer, type CounterUnit, type UnitSystem } from '@yard-spool/core';

/** Line moved for a counter: metres to a tenth, or feet, as people pull it. */
export function movedText(metres: number, system: UnitSystem): string {
  const long = Math.abs(metres);
  return system === 'metric'
    ? `${long.toFixed(long < 20 ? 1 : 0)}\u00a0m`
    : `${(long / metresPer('ft')).toFixed(0)}\u00a0ft`;
}

/** A mark as its tape has it: in the counter's unit where that is round, else in whichever is. */
export function markText(metres: number, unit: CounterUnit): string {
  const round = ([unit, 'm', 'ft', 'yd'] as const).find((one) => {
    const at = metres / metresPer(one);
    return Math.abs(at - Math.round(at)) < 0.02;
  });
  const shown = round ?? unit;
  const at = metres / metresPer(shown);
  return `${String(Math.round(at * 10) / 10)}\u00a0${shown}`;
}

/** A reading as the counter shows it. */
export const readingText = (reading: number, step = 1): string => reading.toFixed(step < 1 ? 1 : 0);
