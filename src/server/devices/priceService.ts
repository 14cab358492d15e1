import type { Supplier } from '@/core/planning/suppliers';
import type { UnitType } from '@/model/unitType';

/** A question for prices, as it was sent. */
export interface PricesQuestion {
  readonly id: string;
  readonly unitType: UnitType;
  readonly currency: string;
  readonly sentAt: Date;
}

/** What a supplier has said until now. His lines are his words: nobody has looked at them yet. */
export type SupplierAnswer =
  | { readonly state: 'waiting' }
  | { readonly state: 'silent' }
  | { readonly state: 'answered'; readonly lines: readonly unknown[] };

/** Whoever answers for suppliers: a stand-in that ships with the program; a real one takes its place by the same three words. */
export interface PriceService {
  readonly suppliersFor: (unitType: UnitType) => readonly Supplier[];
  readonly answer: (question: PricesQuestion, supplier: string, now: Date) => SupplierAnswer;
}
