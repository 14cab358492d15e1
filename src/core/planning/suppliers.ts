import type { Calendar } from '@/model/calendar';
import type { Money } from '@/model/money';
import type { JobPlan } from './jobPlans';
import type { Labour } from './labour';
import type { Need } from './needs';
import type { ReadyDay } from './readyDay';

/** Who sells: what his way costs once, however much comes, in the smallest unit of the shop's currency. */
export interface Supplier {
  readonly name: string;
  readonly place: string;
  readonly freight: number;
}

export interface AskedSupplier extends Supplier {
  readonly state: 'not-asked' | 'waiting' | 'answered' | 'silent';
  readonly lines: number;
  /** What of his answer can’t be used, in words. */
  readonly refused: readonly string[];
}

/** The plans of a job, with all that they were made from. */
export interface ToldPlans {
  readonly plans: readonly (JobPlan & {
    /** Ordered today: when its last part is here, and when the unit is ready; undefined where a part can’t be had. */
    readonly ready: ReadyDay | undefined;
  })[];
  readonly needs: readonly Need[];
  readonly suppliers: readonly AskedSupplier[];
  /** Offers of other sources that can’t be used, in words. */
  readonly refused: readonly string[];
  /** How many offers there are. */
  readonly offers: number;
  readonly money: Money;
  readonly labour: Labour;
  /** The shop's day on which they were made. */
  readonly today: string;
  /** On which days the shop works. */
  readonly calendar: Calendar;
}
