import * as v from 'valibot';

/** What a shop does with a reading that is too close to call. The verdict itself never changes. */
export const TOO_CLOSE_POLICIES = [
  { id: 'hold', name: 'Hold it until it is settled' },
  { id: 'accept', name: 'Accept it as printed, with a name' },
  { id: 'beyond', name: 'Treat it as beyond' },
] as const;
export const TooClosePolicySchema = v.picklist(TOO_CLOSE_POLICIES.map(({ id }) => id));
export type TooClosePolicy = v.InferOutput<typeof TooClosePolicySchema>;
