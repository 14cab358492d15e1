import type { DeviceWord } from '@/model/jobStream';
import type { ReportDocument } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import type { PartState } from '../wear/partStanding';

/** What somebody should know before a report goes out. */
export interface BeforeIssue {
  /** Devices on which something of the job waits, as they said it last. */
  readonly devices: readonly DeviceWord[];
  /** Parts that are graded, and of which nobody has said what becomes of them. */
  readonly undecided: readonly string[];
  /** Open questions that will stand in it. */
  readonly open: number;
}

export function beforeIssue(
  { decisions }: Pick<JobSnapshot, 'decisions'>,
  parts: readonly PartState[],
  { open }: Pick<ReportDocument, 'open'>,
  devices: readonly DeviceWord[],
): BeforeIssue {
  const decided = new Set(
    decisions.filter(({ decision }) => decision !== 'not-decided').map(({ positionId }) => positionId),
  );
  return {
    devices,
    undecided: parts
      .filter(({ grade, position }) => grade !== null && !decided.has(position.id))
      .map(({ position }) => position.name),
    open: open.reduce((sum, { questions }) => sum + questions.length, 0),
  };
}

/** Whether nothing speaks against issuing it as it stands. */
export const isSettled = ({ devices, undecided, open }: BeforeIssue): boolean =>
  devices.length === 0 && undecided.length === 0 && open === 0;

/** The same in one sentence, for whoever would issue it without looking. */
export function tellBeforeIssue({ devices, undecided, open }: BeforeIssue): string {
  const waiting = devices.reduce((sum, each) => sum + each.waiting, 0);
  const said = [
    ...(waiting > 0
      ? [
          `${counted(waiting, 'capture waits', 'captures wait')} on ${devices.length === 1 ? `a device of ${devices[0]?.person}` : `${devices.length} devices`}`,
        ]
      : []),
    ...(undecided.length > 0
      ? [`${counted(undecided.length, 'graded part is', 'graded parts are')} not decided`]
      : []),
    ...(open > 0 ? [`${counted(open, 'question is', 'questions are')} open`] : []),
  ];
  return `${said.join('; ')}.`;
}

const counted = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;
