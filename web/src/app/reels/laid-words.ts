import type { Fill } from '@yard-spool/contract';
import type { UnitsService } from '../data/units.service';

/** What lies under a fill's line, as rows: nothing where nothing does. */
export function laidWords(
  laid: Fill['laid'],
  units: Pick<UnitsService, 'small' | 'diameter'>,
): readonly { readonly name: string; readonly text: string }[] {
  if (!laid) return [];
  const small = (millimetres: number): string => units.small(millimetres);
  const { tape, reducer, washers } = laid;
  const wraps = tape ? String(Math.round(10 * tape.wraps) / 10) : '';
  return [
    ...(reducer === null ? [] : [{ name: 'Reducer', text: `${small(reducer)} across` }]),
    ...(tape
      ? [
          {
            name: 'Tape on the arbor',
            text: `${wraps} ${wraps === '1' ? 'wrap' : 'wraps'} of ${units.diameter(tape.thickness)}`,
          },
        ]
      : []),
    ...(washers === null ? [] : [{ name: 'Washers', text: washerWords(washers) }]),
  ];
}

const washerWords = (washers: number): string =>
  washers === 0 ? 'as they were' : `${String(Math.abs(washers))} ${washers > 0 ? 'added' : 'taken out'}`;
