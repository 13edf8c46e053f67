import { STOCK_TRAITS, type StockField } from '@yard-spool/core';

/** The units a list's column may be in, the usual first; none where it is in no unit. */
export const unitsFor = (field: StockField | null): readonly string[] => {
  const dimension = field === null ? undefined : STOCK_TRAITS[field].dimension;
  return dimension === undefined ? [] : UNITS[dimension];
};

const UNITS = {
  'line-length': ['m', 'yd', 'ft'],
  'small-length': ['mm', 'in'],
  strength: ['kg', 'lb'],
} as const;
