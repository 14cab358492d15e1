import fs from 'node:fs/promises';
import path from 'node:path';
import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { findMail, insertMail, listMails } from '@/db/mails';
import { inTransaction } from '@/db/open';
import { findReportIssue, type ReportIssue } from '@/db/reports';
import { IdSchema } from '@/model/ids';
import { AddressSchema, type Mail } from '@/model/mail';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { makeCustomerLink } from '../report/customerLink';
import { printReport } from '../report/printReport';
import { shopZone } from '../shopDay';
import { defineUseCase } from '../useCase';
import { outboxOf, putMail } from './outbox';

const SendSchema = v.object({
  jobId: IdSchema,
  number: v.pipe(v.number(), v.integer(), v.minValue(1)),
  to: AddressSchema,
  /** Where the shop is reached from outside: the link begins with it. */
  origin: v.pipe(v.string(), v.url(), v.maxLength(200)),
});

/** Puts a letter with its link and its paper into the outbox. The link is made with it, and is stored nowhere but in the message. */
export const sendLetter = defineUseCase(
  'quote.send',
  SendSchema,
  async (actor, context, { jobId, number, to, origin }): Promise<{ readonly mailId: string }> => {
    const issue = findReportIssue(context.db, jobId, number);
    if (!issue) throw new Refusal('not-found', `The customer has no report ${number} of this unit.`);
    const pdf = await printReport(context, issue, 'A4');
    const { token, expiresAt } = makeCustomerLink(actor, context, { jobId, number });
    const id = context.newId();
    const { unit, shop } = issue.document;
    const subject = subjectOf(issue);
    const file = await putMail(context.dataFolder, {
      ...{ id, to, subject, date: context.now() },
      from: `"${shop.name.replace(/["\\\r\n]/g, '')}" <letters@stereotome.invalid>`,
      text: textOf(issue, `${origin}/letter/${token}`, dayOf(expiresAt, shopZone(context)), actor.name),
      attachments: [{ filename: `report-${unit.peg}-${number}.pdf`, content: pdf }],
    });
    inTransaction(context.db, () => {
      const at = instant(context);
      insertMail(context.db, { id, jobId, recipient: to, subject, file, by: actor.id, at });
      logChange(context.db, {
        ...{ at, by: actor.id, jobId, topic: 'mail', subject: id },
        after: { to, number },
      });
    });
    return { mailId: id };
  },
);

function subjectOf({ document: { unit, quote }, number }: ReportIssue): string {
  return `${unit.title}, ${unit.machine}: ${quote ? 'please choose' : 'what we found'} (${unit.peg}-${number})`;
}

function textOf({ document, changes }: ReportIssue, link: string, until: string, by: string): string {
  const { unit, shop, quote } = document;
  return [
    `Dear ${unit.customer},`,
    '',
    `we have looked at your unit: ${unit.title}, ${unit.machine}.`,
    ...(changes.length > 0 ? ['', 'Since our last letter:', ...changes.map((change) => `- ${change}`)] : []),
    '',
    quote
      ? `What we found and what we offer stands here; please choose by ${until}:`
      : `What we found stands here, until ${until}:`,
    link,
    '',
    'The same letter is attached for paper. The link opens this one job, without a password: please keep it to yourself.',
    '',
    by,
    [shop.name, shop.place, shop.contact].filter(Boolean).join(', '),
  ].join('\n');
}

const dayOf = (at: string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone }).format(
    new Date(at),
  );

const MOST_SHOWN = 100;

/** What would be sent, the newest first. */
export const readOutbox = defineUseCase('quote.send', v.undefined(), (_actor, { db }): Mail[] =>
  listMails(db, MOST_SHOWN),
);

/** One message as the file that it is. Its link opens a letter, so that only who sends letters may read it. */
export const readMail = defineUseCase(
  'quote.send',
  v.object({ mailId: IdSchema }),
  async (_actor, { db, dataFolder }, { mailId }) => {
    const mail = findMail(db, mailId);
    if (!mail) throw new Refusal('not-found', 'There is no such message.');
    const bytes = await fs.readFile(path.join(outboxOf(dataFolder), mail.file)).catch(() => undefined);
    if (!bytes) throw new Refusal('not-found', 'This message is no longer in the outbox.');
    return { name: mail.file, bytes, type: 'message/rfc822' };
  },
);
