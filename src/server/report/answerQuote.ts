import * as v from 'valibot';
import { sameContent } from '@/core/canonicalJson';
import { tellMoney } from '@/core/planning/money';
import { quoteOn } from '@/core/planning/promise';
import { chooseSlip } from '@/core/report/chooseSlip';
import { recordsOf } from '@/core/strip/recordsOf';
import { listRecords } from '@/db/captures';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import {
  countAnswersSince,
  insertQuoteAnswer,
  listQuoteAnswers,
  replyToQuestion,
  takeBackQuoteAnswer,
} from '@/db/quoteAnswers';
import { findReportIssue, lastIssue } from '@/db/reports';
import { readShopCalendar } from '@/db/shop';
import { IdSchema, words } from '@/model/ids';
import type { Owner } from '@/model/people';
import type { ChosenSlip, Quote, QuoteAnswer } from '@/model/quote';
import { type Context, instant } from '../context';
import { openJob } from '../job/openJob';
import { Refusal } from '../refusal';
import { shopToday } from '../shopDay';
import { defineUseCase } from '../useCase';
import { defineLetterCase } from './letterCase';

/* What the holder of a customer's link may do: answer the quote that he reads, ask about it, take his answer back. */

/** Nobody answers one letter more often than this in an hour; a script does. */
const MOST_AN_HOUR = 12;
const HOUR_MS = 3_600_000;

/** In the change log he stands for himself: he is none of the shop’s people. */
const OWNER = 'owner';

const AnswerSchema = v.object({
  slip: v.optional(v.string(), ''),
  /** Single lines that he ticked. */
  lines: v.optional(v.pipe(v.array(IdSchema), v.maxLength(12)), []),
  /** The sum that stood before him, with tax, in the smallest unit. */
  seen: v.optional(v.pipe(v.number('the sum is missing'), v.integer())),
  /** The day on which it would be ready, as it stood before him. */
  ready: v.optional(v.string()),
  name: words(80, 1),
  question: v.optional(words(600), ''),
});

export interface LetterState {
  /** The answer that holds. */
  readonly answer: QuoteAnswer | undefined;
  readonly questions: readonly QuoteAnswer[];
  /** A later issue offers something else: this one can’t be answered any more. */
  readonly isOver: boolean;
  /** Parts are ordered: an answer isn’t taken back by itself any more. */
  readonly hasBegun: boolean;
  /** The offer with the days that hold if it is answered today. */
  readonly quoteToday: Quote | undefined;
}

function stateOf(context: Context, { jobId, number }: Owner): LetterState {
  const { db } = context;
  const all = listQuoteAnswers(db, jobId).filter((each) => each.number === number);
  const { document } = findReportIssue(db, jobId, number)!;
  const newest = lastIssue(db, jobId, 'customer')!;
  const offersNow = newest.kind === 'customer' ? newest.document.quote : undefined;
  return {
    answer: all.find(({ slip, takenBackAt }) => slip !== null && takenBackAt === null),
    questions: all.filter(({ question }) => question !== ''),
    isOver: newest.number !== number && !sameContent(offersNow, document.quote),
    hasBegun: recordsOf(listRecords(db, jobId), 'parts-ordered').length > 0,
    quoteToday: document.quote && quoteOn(document.quote, shopToday(context), readShopCalendar(db)),
  };
}

/** Where a letter’s quote stands. */
export const readLetterState = defineLetterCase(
  'letter.read',
  v.undefined(),
  (owner, context): LetterState => stateOf(context, owner),
);

