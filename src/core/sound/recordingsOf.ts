import type { JobSnapshot, Recording } from '@/model/snapshot';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { findActive } from '../wear/active';

export interface ToldRecording {
  readonly recording: Recording;
  /** What was told of it last. */
  readonly told: Recorded<'recording-told'> | undefined;
  /** What a person kept as heard, as long as nothing else was told of it since. */
  readonly heard: Recorded<'recording-heard'> | undefined;
}

/** The recordings of a job that weren't struck out, each with what is told of it and heard in it. */
export function recordingsOf({
  recordings,
  records,
}: Pick<JobSnapshot, 'recordings' | 'records'>): ToldRecording[] {
  return findActive(recordings).map((recording) => {
    const told = recordsOf(records, 'recording-told').findLast(
      ({ content }) => content.recordingId === recording.id,
    );
    const heard = recordsOf(records, 'recording-heard').findLast(
      ({ content }) => content.recordingId === recording.id && content.toldId === told?.id,
    );
    return { recording, told, heard };
  });
}
