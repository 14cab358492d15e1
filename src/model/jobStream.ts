import type { JobSnapshot } from './snapshot';

/** The rows of a job, by kind. */
export type JobRows = Pick<
  JobSnapshot,
  | 'readings'
  | 'findings'
  | 'photographs'
  | 'recordings'
  | 'records'
  | 'grades'
  | 'decisions'
  | 'acceptances'
  | 'identities'
  | 'conflicts'
  | 'reports'
>;
export const ROW_KINDS = [
  'readings',
  'findings',
  'photographs',
  'recordings',
  'records',
  'grades',
  'decisions',
  'acceptances',
  'identities',
  'conflicts',
  'reports',
] as const satisfies readonly (keyof JobRows)[];

/** How a row of each kind is told from the others of its kind. */
export const ROW_KEY: { readonly [Kind in keyof JobRows]: (row: JobRows[Kind][number]) => string } = {
  readings: ({ id }) => id,
  findings: ({ id }) => id,
  photographs: ({ id }) => id,
  recordings: ({ id }) => id,
  records: ({ id }) => id,
  grades: ({ positionId }) => positionId,
  decisions: ({ positionId }) => positionId,
  acceptances: ({ positionId, checkId, readings }) => `${positionId} ${checkId} ${readings}`,
  identities: ({ pairId }) => pairId,
  conflicts: ({ captureId, digest }) => `${captureId} ${digest}`,
  reports: ({ number }) => String(number),
};

/** What a device said last of a job: how many captures wait on it, and when and by whom it said so. */
export interface DeviceWord {
  readonly deviceId: string;
  readonly waiting: number;
  readonly person: string;
  readonly saidAt: string;
}

/**
 * A job as the server answers it: everything (`whole`), or only what changed behind the cursor that was asked for, each row as
 * it is now. What is left out has not changed.
 */
export interface JobAnswer extends Partial<JobRows> {
  /** `life.seq`: of another life, or from the future, it gets everything. */
  readonly cursor: string;
  readonly whole: boolean;
  /** Revision of what the whole shop shares: gauges, people, its own rule. */
  readonly shop: number;
  readonly newestRevision: number;
  readonly tooClosePolicy: JobSnapshot['tooClosePolicy'];
  readonly job?: JobSnapshot['job'];
  readonly gauges?: JobSnapshot['gauges'];
  readonly timeZone?: string;
  readonly policies?: JobSnapshot['policies'];
  readonly shims?: JobSnapshot['shims'];
  readonly newestCatalogs?: JobSnapshot['newestCatalogs'];
  readonly cause?: JobSnapshot['cause'];
  readonly unitDecision?: JobSnapshot['unitDecision'];
  /** Devices on which something of this job waits. */
  readonly devices?: readonly DeviceWord[];
}
