import type { Country } from '@yard-spool/contract';
import currencies from 'country-to-currency';

/** Inches, yards and pounds in everyday use: the measurement data of the Unicode CLDR, from memory. */
const IN_YARDS = new Set('US PR GU VI AS MP LR MM'.split(' '));
/** Paper of 8 1/2 by 11 in: the same data, from memory. */
const ON_LETTER = new Set('US PR GU VI AS MP CA MX PH BZ CL CO CR GT NI PA SV VE'.split(' '));

const names = new Intl.DisplayNames('en', { type: 'region' });

/** The rest is known to the runtime: which number of a day comes first, the first day of a week, what money is written as. */
function use(code: string, currency: string): Country {
  const region = new Intl.Locale(`und-${code}`);
  const spoken = `${region.maximize().language}-${code}`;
  const parts = new Intl.DateTimeFormat(spoken).formatToParts(0).map(({ type }) => type);
  const sign = new Intl.NumberFormat(spoken, {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
  });
  return {
    code,
    name: names.of(code) ?? code,
    money: sign.formatToParts(0).find(({ type }) => type === 'currency')?.value ?? currency,
    units: IN_YARDS.has(code) ? 'imperial' : 'metric',
    // A year that comes first is followed by its month, but nobody means that by 5/12/2031.
    dayOrder:
      parts.indexOf('year') > 0 && parts.indexOf('month') < parts.indexOf('day')
        ? 'month-first'
        : 'day-first',
    weekBegins: weekOf(region as Weeks).firstDay,
    paper: ON_LETTER.has(code) ? 'Letter' : 'A4',
  };
}

/** What a runtime says of weeks, under the name it has in this Node.js or in later ones. */
interface Weeks {
  readonly weekInfo?: { readonly firstDay: number };
  getWeekInfo?(): { readonly firstDay: number };
}
const weekOf = (region: Weeks): { readonly firstDay: number } =>
  region.getWeekInfo?.() ?? region.weekInfo ?? { firstDay: 1 };

let all: readonly Country[] | null = null;

/** Every country by its name, with what is usual there. */
export function countries(): readonly Country[] {
  all ??= Object.entries(currencies)
    .map(([code, currency]) => use(code, currency))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return all;
}

export const countryOf = (code: string): Country | undefined => countries().find((one) => one.code === code);
