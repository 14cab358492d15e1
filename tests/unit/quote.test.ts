import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Slip } from '@/model/quote';
import type { RecordContent } from '@/model/recordKinds';
import { decideUnit } from '@/server/decide/decide';
import {
  answerQuote,
  readLetterState,
  readQuoteAnswers,
  replyToOwner,
  takeBackAnswer,
} from '@/server/report/answerQuote';
import { makeCustomerLink, readLetter, withdrawCustomerLinks } from '@/server/report/customerLink';
import { issueReport, readReport } from '@/server/report/issueReport';
import { ownerByToken } from '@/server/report/letterCase';
import { printReport } from '@/server/report/printReport';
import { keepRecord } from '@/server/strip/keepRecord';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
  decideUnit(shop.people.lead, shop.context, {
    ...captureHead(jobId, shop.people.lead),
    ...{ version: 0, decision: 'repair', reason: 'New bearing.', watch: '' },
  });
});
afterEach(() => shop.close());

const slip = (id: Slip['id'], price: number): Slip => ({
  ...{ id, name: `Way ${id}`, price, total: Math.round(price * 1.25), readyOn: '2026-12-02' },
  ...{ warrantyMonths: 12, note: '' },
});
const quote = (slips: readonly Slip[], over: object = {}): RecordContent => ({
  ...{ what: 'quote-made', sign: 'kr', digits: 2, taxPercent: 25, slips: [...slips] },
  ...{ ifNothing: 'Do not use it until it is repaired.', ...over },
});
const offer = (content: RecordContent, by = shop.people.lead) =>
  keepRecord(by, shop.context, { ...captureHead(jobId, by), content });
/** The offer goes out in a letter; its token and number. */
const sendOut = (...slips: Slip[]) => {
  offer(quote(slips));
  const { number } = issueReport(shop.people.lead, shop.context, { jobId, reason: 'it is to be chosen' });
  return { number, ...makeCustomerLink(shop.people.lead, shop.context, { jobId, number }) };
};
/** What stood on his slip: the way's own sum with tax. */
const seenOf = (token: string, over: { slip?: string }): number => {
  const { issue } = readLetter(ownerByToken(shop.context, token), shop.context, undefined);
  return issue.document.quote!.slips.find(({ id }) => id === (over.slip ?? 'repair'))?.total ?? 0;
};
const yes = (token: string, over: object = {}) =>
  answerQuote(ownerByToken(shop.context, token), shop.context, {
    ...{ slip: 'repair', name: 'Bero Stannick', seen: seenOf(token, over) },
    ...over,
  });

describe('an offer to the owner', () => {
  it('stands in the letter with its exact prices, in the paper too; a later one says what it offers otherwise', async () => {
    const { number } = sendOut(slip('repair', 1_442_000));
    const issue = readReport(shop.people.lead, shop.context, { jobId, number });
    const { document } = issue;
    expect(document.quote).toMatchObject({
      slips: [{ id: 'repair', price: 1_442_000, total: 1_802_500 }],
      ifNothing: expect.any(String),
    });
    const pdf = await printReport(shop.context, issue, 'A4');
    expect(pdf.subarray(0, 4).toString()).toBe('%PDF');
    offer(quote([slip('repair', 1_500_000), slip('exchange', 2_190_000)]));
    const { changes } = issueReport(shop.people.lead, shop.context, { jobId, reason: 'dearer' });
    expect(changes).toEqual([
      'Way repair: 18\u202f750 kr with tax instead of 18\u202f025 kr.',
      'Offered now: Way exchange, 27\u202f375 kr with tax.',
    ]);
  });

  it('is made by the lead alone, offers something, and costs no less with tax', () => {
    expect(refused(() => offer(quote([slip('repair', 100)]), shop.people.inspector)).code).toBe('no-right');
    expect(refused(() => offer(quote([]))).code).toBe('bad-input');
    expect(refused(() => offer(quote([slip('repair', 1), slip('repair', 2)]))).code).toBe('bad-input');
    expect(refused(() => offer(quote([{ ...slip('repair', 100), total: 90 }]))).code).toBe('bad-input');
    expect(refused(() => offer(quote([slip('repair', 1)], { ifNothing: '' }))).code).toBe('bad-input');
  });
});

