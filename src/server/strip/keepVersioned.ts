import { insertJudgement } from '@/db/captures';
import { logChange } from '@/db/changeLog';
import type { JudgedKind } from '@/model/job';
import type { Actor } from '@/model/people';
import { type Context, instant } from '../context';
import { keepConflict, refuseOtherAuthor, type Stored, storeOnce } from './capture';
import { happened } from './happened';

interface Judged {
  readonly id: string;
  readonly jobId: string;
  readonly authorId: string;
  readonly deviceTime: string;
}

export interface JudgedAs {
  /** Of what it is, for the change log: a part, a pair, the job. */
  readonly subject: string;
  readonly before: { readonly version: number } | null | undefined;
  /** Writes the row if it still carries the version that the judgement was based on; tells whether it did. */
  readonly put: (stamp: { readonly jobId: string; readonly by: string; readonly at: string }) => boolean;
}

/**
 * Stores what a person judged at the bench, perhaps without network: under its own mark, so that sending it twice is harmless. One
 * that lost against another person’s is kept as a conflict, and is an open question until somebody judges again. `work` looks
 * whether it may be so at all, and refuses what may not.
 */
export function keepVersioned<Capture extends Judged>(
  actor: Actor,
  context: Context,
  kind: JudgedKind,
  capture: Capture,
  work: (capture: Capture) => JudgedAs,
): Stored {
  refuseOtherAuthor(actor, capture);
  return storeOnce(context, kind, capture, (contentDigest) => {
    const { subject, before, put } = work(capture);
    const { id, jobId, authorId, deviceTime, ...judged } = capture;
    insertJudgement(context.db, {
      ...{ id, jobId, authorId, deviceTime, kind, contentDigest, content: capture },
      ...happened(context, capture),
    });
    const stamp = { jobId, by: actor.id, at: instant(context) };
    if (put(stamp)) logChange(context.db, { ...stamp, topic: TOPIC[kind], subject, before, after: judged });
    else keepConflict(context, kind, { ...capture, beatenBy: before?.version ?? 0 }, contentDigest);
  });
}

/** Under which word the change log keeps each. */
const TOPIC: Readonly<Record<JudgedKind, string>> = {
  grade: 'grade',
  decision: 'decision',
  cause: 'cause',
  'unit-decision': 'unit decision',
  identity: 'identity',
  acceptance: 'acceptance',
};
