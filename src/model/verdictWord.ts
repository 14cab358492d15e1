import * as v from 'valibot';

/** What is said of a measurement against its limit. */
export const VERDICTS = ['within', 'beyond', 'too-close', 'no-limit'] as const;
export const VerdictWordSchema = v.picklist(VERDICTS);
export type VerdictWord = v.InferOutput<typeof VerdictWordSchema>;
