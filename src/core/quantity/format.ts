import { UNIT_SYMBOL, type Unit } from '@/model/units';

const THIN_SPACE = '\u2009';

/** Fixed decimals, a decimal point, thin spaces in thousands, a true minus sign. */
export function formatNumber(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return '–';
  const [whole = '0', fraction] = Math.abs(value).toFixed(decimals).split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE) : whole;
  const negative = value < 0 && Number(value.toFixed(decimals)) !== 0;
  return `${negative ? '−' : ''}${grouped}${fraction === undefined ? '' : `.${fraction}`}`;
}

/** Decimals that a figure of this size and unit is worth showing with, from the gauge's resolution. */
export function decimalsFor(resolution: number): number {
  if (!(resolution > 0)) return 2;
  return Math.min(6, Math.max(0, Math.ceil(-Math.log10(resolution) - 1e-9)));
}

export const formatQuantity = (value: number, decimals: number, unit: Unit): string =>
  `${formatNumber(value, decimals)} ${UNIT_SYMBOL[unit]}`;
