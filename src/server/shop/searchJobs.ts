import * as v from 'valibot';
import { listFoundJobs } from '@/db/jobSearch';
import { defineUseCase } from '../useCase';

const FOUND = 20;
const MOST_WORDS = 8;

const SearchSchema = v.object({
  sought: v.pipe(v.string(), v.maxLength(200, 'at most 200 characters')),
  beforePeg: v.optional(v.pipe(v.number(), v.integer('a whole number'))),
});

/** Any unit that ever hung here, by the words on it: what was handed over is found by nothing else. */
export const searchJobs = defineUseCase('job.read', SearchSchema, (_actor, { db }, { sought, beforePeg }) => {
  // Letters and figures only: what else the search of the database understands is nobody's to type.
  const words = (sought.match(/[\p{L}\p{N}]+/gu) ?? []).slice(0, MOST_WORDS);
  const found = listFoundJobs(db, words, {
    size: FOUND + 1,
    beforePeg: beforePeg ?? Number.MAX_SAFE_INTEGER,
  });
  return { found: found.slice(0, FOUND), more: found.length > FOUND };
});
