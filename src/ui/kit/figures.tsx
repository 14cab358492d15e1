'use client';

import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { decimalsInUnit, unitToRead } from '@/core/quantity/readsIn';
import { convert } from '@/core/quantity/units';
import { type ReadsIn, UNIT_SYMBOL, type Unit } from '@/model/units';

const ReadsInContext = createContext<ReadsIn>('metric');

/** Every figure below is shown in the units that the signed-in person reads in. What is stored keeps its own. */
export function ReadsInProvider({
  readsIn,
  children,
}: {
  readonly readsIn: ReadsIn;
  readonly children: ReactNode;
}) {
  return <ReadsInContext value={readsIn}>{children}</ReadsInContext>;
}

export const useReadsIn = (): ReadsIn => useContext(ReadsInContext);

export interface Figures {
  readonly unit: Unit;
  /** A figure given in the original unit; `more` decimals beside the usual ones. */
  readonly number: (value: number, more?: number) => string;
  readonly quantity: (value: number, more?: number) => string;
  /** An uncertainty with its unit: two figures that count, as the GUM advises. */
  readonly doubt: (value: number) => string;
}

/**
 * How figures of one unit are written for this person.
 * @param decimals with which they are worth showing in their own unit
 * @param size of a typical figure, where the choice of unit goes by it
 */
export function useFigures(own: Unit, decimals: number, size = 0): Figures {
  const readsIn = useReadsIn();
  return useMemo(() => {
    const unit = unitToRead(own, readsIn, size);
    const shown = decimalsInUnit(decimals, own, unit);
    const number = (value: number, more = 0) => formatNumber(convert(value, own, unit), shown + more);
    const doubt = (value: number) => {
      const size = convert(value, own, unit);
      const figuresThatCount = size > 0 ? Math.max(0, 1 - Math.floor(Math.log10(size))) : shown;
      return `${formatNumber(size, Math.min(6, figuresThatCount))} ${UNIT_SYMBOL[unit]}`;
    };
    return {
      unit,
      number,
      quantity: (value, more) => `${number(value, more)} ${UNIT_SYMBOL[unit]}`,
      doubt,
    };
  }, [own, decimals, size, readsIn]);
}
