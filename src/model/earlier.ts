import type { Job } from './snapshot';
import type { Unit } from './units';

/* Jobs that came before: the unit's own, or one of a sister. */

export interface EarlierJob
  extends Pick<
    Job,
    | 'peg'
    | 'bookedAt'
    | 'unitTitle'
    | 'unitTypeId'
    | 'serial'
    | 'tag'
    | 'customer'
    | 'customerContact'
    | 'machine'
    | 'distanceKm'
    | 'complaint'
  > {
  readonly jobId: string;
  /** A type of its own: it belongs to that job alone. */
  readonly hasOwnType: boolean;
  readonly handedOver: Job['handedOver'];
  /** Names of the parts that were renewed then, each with who decided it. */
  readonly renewed: readonly { readonly name: string; readonly by: string }[];
  /** What it was set to when it left, mm or N·m as the check says. */
  readonly set: readonly {
    readonly title: string;
    readonly value: number;
    readonly unit: Unit;
    readonly by: string;
  }[];
  /** Which oil went in, and by whom it was filled; as it was claimed where nobody filled it here. */
  readonly oil: string;
}

/** One check of another job: what it was found with, and what it left with. */
export interface ValueBeside {
  readonly checkId: string;
  readonly positionId: string;
  readonly unit: Unit;
  readonly found: number | undefined;
  readonly left: number | undefined;
}

export interface JobBeside {
  readonly peg: number;
  /** This very unit when it was here before, or another one of its type. */
  readonly kind: 'earlier' | 'sister';
  readonly bookedAt: string;
  readonly handedOverAt: string | undefined;
  readonly distanceKm: number | null;
  readonly values: readonly ValueBeside[];
}