/** Stores what the owner says: the slip that he chose with the exact text and price that he saw, or a question. */
export const answerQuote = defineLetterCase(
  'letter.answer',
  AnswerSchema,
  (owner, context, { slip: chosen, lines, seen, ready, name, question }): { readonly answered: boolean } => {
    const { jobId, number } = owner;
    const { db } = context;
    const { digest } = findReportIssue(db, jobId, number)!;
    const { quoteToday } = stateOf(context, owner);
    if (chosen === '' && question === '')
      throw new Refusal('bad-input', 'Choose one of the offers, or ask something.', {
        faults: [{ path: 'slip', message: 'nothing is chosen' }],
      });
    const slip = chosen === '' ? null : whatWasSeen(quoteToday, { chosen, lines, seen, ready });
    const at = instant(context);
    return inTransaction(db, () => {
      if (slip && stateOf(context, owner).isOver)
        throw new Refusal(
          'stale',
          'We have sent you a newer offer since. Please answer that one; this one is over.',
        );
      const since = new Date(context.now().getTime() - HOUR_MS).toISOString();
      if (countAnswersSince(db, jobId, number, since) >= MOST_AN_HOUR)
        throw new Refusal(
          'slow-down',
          'So many answers came to this letter in the last hour that we take no more for now. Please call us.',
        );
      const answer = { id: context.newId(), jobId, number, digest, slip, name, question, at };
      if (!insertQuoteAnswer(db, answer))
        throw new Refusal(
          'conflict',
          'Somebody has answered this letter already. His answer holds; please read the letter again.',
        );
      logChange(db, {
        ...{ at, by: OWNER, jobId, topic: 'quote answer', subject: `${jobId}/${number}`, before: null },
        after: { name, slip, digest, question },
      });
      return { answered: slip !== null };
    });
  },
);

interface Seen {
  readonly chosen: string;
  readonly lines: readonly string[];
  readonly seen: number | undefined;
  readonly ready: string | undefined;
}

/** The way and the lines that he chose; refused where they come to another sum, or another day, than the one that he read. */
function whatWasSeen(quote: Quote | undefined, { chosen, lines, seen, ready }: Seen): ChosenSlip {
  const slip = quote && chooseSlip(quote, chosen, lines);
  if (!slip) throw new Refusal('bad-input', 'This letter makes no such offer.');
  if (slip.toPay !== seen)
    throw new Refusal(
      'stale',
      `What you chose comes to ${tellMoney(slip.toPay, quote)} with tax, and that is not the sum that stood on your slip. Please look at it again.`,
    );
  if (ready !== undefined && ready !== (slip.readyOn ?? ''))
    throw new Refusal(
      'stale',
      `Chosen today it is ready on ${slip.readyOn ?? 'a day that we can’t name'}, and that is not the day that stood on your slip. Please look at it again.`,
    );
  return slip;
}

/** The owner has changed his mind; until parts are ordered he may. */
export const takeBackAnswer = defineLetterCase(
  'letter.answer',
  v.undefined(),
  (owner, context): { readonly takenBack: true } => {
    const { jobId, number } = owner;
    const { answer, hasBegun } = stateOf(context, owner);
    if (!answer) throw new Refusal('conflict', 'Nothing is answered yet.');
    if (hasBegun) throw new Refusal('conflict', 'Work has begun: parts are ordered. Please call us.');
    inTransaction(context.db, () => {
      const at = instant(context);
      takeBackQuoteAnswer(context.db, answer.id, at);
      logChange(context.db, {
        ...{ at, by: OWNER, jobId, topic: 'quote answer', subject: `${jobId}/${number}` },
        ...{ before: { slip: answer.slip, name: answer.name }, after: null },
      });
    });
    return { takenBack: true };
  },
);

/** What owners have answered and asked, for the shop. */
export const readQuoteAnswers = defineUseCase(
  'report.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, { jobId }) => {
    openJob(db, jobId);
    return listQuoteAnswers(db, jobId);
  },
);

/** The shop's reply to an owner's question; it stands in his letter from then on, and isn't changed. */
export const replyToOwner = defineUseCase(
  'quote.send',
  v.object({ jobId: IdSchema, questionId: IdSchema, words: words(600, 1) }),
  (actor, context, { jobId, questionId, words: reply }) =>
    inTransaction(context.db, () => {
      const { db } = context;
      openJob(db, jobId);
      const at = instant(context);
      if (!replyToQuestion(db, { id: questionId, jobId, words: reply, by: actor.id, at }))
        throw new Refusal('conflict', 'There is no such question, or somebody has replied to it already.');
      logChange(db, {
        ...{ at, by: actor.id, jobId, topic: 'quote answer', subject: questionId },
        after: { reply },
      });
      return { at };
    }),
);