describe('the owner’s answer', () => {
  it('is kept with the exact text and price that he saw, the letter’s number and its digest', () => {
    const { token, number } = sendOut(slip('repair', 1_442_000), slip('exchange', 2_190_000));
    expect(yes(token)).toEqual({ answered: true });
    const { digest } = readReport(shop.people.lead, shop.context, { jobId, number });
    expect(readQuoteAnswers(shop.people.parts, shop.context, { jobId })).toMatchObject([
      { number, digest, name: 'Bero Stannick', slip: { id: 'repair', total: 1_802_500 }, takenBackAt: null },
    ]);
    expect(readLetterState(ownerByToken(shop.context, token), shop.context, undefined)).toMatchObject({
      answer: { name: 'Bero Stannick' },
      isOver: false,
      hasBegun: false,
    });
  });

  it('after the day until which the days held gets new days, and agrees to nothing that he hasn’t read', () => {
    // By hand: until Friday 27 November ready on Wednesday 2 December; answered on Tuesday 1 December, two working days later: Friday the 4th.
    offer(quote([slip('repair', 1_000)], { daysHoldUntil: '2026-11-27' }));
    const { number } = issueReport(shop.people.lead, shop.context, { jobId, reason: 'it is to be chosen' });
    const { token } = makeCustomerLink(shop.people.lead, shop.context, { jobId, number });
    const state = () => readLetterState(ownerByToken(shop.context, token), shop.context, undefined);
    const readyOf = () => state().quoteToday?.slips.map(({ readyOn }) => readyOn);
    shop.setTime('2026-11-27T20:00:00.000Z');
    expect(readyOf()).toEqual(['2026-12-02']);
    // A Saturday is no working day.
    shop.setTime('2026-11-28T09:00:00.000Z');
    expect(readyOf()).toEqual(['2026-12-02']);
    shop.setTime('2026-12-01T09:00:00.000Z');
    expect(readyOf()).toEqual(['2026-12-04']);
    // He read the page last week.
    expect(refused(() => yes(token, { ready: '2026-12-02' })).message).toContain('ready on 2026-12-04');
    expect(yes(token, { ready: '2026-12-04' })).toEqual({ answered: true });
    expect(state().answer?.slip).toMatchObject({ id: 'repair', readyOn: '2026-12-04', total: 1_250 });
    // The letter itself is frozen.
    const { document } = readReport(shop.people.lead, shop.context, { jobId, number });
    expect(document.quote?.slips[0]?.readyOn).toBe('2026-12-02');
  });

  it('of two the first holds, and the second is told', () => {
    const { token } = sendOut(slip('repair', 1_000), slip('exchange', 2_000));
    yes(token);
    expect(refused(() => yes(token, { slip: 'exchange', name: 'his brother' })).message).toContain(
      'has answered this letter already',
    );
    expect(readLetterState(ownerByToken(shop.context, token), shop.context, undefined).answer?.slip?.id).toBe(
      'repair',
    );
  });

  it('is taken back until parts are ordered, and stays readable', () => {
    const { token } = sendOut(slip('repair', 1_000), slip('exchange', 2_000));
    expect(
      refused(() => takeBackAnswer(ownerByToken(shop.context, token), shop.context, undefined)).message,
    ).toContain('Nothing is answered');
    yes(token);
    takeBackAnswer(ownerByToken(shop.context, token), shop.context, undefined);
    yes(token, { slip: 'exchange' });
    expect(
      readQuoteAnswers(shop.people.lead, shop.context, { jobId }).map(({ slip: own, takenBackAt }) => [
        own?.id,
        takenBackAt !== null,
      ]),
    ).toEqual(
      expect.arrayContaining([
        ['repair', true],
        ['exchange', false],
      ]),
    );
  });

  it('to a letter that a newer offer has overtaken is refused; the newer one needs its own', () => {
    const old = sendOut(slip('repair', 1_000));
    yes(old.token);
    const fresh = sendOut(slip('repair', 1_200));
    expect(readLetterState(ownerByToken(shop.context, old.token), shop.context, undefined).isOver).toBe(true);
    expect(readLetterState(ownerByToken(shop.context, fresh.token), shop.context, undefined)).toMatchObject({
      answer: undefined,
      isOver: false,
    });
    takeBackAnswer(ownerByToken(shop.context, old.token), shop.context, undefined);
    expect(refused(() => yes(old.token)).message).toContain('a newer offer');
    expect(yes(fresh.token)).toEqual({ answered: true });
  });

  it('takes single lines along: what the way holds already costs nothing more, and the sum is the one that he saw', () => {
    const line = (id: string, price: number, within: string[]) => ({
      ...{ id, name: `Line ${id}`, note: '', price, total: price * 2, within },
    });
    offer(
      quote([slip('repair', 1_000), slip('repair-preventive', 2_000)], {
        lines: [line('bearings', 300, ['repair-preventive']), line('seals', 50, [])],
      }),
    );
    const { number } = issueReport(shop.people.lead, shop.context, { jobId, reason: 'to choose' });
    const { token } = makeCustomerLink(shop.people.lead, shop.context, { jobId, number });
    // By hand: 1 000 × 1.25 + 600 + 100; 2 000 × 1.25 + 100, the bearings being in it.
    expect(refused(() => yes(token, { lines: ['bearings', 'seals'], seen: 1_950.5 })).code).toBe('bad-input');
    expect(refused(() => yes(token, { lines: ['bearings', 'seals'], seen: 1_949 })).message).toContain(
      'not the sum that stood on your slip',
    );
    expect(refused(() => yes(token, { lines: ['wheels'], seen: 1_250 })).message).toContain('no such offer');
    const chosen = { slip: 'repair-preventive', lines: ['bearings', 'seals'], seen: 2_600 };
    expect(yes(token, chosen)).toEqual({ answered: true });
    expect(readQuoteAnswers(shop.people.lead, shop.context, { jobId })).toMatchObject([
      { slip: { id: 'repair-preventive', lines: [{ id: 'seals', total: 100 }], toPay: 2_600 } },
    ]);
    offer(quote([slip('repair', 1_000)], { lines: [line('bearings', 400, [])] }));
    const { changes } = issueReport(shop.people.lead, shop.context, { jobId, reason: 'dearer' });
    expect(changes).toEqual([
      'Line bearings: 8 kr with tax instead of 6 kr.',
      'No longer offered: Way repair-preventive.',
      'No longer offered: Line seals.',
    ]);
  });

  it('that is a question gets one reply, which stands in the letter', () => {
    const { token } = sendOut(slip('repair', 1_000));
    answerQuote(ownerByToken(shop.context, token), shop.context, { name: 'Bero', question: 'How long?' });
    const questionId = readQuoteAnswers(shop.people.lead, shop.context, { jobId })[0]!.id;
    const reply = (words: string, by = shop.people.lead) =>
      replyToOwner(by, shop.context, { jobId, questionId, words });
    expect(refused(() => reply('Two days.', shop.people.inspector)).code).toBe('no-right');
    expect(refused(() => reply(' ')).code).toBe('bad-input');
    reply('Two days.');
    expect(refused(() => reply('Three days.')).code).toBe('conflict');
    expect(
      readLetterState(ownerByToken(shop.context, token), shop.context, undefined).questions,
    ).toMatchObject([{ question: 'How long?', reply: 'Two days.', repliedBy: 'The lead' }]);
  });

  it('may be a question', () => {
    const { token } = sendOut(slip('repair', 1_000));
    expect(
      answerQuote(ownerByToken(shop.context, token), shop.context, {
        name: 'Bero',
        question: 'Can it wait until spring?',
      }),
    ).toEqual({ answered: false });
    expect(readLetterState(ownerByToken(shop.context, token), shop.context, undefined)).toMatchObject({
      answer: undefined,
      questions: [{ question: 'Can it wait until spring?' }],
    });
  });

  it.each([
    ['nothing chosen', { slip: '' }, 'Choose one of the offers'],
    ['an offer that there is not', { slip: 'gold' }, 'no such offer'],
    ['no name', { name: ' ' }, 'fill this in'],
    ['a name of 10 000 characters', { name: 'x'.repeat(10_000) }, 'at most 80'],
    ['a question of 10 000 characters', { question: 'x'.repeat(10_000) }, 'at most 600'],
  ])('with %s is refused, and nothing is stored', (_, over, words) => {
    const { token } = sendOut(slip('repair', 1_000));
    expect(refused(() => yes(token, over)).message).toContain(words);
    expect(readQuoteAnswers(shop.people.lead, shop.context, { jobId })).toEqual([]);
  });

  it('by a wrong, withdrawn or expired link, or by a script, is refused', () => {
    const { token } = sendOut(slip('repair', 1_000));
    expect(refused(() => yes('x'.repeat(43))).code).toBe('not-found');
    for (let asked = 0; asked < 12; asked += 1)
      answerQuote(ownerByToken(shop.context, token), shop.context, { name: 'Bero', question: 'and now?' });
    expect(refused(() => yes(token)).code).toBe('slow-down');
    shop.setTime('2026-11-24T11:00:00.000Z');
    expect(yes(token)).toEqual({ answered: true });
    shop.setTime('2027-02-01T09:00:00.000Z');
    expect(
      refused(() => takeBackAnswer(ownerByToken(shop.context, token), shop.context, undefined)).code,
    ).toBe('gone');
    shop.setTime('2026-11-24T12:00:00.000Z');
    withdrawCustomerLinks(shop.people.lead, shop.context, { jobId });
    expect(
      refused(() => takeBackAnswer(ownerByToken(shop.context, token), shop.context, undefined)).code,
    ).toBe('gone');
  });
});
