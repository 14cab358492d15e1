import type { OpenQuestion } from '@/model/openQuestion';
import type { BenchRecord } from '@/model/snapshot';
import { type Recorded, recordsOf } from '../strip/recordsOf';

export interface AskedQuestion {
  readonly question: Recorded<'asked'>;
  readonly answers: readonly Recorded<'answered'>[];
  /** Who settled it, and with what words; undefined while it is open. */
  readonly settled: Recorded<'question-settled'> | undefined;
}

/** What colleagues were asked in a job, in the order in which it was asked. */
export function askedOf(records: readonly BenchRecord[]): AskedQuestion[] {
  const answers = recordsOf(records, 'answered');
  const settled = recordsOf(records, 'question-settled');
  return recordsOf(records, 'asked').map((question) => ({
    question,
    answers: answers.filter(({ content }) => content.askedId === question.id),
    settled: settled.find(({ content }) => content.askedId === question.id),
  }));
}

export const openAsked = (records: readonly BenchRecord[]): AskedQuestion[] =>
  askedOf(records).filter(({ settled }) => !settled);

export const askedOpenOf = (positionId: string, records: readonly BenchRecord[]): OpenQuestion[] =>
  openAsked(records)
    .filter(({ question }) => question.content.positionId === positionId)
    .map(({ question: { id, deviceTime } }) => ({
      ...({ code: 'colleague-asked', positionId, captureId: id } as const),
      since: deviceTime,
    }));
