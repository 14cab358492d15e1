import type { ReportDocument } from '@/model/report';

export const NOT_LOOKED_AT_QUESTION = 'Not looked at';
export const NOT_MEASURED = ': not measured';

type OpenPart = ReportDocument['open'][number];

/** Nothing more is to be said of the part than that nobody looked at it, so nobody measured it either. */
const isUnseen = ({ questions: [first, ...others] }: OpenPart): boolean =>
  first === NOT_LOOKED_AT_QUESTION && others.every((question) => question.endsWith(NOT_MEASURED));

/** Parts that nobody looked at, and the ones with questions of their own. */
export function groupOpen(open: readonly OpenPart[]): {
  readonly unseen: readonly OpenPart[];
  readonly questioned: readonly OpenPart[];
} {
  return { unseen: open.filter(isUnseen), questioned: open.filter((part) => !isUnseen(part)) };
}
