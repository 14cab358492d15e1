import fs from 'node:fs';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { decideUnit } from '@/server/decide/decide';
import { readMail, readOutbox, sendLetter } from '@/server/mail/sendLetter';
import { readLetter } from '@/server/report/customerLink';
import { issueReport } from '@/server/report/issueReport';
import { ownerByToken } from '@/server/report/letterCase';
import { bookTestUnit, captureHead, openTestShop, type TestShop } from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
  const { lead } = shop.people;
  decideUnit(lead, shop.context, {
    ...captureHead(jobId, lead),
    ...{ version: 0, decision: 'repair', reason: 'New bearing.', watch: '' },
  });
  issueReport(lead, shop.context, { jobId, reason: 'it is to be read' });
});
afterEach(() => shop.close());

const send = async (over: object = {}) =>
  sendLetter(shop.people.lead, shop.context, {
    ...{ jobId, number: 1, to: 'farm@example.test', origin: 'https://shop.example.test' },
    ...over,
  });
/** As a mail program reads it: long lines joined again, signs out of their codes. */
const plain = (quoted: string) =>
  quoted
    .replace(/=\r\n/g, '')
    .replace(/=([0-9A-F]{2})/g, (_, hex: string) => String.fromCharCode(Number.parseInt(hex, 16)));

describe('a letter by mail', () => {
  it('lies in the outbox as a message that any program opens, with a link that opens that letter, and its paper', async () => {
    const { mailId } = await send();
    const [mail] = readOutbox(shop.people.lead, shop.context, undefined);
    expect(mail).toMatchObject({ id: mailId, peg: 501, recipient: 'farm@example.test', by: 'The lead' });
    const { bytes } = await readMail(shop.people.lead, shop.context, { mailId });
    const text = bytes.toString('latin1');
    expect(text).toMatch(/^(From|Message-ID|To|Subject|Date|MIME-Version|Content-Type): /m);
    expect(text).toContain('To: farm@example.test');
    expect(text).toContain('filename=report-501-1.pdf');
    const token = /https:\/\/shop\.example\.test\/letter\/([\w-]+)/.exec(plain(text))![1]!;
    const { issue } = readLetter(ownerByToken(shop.context, token), shop.context, undefined);
    expect(issue).toMatchObject({ number: 1, jobId });
    // The token itself stands in the message alone.
    expect(shop.context.db.serialize().includes(token)).toBe(false);
    const paper = /Content-Type: application\/pdf[\s\S]*?\r\n\r\n([\s\S]*?)\r\n--/.exec(text)![1]!;
    expect(Buffer.from(paper, 'base64').subarray(0, 4).toString()).toBe('%PDF');
  });

  it.each([
    ['no address', { to: '' }, 'no mail address'],
    ['words', { to: 'the farm' }, 'no mail address'],
    ['two heads in one', { to: 'a@example.test\r\nBcc: b@example.test' }, 'no mail address'],
    ['10 000 characters', { to: `${'a'.repeat(10_000)}@example.test` }, 'at most 120'],
    ['a letter that there is not', { number: 7 }, 'no report 7'],
  ])('to %s is refused, and nothing lies in the outbox', async (_, over, words) => {
    await expect(send(over)).rejects.toThrow(words);
    expect(readOutbox(shop.people.lead, shop.context, undefined)).toEqual([]);
    expect(fs.existsSync(path.join(shop.context.dataFolder, 'outbox'))).toBe(false);
    expect(shop.context.db.prepare('SELECT count(*) AS n FROM report_links').get()).toEqual({ n: 0 });
  });

  it('that is gone from the outbox is told', async () => {
    const { mailId } = await send();
    fs.rmSync(path.join(shop.context.dataFolder, 'outbox'), { recursive: true });
    await expect(readMail(shop.people.lead, shop.context, { mailId })).rejects.toThrow(
      'no longer in the outbox',
    );
  });
});
