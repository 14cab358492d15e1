import * as v from 'valibot';
import { type Family, type Grade, GradeSchema } from './damage';
import { IdSchema, VersionSchema, words } from './ids';

/* One part graded by two people who didn't know of each other's grade, and what the shop then settled on. */

interface Graded {
  readonly grade: Grade;
  readonly by: string;
  readonly byId: string;
}

export interface SecondLook {
  readonly id: string;
  readonly jobId: string;
  readonly peg: number;
  readonly unit: string;
  readonly positionId: string;
  readonly family: Family;
  readonly part: string;
  readonly at: string;
  readonly first: Graded & { readonly reason: string };
  readonly second: Graded;
  /** The shop's answer; null while both differ and nobody has settled it. */
  readonly settled: { readonly grade: Grade; readonly note: string; readonly by: string } | null;
}

/** What somebody sees who grades from photographs: the part, its pictures, nothing else. */
export interface BlindPart {
  readonly jobId: string;
  readonly positionId: string;
  readonly part: string;
  readonly family: Family;
  readonly photographs: readonly { readonly id: string; readonly width: number; readonly height: number }[];
}

export const SecondLookSchema = v.object({
  jobId: IdSchema,
  positionId: IdSchema,
  /** Of the first grade, so that nobody looks a second time at what was graded anew meanwhile. */
  version: VersionSchema,
  grade: GradeSchema,
});

export const SettleLookSchema = v.object({ lookId: IdSchema, grade: GradeSchema, note: words(300, 1) });

export const TrainingAnswerSchema = v.object({ lookId: IdSchema, grade: GradeSchema });
