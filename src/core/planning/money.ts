import type { Money } from '@/model/money';

type Currency = Pick<Money, 'sign' | 'digits'>;

/** `1 234.50 kr`; whole amounts without decimals. */
export function tellMoney(minor: number, { sign, digits }: Currency): string {
  return `${tellAmount(minor, { digits })} ${sign}`;
}

/** The same without the currency's sign. */
export function tellAmount(minor: number, { digits }: Pick<Currency, 'digits'>): string {
  const unit = 10 ** digits;
  const isWhole = minor % unit === 0;
  const [whole, part] = (Math.abs(minor) / unit).toFixed(isWhole ? 0 : digits).split('.');
  const grouped = whole!.replace(/\B(?=(\d{3})+$)/g, '\u202f');
  return `${minor < 0 ? '−' : ''}${grouped}${part ? `.${part}` : ''}`;
}

/** The amount as a program reads it, in whole units of the currency: `1234.50`, never its smallest unit. */
export const plainAmount = (minor: number, { digits }: Pick<Currency, 'digits'>): string =>
  (minor / 10 ** digits).toFixed(digits);

/** What a person writes as an amount, `1 234,50` or `1234.5`; undefined where it is none. */
export function readAmount(written: string, { digits }: Pick<Currency, 'digits'>): number | undefined {
  const plain = written.replace(/[\s\u00a0\u202f]/g, '').replace(',', '.');
  if (!/^-?\d+(\.\d+)?$/.test(plain)) return undefined;
  const minor = Number(plain) * 10 ** digits;
  const rounded = Math.round(minor);
  return Math.abs(minor - rounded) < 1e-6 * Math.max(1, Math.abs(minor)) ? rounded : undefined;
}

/** The tax on an amount, rounded to the smallest unit. */
export const taxOn = (minor: number, { taxPercent }: Pick<Money, 'taxPercent'>): number =>
  Math.round((minor * taxPercent) / 100);
