import { type JobAnswer, type JobRows, ROW_KEY, ROW_KINDS } from '@/model/jobStream';
import type { JobSnapshot } from '@/model/snapshot';

/** What the shop's computer has confirmed of a job, and how far this device has followed it. */
export interface Confirmed {
  readonly cursor: string;
  readonly shop: number;
  readonly snapshot: JobSnapshot;
  readonly devices: NonNullable<JobAnswer['devices']>;
}

/** What lies apart from a job's rows: the revisions that it pins. */
export type InForce = Pick<JobSnapshot, 'unitType' | 'catalogs'>;

const lineOf = (cursor: string): { life: string; seq: number } => {
  const [life = '', seq = ''] = cursor.split('.');
  return { life, seq: Number(seq) };
};

/** Whether one cursor has seen all that another has; of different lives neither has. */
export function reaches(cursor: string, other: string): boolean {
  const [a, b] = [lineOf(cursor), lineOf(other)];
  return a.life === b.life && a.seq >= b.seq;
}

/**
 * What is confirmed after an answer that was asked for behind the cursor `since`. An answer that was overtaken changes nothing;
 * one that begins behind what this device has leaves a gap, and answers nothing (`undefined`): the device asks again.
 */
export function withAnswer(
  confirmed: Confirmed,
  answer: JobAnswer,
  since: string | undefined,
  { unitType, catalogs }: InForce,
): Confirmed | undefined {
  if (reaches(confirmed.cursor, answer.cursor) && confirmed.cursor !== answer.cursor) return confirmed;
  const follows = since !== undefined && reaches(confirmed.cursor, since) && reaches(answer.cursor, since);
  if (!answer.whole && !follows) return undefined;
  const snapshot = withRows(confirmed.snapshot, answer, { unitType, catalogs });
  // Left out means that nothing waits anywhere.
  const devices = answer.devices ?? [];
  const same = snapshot === confirmed.snapshot && sameDevices(devices, confirmed.devices);
  if (same && answer.shop === confirmed.shop && answer.cursor === confirmed.cursor) return confirmed;
  return {
    cursor: answer.cursor,
    shop: answer.shop,
    snapshot,
    devices: sameDevices(devices, confirmed.devices) ? confirmed.devices : devices,
  };
}

const sameDevices = (a: Confirmed['devices'], b: Confirmed['devices']): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** The same object where nothing of it changed, so that nothing that shows it has to be shown again. */
function withRows(snapshot: JobSnapshot, answer: JobAnswer, { unitType, catalogs }: InForce): JobSnapshot {
  const { newestRevision, newestCatalogs, timeZone, tooClosePolicy, job, gauges, cause, unitDecision } =
    answer;
  const { policies, shims } = answer;
  const changed: Partial<JobSnapshot> = {
    ...(newestRevision === snapshot.newestRevision ? {} : { newestRevision }),
    ...(tooClosePolicy === snapshot.tooClosePolicy ? {} : { tooClosePolicy }),
    ...(unitType === snapshot.unitType ? {} : { unitType }),
    ...(catalogs === snapshot.catalogs ? {} : { catalogs }),
    ...(newestCatalogs === undefined ? {} : { newestCatalogs }),
    ...(timeZone === undefined || timeZone === snapshot.timeZone ? {} : { timeZone }),
    ...(policies === undefined ? {} : { policies }),
    ...(shims === undefined ? {} : { shims }),
    ...(job === undefined ? {} : { job }),
    ...(gauges === undefined ? {} : { gauges }),
    ...(cause === undefined ? {} : { cause }),
    ...(unitDecision === undefined ? {} : { unitDecision }),
    ...rowsOf(snapshot, answer),
  };
  return Object.keys(changed).length === 0 ? snapshot : { ...snapshot, ...changed };
}

function rowsOf(snapshot: JobSnapshot, answer: JobAnswer): Partial<JobRows> {
  const changed = ROW_KINDS.filter((kind) => answer[kind] !== undefined);
  return Object.fromEntries(
    changed.map((kind) => [
      kind,
      answer.whole ? answer[kind] : mergeRows<unknown>(kind, snapshot[kind], answer[kind] ?? []),
    ]),
  );
}

/**
 * Changed rows in place of those that they follow, new ones behind; in the order in which the server lists them: captures as they
 * happened by the shop's clock, the rest by their keys.
 */
export function mergeRows<Row>(
  kind: keyof JobRows,
  rows: readonly Row[],
  changed: readonly Row[],
): readonly Row[] {
  const keyOf = ROW_KEY[kind] as (row: unknown) => string;
  const merged = new Map(rows.map((row) => [keyOf(row), row]));
  for (const row of changed) merged.set(keyOf(row), row);
  if (kind === 'reports' || kind === 'acceptances') return [...merged.values()];
  const place = ([key, row]: readonly [string, Row]): string => {
    const { happenedAt = '', deviceTime = '' } = row as { happenedAt?: string; deviceTime?: string };
    return `${happenedAt || deviceTime} ${key}`;
  };
  return [...merged].sort((a, b) => (place(a) < place(b) ? -1 : 1)).map(([, row]) => row);
}
