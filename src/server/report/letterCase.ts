import type * as v from 'valibot';
import { findReportLink } from '@/db/reports';
import type { Owner } from '@/model/people';
import { type OwnerRight, ownerMay } from '@/model/rights';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';
import { hashToken } from '../sign-in/secrets';
import { parseInput } from '../useCase';

/* Who holds a letter's link is an actor of his own kind: he may read that one letter and answer it, and nothing of the shop's. */

const ENDED = {
  withdrawn: 'The shop has withdrawn this link. Please ask for a new one.',
  expired: 'The days of this link are over. Please ask the shop for a new one.',
} as const;
const NOWHERE = 'This link leads nowhere. Please ask the shop for a new one.';

type Link = NonNullable<ReturnType<typeof findReportLink>>;

function whyEnded(link: Link, context: Context): keyof typeof ENDED | undefined {
  if (link.withdrawn_at !== null) return 'withdrawn';
  return link.expires_at <= instant(context) ? 'expired' : undefined;
}

/**
 * The holder of a link.
 * @throws Refusal `not-found` where no link was ever so, `gone` where it was withdrawn or its days are over
 */
export function ownerByToken(context: Context, token: string): Owner {
  const tokenHash = hashToken(token);
  return { kind: 'owner', tokenHash, ...openLink(context, tokenHash) };
}

function openLink(context: Context, tokenHash: string): Omit<Owner, 'kind' | 'tokenHash'> {
  const link = findReportLink(context.db, tokenHash);
  if (!link) throw new Refusal('not-found', NOWHERE);
  const ended = whyEnded(link, context);
  if (ended) throw new Refusal('gone', ENDED[ended]);
  return { jobId: link.job_id, number: link.number, until: link.expires_at };
}

/** What of a letter's address is to be said instead of the letter; nothing where it opens. */
export function letterDoor(context: Context, token: string): Pick<Refusal, 'status' | 'message'> | undefined {
  try {
    ownerByToken(context, token);
    return undefined;
  } catch (error) {
    if (error instanceof Refusal) return error;
    throw error;
  }
}

/** A use case of an owner: his link is looked at again each time, so that one that was withdrawn meanwhile opens nothing. */
export interface LetterCase<Output> {
  (owner: Owner, context: Context, input: unknown): Output;
  readonly ownerRight: OwnerRight;
}

/** Makes a use case that refuses whoever isn't an owner with an open link, before anything is read. */
export function defineLetterCase<Schema extends v.GenericSchema<unknown, unknown>, Output>(
  right: OwnerRight,
  schema: Schema,
  work: (owner: Owner, context: Context, input: v.InferOutput<Schema>) => Output,
): LetterCase<Output> {
  const checked = (owner: Owner, context: Context, input: unknown): Output => {
    if (!ownerMay(owner, right)) throw new Refusal('no-right', 'Only who holds the letter may do this.');
    const link = openLink(context, owner.tokenHash);
    if (link.jobId !== owner.jobId || link.number !== owner.number)
      throw new Refusal('no-right', 'This link opens another letter.');
    return work(owner, context, parseInput(schema, input));
  };
  return Object.assign(checked, { ownerRight: right });
}
