/** One line of a counting device: who it is, which line of its this is, and the count as it stands, signed. */
export interface CounterLine {
  readonly device: string;
  readonly sequence: number;
  readonly count: number;
}

/** Reads `device,sequence,count` as serial-to-network adapters give it; null for a line that is none. */
export function parseCounterLine(line: string): CounterLine | null {
  const [device = '', sequence = '', count = '', ...rest] = line.trim().split(',');
  if (device === '' || rest.length > 0 || !/^\d{1,12}$/.test(sequence) || !/^-?\d{1,12}(\.\d+)?$/.test(count))
    return null;
  return { device, sequence: Number(sequence), count: Number(count) };
}
