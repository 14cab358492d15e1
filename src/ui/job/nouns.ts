import type { QueuedCapture } from './queueStore';

/** How each is called that waits. */
export const NOUN: Record<QueuedCapture['kind'], string> = {
  reading: 'reading',
  finding: 'finding',
  photograph: 'photograph',
  recording: 'recording',
  record: 'record',
  grade: 'grade',
  decision: 'decision',
  cause: 'cause',
  'unit-decision': 'decision for the unit',
  identity: 'count of teeth',
  acceptance: 'acceptance',
  strike: 'strike',
};
