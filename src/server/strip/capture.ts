import { canonicalJson } from '@/core/canonicalJson';
import { findStoredCapture, insertConflict } from '@/db/captures';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import type { StoredKind } from '@/model/job';
import type { Actor } from '@/model/people';
import { type Context, instant } from '../context';
import { sha256 } from '../digest';
import { Refusal } from '../refusal';

interface CaptureHead {
  readonly id: string;
  readonly jobId: string;
  readonly authorId: string;
}

export interface Stored {
  readonly id: string;
  readonly jobId: string;
  readonly stored: 'now' | 'already';
}

/** A capture belongs to who took it; a tablet that changed hands keeps it waiting for its author. */
export function refuseOtherAuthor(actor: Actor, capture: CaptureHead): void {
  if (capture.authorId !== actor.id) {
    throw new Refusal(
      'other-author',
      'This was taken by somebody else. It waits on this device until its author signs in again.',
    );
  }
}

/**
 * Stores a capture once, in one transaction with its line in the change log. The digest is of everything
 * that was sent: the same id with the same content is harmless, with other content both are kept and the
 * second is refused as a conflict.
 */
export function storeOnce<C extends CaptureHead>(
  context: Context,
  kind: StoredKind,
  capture: C,
  write: (digest: string) => void,
): Stored {
  const digest = sha256(canonicalJson(capture));
  const outcome = inTransaction(context.db, () => {
    const stored = findStoredCapture(context.db, kind, capture.id);
    if (stored?.content_digest === digest) return 'already';
    if (stored) {
      // Another job must not learn or keep anything through a guessed id.
      if (stored.job_id === capture.jobId) keepConflict(context, kind, capture, digest);
      return 'conflict';
    }
    write(digest);
    logChange(context.db, {
      at: instant(context),
      by: capture.authorId,
      jobId: capture.jobId,
      topic: kind,
      subject: capture.id,
      after: capture,
    });
    return 'now';
  });
  if (outcome === 'conflict') {
    throw new Refusal(
      'conflict',
      'Something else was already stored under the same mark. Both are kept; please look at them.',
      { captureId: capture.id },
    );
  }
  return { id: capture.id, jobId: capture.jobId, stored: outcome };
}

export function keepConflict(
  context: Context,
  kind: StoredKind,
  capture: CaptureHead,
  contentDigest: string,
): void {
  insertConflict(context.db, {
    captureId: capture.id,
    kind,
    jobId: capture.jobId,
    content: capture,
    contentDigest,
    authorId: capture.authorId,
    receivedAt: instant(context),
  });
}
