import type { ChosenSlip, Quote } from '@/model/quote';

/**
 * A way with the single lines that were ticked: those that are in its price already cost nothing more. The sum is with tax, in the smallest unit.
 * Nothing where the offer has no such way, or no such line.
 */
export function chooseSlip(
  quote: Pick<Quote, 'slips' | 'lines'>,
  slipId: string,
  lineIds: readonly string[],
): (ChosenSlip & { readonly toPay: number }) | undefined {
  const slip = quote.slips.find(({ id }) => id === slipId);
  const offered = quote.lines ?? [];
  if (!slip || lineIds.some((id) => !offered.some((line) => line.id === id))) return undefined;
  const lines = offered.filter(({ id, within }) => lineIds.includes(id) && !within.includes(slip.id));
  const toPay = lines.reduce((sum, { total }) => sum + total, slip.total);
  return { ...slip, ...(lines.length > 0 ? { lines } : {}), toPay };
}
