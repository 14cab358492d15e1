import fs from 'node:fs';
import * as v from 'valibot';
import { customerPaper } from '@/core/report/customerPaper';
import { paperCsv } from '@/core/report/paperCsv';
import { paperHtml } from '@/core/report/paperHtml';
import { reportName } from '@/core/report/reportName';
import type { AnyIssue } from '@/db/reports';
import { IdSchema } from '@/model/ids';
import type { Paper } from '@/model/paper';
import type { ReportPhotograph } from '@/model/report';
import type { UnitType } from '@/model/unitType';
import type { Context } from '../context';
import { derivedPhotograph } from '../photos/readPhotograph';
import { Refusal } from '../refusal';
import { shopZone } from '../shopDay';
import { defineUseCase } from '../useCase';
import { readIssue } from './issueReport';
import { printPaper } from './paper/printPaper';
import type { Pictures } from './paper/printPhotographs';
import type { PaperSize } from './paper/sheet';
import { typeNamed } from './typeOfIssue';

/** An issued report as it is read: what it says, with what changed since the issue before at its head. */
function paperOf(issue: AnyIssue): Paper {
  if (issue.kind === 'customer') return customerPaper(issue);
  const { document, number, changes, previous } = issue;
  const changed = {
    ...{ id: 'changes', title: `What changed since issue ${previous ?? number - 1}` },
    blocks: [{ as: 'list' as const, lines: changes }],
  };
  return {
    ...document,
    title: `${document.title} (${document.peg}-${number})`,
    sections: changes.length > 0 ? [changed, ...document.sections] : document.sections,
  };
}

/** The report on paper: A4 or Letter, page numbers and digest on every page, photographs without their EXIF. */
export async function printReport(context: Context, issue: AnyIssue, size: PaperSize): Promise<Buffer> {
  const paper = paperOf(issue);
  return printPaper(paper, {
    ...{ size, at: issue.issuedAt, issued: issuedWords(issue, context) },
    foot: [`Report ${reportName(issue)}`, `Digest ${issue.digest}`],
    pictures: await loadPictures(context, photographsIn(paper)),
    typeOf: typeReader(context, issue),
  });
}

const issuedWords = ({ issuedAt, issuedBy }: AnyIssue, context: Context): string =>
  `Issued ${longDate(issuedAt, shopZone(context))} by ${issuedBy}`;

/** A drawing is made anew from the revision of the type that the report was judged by, which never changes. */
const typeReader =
  ({ db }: Context, { jobId }: AnyIssue) =>
  (id: string, revision: number): UnitType | undefined =>
    typeNamed(db, jobId, id, revision);

export const EXPORTS = ['pdf', 'html', 'csv', 'json'] as const;

interface Exported {
  readonly name: string;
  readonly type: string;
  readonly bytes: Uint8Array;
}

/** A report of whichever kind as a file in an open format. */
export const exportReport = defineUseCase(
  'report.read',
  v.object({
    jobId: IdSchema,
    number: v.pipe(v.number(), v.integer(), v.minValue(1)),
    as: v.picklist(EXPORTS, 'a report is exported as PDF, HTML, CSV or JSON'),
    paper: v.optional(v.picklist(['A4', 'LETTER']), 'A4'),
  }),
  async (actor, context, { jobId, number, as, paper: size }): Promise<Exported> => {
    const issue = readIssue(actor, context, { jobId, number });
    const name = `report-${reportName(issue)}.${as}`;
    const file = (type: string, bytes: Uint8Array): Exported => ({ name, type, bytes });
    if (as === 'pdf') return file('application/pdf', await printReport(context, issue, size));
    if (as === 'csv') return file('text/csv; charset=utf-8', Buffer.from(paperCsv(paperOf(issue))));
    if (as === 'json') return file('application/json', Buffer.from(asJson(issue)));
    const paper = paperOf(issue);
    const pictures = await loadPictures(context, photographsIn(paper));
    const html = paperHtml(paper, {
      issued: issuedWords(issue, context),
      foot: `Report ${reportName(issue)}. Digest ${issue.digest}`,
      pictureOf: (id) => {
        const picture = pictures.get(id);
        return typeof picture === 'string' || picture === undefined
          ? undefined
          : `data:image/jpeg;base64,${picture.toString('base64')}`;
      },
      typeOf: typeReader(context, issue),
    });
    return file('text/html; charset=utf-8', Buffer.from(html));
  },
);

/** The frozen text stands in it exactly as the digest was taken of it. */
const asJson = ({
  number,
  kind,
  digest,
  previousDigest,
  issuedAt,
  issuedBy,
  changes,
  documentText,
}: AnyIssue) =>
  `${JSON.stringify({ number, kind, digest, previousDigest, issuedAt, issuedBy, changes }).slice(0, -1)},"document":${documentText}}\n`;

const photographsIn = ({ sections }: Paper): ReportPhotograph[] =>
  sections.flatMap(({ blocks }) =>
    blocks.flatMap((block) => (block.as === 'photographs' ? block.photographs : [])),
  );

/** So many are made small at once: the decoder has threads of its own. */
const AT_ONCE = 4;

/** Pictures are made small off the main thread before drawing starts; one that is missing or altered is told, not fatal. */
async function loadPictures(context: Context, photographs: readonly ReportPhotograph[]): Promise<Pictures> {
  const pictures = new Map<string, Buffer | string>();
  const waiting = [...photographs];
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const file = await derivedPhotograph(context, next.digest, 1280).catch((error: unknown) => error);
      pictures.set(
        next.id,
        typeof file === 'string'
          ? await fs.promises.readFile(file)
          : file instanceof Refusal
            ? file.message
            : 'This photograph can’t be read from the shop’s files.',
      );
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return pictures;
}

/** The shop's day of an instant, as 24 Nov 2026. */
const longDate = (instant: string, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', {
    ...{ day: 'numeric', month: 'short', year: 'numeric' },
    timeZone,
  }).format(new Date(instant));
