const DAY = 1440;

/**
 * A span of time as people say it: `45 min`, `1 h 13 min`, `1 day 5 h`. Its sign is left out: words say which way it goes.
 *
 * @param minutes of any sign
 */
export function spanText(minutes: number): string {
  const whole = Math.round(Math.abs(minutes));
  if (whole < 60) return `${String(whole)} min`;
  if (whole < DAY) return parts(Math.floor(whole / 60), 'h', whole % 60, 'min');
  const hours = Math.round(whole / 60);
  const days = Math.floor(hours / 24);
  return parts(days, days === 1 ? 'day' : 'days', hours % 24, 'h');
}

const parts = (large: number, unit: string, small: number, of: string): string =>
  small === 0 ? `${String(large)} ${unit}` : `${String(large)} ${unit} ${String(small)} ${of}`;
