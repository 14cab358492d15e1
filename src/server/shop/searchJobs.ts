import * as v from 'valibot';
import { listFoundJobs } from '@/db/jobSearch';
import { defineUseCase } from '../useCase';

const FOUND = 20;
const MOST_WORDS = 8;

const SearchSchema = v.object({ sought: v.pipe(v.string(), v.maxLength(200, 'at most 200 characters')) });

/** Any unit that ever hung here, by the words on it: what was handed over is found by nothing else. */
export const searchJobs = defineUseCase('job.read', SearchSchema, (_actor, { db }, { sought }) => ({
  // Letters and figures only: what else the search of the database understands is nobody's to type.
  found: listFoundJobs(db, (sought.match(/[\p{L}\p{N}]+/gu) ?? []).slice(0, MOST_WORDS), FOUND),
}));
