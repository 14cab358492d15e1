import * as v from 'valibot';

/** One address, as people write it; what isn't one is told before a link is made. */
export const AddressSchema = v.pipe(
  v.string('please fill this in'),
  v.trim(),
  v.maxLength(120, 'at most 120 characters'),
  v.email('this is no mail address'),
);

/** A message that would be sent: whatever sends for the shop takes it from the outbox. */
export interface Mail {
  readonly id: string;
  readonly jobId: string;
  readonly peg: number;
  readonly recipient: string;
  readonly subject: string;
  /** Of the message, in the outbox. */
  readonly file: string;
  readonly by: string;
  readonly at: string;
}
