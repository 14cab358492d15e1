import type { ReportDocument } from '@/model/report';

type OpenEntry = ReportDocument['open'][number];

/** Nothing more is to be said of the part than that nobody looked at it, so nobody measured it either. */
const isUnseen = ({ codes, questions }: OpenEntry): boolean =>
  codes
    ? codes[0] === 'not-looked-at' && codes.slice(1).every((code) => code === 'not-measured')
    : isUnseenInWords(questions);

/** Reports from before the codes were frozen with the words alone. */
const isUnseenInWords = ([first, ...others]: OpenEntry['questions']): boolean =>
  first === 'Not looked at' && others.every((question) => question.endsWith(': not measured'));

/** Worn parts that a limit was held against, and those that only an eye has judged. */
export function groupWorn(worn: ReportDocument['worn']) {
  return { within: worn.filter(({ byEye }) => !byEye), byEye: worn.filter(({ byEye }) => byEye) };
}

/** Parts that nobody looked at, and the ones with questions of their own. */
export function groupOpen(open: readonly OpenEntry[]): {
  readonly unseen: readonly OpenEntry[];
  readonly questioned: readonly OpenEntry[];
} {
  return { unseen: open.filter(isUnseen), questioned: open.filter((part) => !isUnseen(part)) };
}
