import fs from 'node:fs';
import PDFDocument from 'pdfkit';
import { drawMark, penOf } from '@/core/imaging/marks';
import { groupOpen, groupWorn } from '@/core/report/groupOpen';
import type { ReportIssue } from '@/db/reports';
import type { ReportPart, ReportPhotograph } from '@/model/report';
import type { Context } from '../context';
import { collectPdf, registerFonts } from '../pdf';
import { derivedPhotograph } from '../photos/readPhotograph';
import { Refusal } from '../refusal';
import { shopZone } from '../shopDay';
import { drawGradeGlyph } from './gradeGlyph';

const INK = '#13252C';
const SECOND = '#47555A';
const BLUE = '#0C4052';
const OXIDE = '#98290F';
const RULE = '#7B827C';
const MARGIN = 54;
const PICTURE_WIDTH = 236;
const PICTURE_HEIGHT = 158;
const BRASS = '#E3B354';

type Sheet = PDFKit.PDFDocument;

/** The report on paper: A4 or Letter, page numbers and digest on every page, photographs without their EXIF. */
export async function printReport(
  context: Context,
  issue: ReportIssue,
  paper: 'A4' | 'LETTER',
): Promise<Buffer> {
  const { document: report } = issue;
  const sheet = new PDFDocument({
    size: paper,
    margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: 72 },
    bufferPages: true,
    info: {
      Title: `Report ${report.unit.peg}-${issue.number}`,
      Author: report.shop.name,
      CreationDate: new Date(issue.issuedAt),
    },
  });
  registerFonts(sheet);
  const finished = collectPdf(sheet);
  const pictures = await loadPictures(context, [...report.damaged, ...report.worn]);

  letterHead(sheet, issue, shopZone(context));
  if (issue.changes.length > 0)
    section(sheet, `What changed since issue ${issue.number - 1}`, () => bullets(sheet, issue.changes));
  section(sheet, 'Your complaint', () => {
    paragraph(sheet, `“${report.complaint}”`);
    if (report.symptoms.length > 0) paragraph(sheet, report.symptoms.join('; '), SECOND);
  });
  section(sheet, 'What we found', () => {
    if (report.damaged.length === 0) paragraph(sheet, 'No part was graded “on the edge” or worse.');
    for (const part of report.damaged) damagedPart(sheet, part, pictures);
  });
  section(sheet, 'Why', () => {
    if (!report.cause) return paragraph(sheet, 'The cause is not known yet.');
    paragraph(sheet, report.cause.words);
    paragraph(
      sheet,
      `How sure we are: ${report.cause.sureness}.${report.cause.firstFailure ? ` What failed first, as far as we can tell: ${report.cause.firstFailure}.` : ''}`,
      SECOND,
    );
  });
  section(sheet, 'What we propose', () => {
    if (report.proposal) paragraph(sheet, `${report.proposal.decision}. ${report.proposal.reason}`);
    for (const { decision, parts } of report.partDecisions) labelled(sheet, decision, parts.join(', '));
  });
  if (report.evidence && report.evidence.length > 0)
    section(sheet, 'What else we saw', () => {
      for (const { title, lines } of report.evidence ?? []) labelled(sheet, title, lines.join(' '));
    });
  const worn = groupWorn(report.worn);
  if (worn.within.length > 0)
    section(sheet, 'Worn, within limits', () => paragraph(sheet, names(worn.within)));
  if (worn.byEye.length > 0)
    section(sheet, 'Worn, judged by eye: no limit is known', () => paragraph(sheet, names(worn.byEye)));
  if (report.sound.length > 0)
    section(sheet, 'Looked at and sound', () => paragraph(sheet, names(report.sound)));
  if (report.open.length > 0) {
    section(sheet, 'Not settled', () => {
      paragraph(sheet, 'These are open questions. They are not a sign that a part is good.', SECOND);
      if (report.issuedDespite)
        paragraph(
          sheet,
          `Issued all the same by ${report.issuedDespite.by}: ${report.issuedDespite.reason.replace(/[.\s]+$/, '')}.`,
        );
      const { unseen, questioned } = groupOpen(report.open);
      for (const { name, questions } of questioned) labelled(sheet, name, questions.join('; '));
      if (unseen.length > 0) labelled(sheet, 'Not looked at', unseen.map(({ name }) => name).join(', '));
    });
  }
  if (report.watch) section(sheet, 'What to watch', () => paragraph(sheet, report.watch));
  section(sheet, 'Cautions', () => {
    for (const { title, words } of report.cautions) labelled(sheet, title, words);
  });
  footers(sheet, issue);
  sheet.end();
  return finished;
}

/** A picture for the paper, or the words that stand in its place. */
type Pictures = ReadonlyMap<string, Buffer | string>;

/** Pictures are made small off the main thread before drawing starts; one that is missing or altered is told, not fatal. */
async function loadPictures(context: Context, parts: readonly ReportPart[]): Promise<Pictures> {
  const pictures = new Map<string, Buffer | string>();
  for (const { id, digest } of parts.flatMap((part) => part.photographs)) {
    const file = await derivedPhotograph(context, digest, 1280).catch((error: unknown) => error);
    pictures.set(
      id,
      typeof file === 'string'
        ? fs.readFileSync(file)
        : file instanceof Refusal
          ? file.message
          : 'This photograph can’t be read from the shop’s files.',
    );
  }
  return pictures;
}

const width = (sheet: Sheet) => sheet.page.width - 2 * MARGIN;
const names = (parts: readonly ReportPart[]) =>
  parts.map((part) => `${part.name} (${part.grade}, ${part.gradeWord})`).join(', ');

function letterHead(
  sheet: Sheet,
  { document: report, number, issuedAt, issuedBy }: ReportIssue,
  timeZone: string,
): void {
  const { unit, shop } = report;
  sheet.font('bold').fontSize(15).fillColor(BLUE).text(shop.name, MARGIN, MARGIN);
  sheet
    .font('text')
    .fontSize(9)
    .fillColor(SECOND)
    .text([shop.place, shop.contact].filter(Boolean).join(' · '));
  sheet
    .moveDown(0.6)
    .strokeColor(BLUE)
    .lineWidth(1.5)
    .moveTo(MARGIN, sheet.y)
    .lineTo(MARGIN + width(sheet), sheet.y)
    .stroke();
  sheet.moveDown(0.8).font('bold').fontSize(19).fillColor(INK).text(`Report ${unit.peg}-${number}`);
  sheet.font('text').fontSize(10.5).text(`${unit.title}, ${unit.machine}`);
  const facts = [
    ['For', unit.customer],
    ['Serial', unit.serial || 'not given'],
    [
      'Run',
      unit.distanceKm === null
        ? 'not given'
        : `${unit.distanceKm.toLocaleString('en').replace(/,/g, ' ')} km`,
    ],
    ['Oil claimed', report.oilClaimed || 'not given'],
    ['Issued', `${longDate(issuedAt, timeZone)} by ${issuedBy}`],
  ];
  sheet.moveDown(0.4);
  for (const [label, value] of facts) labelled(sheet, label ?? '', value ?? '');
}

/** The shop's day of an instant, as 24 Nov 2026. */
const longDate = (instant: string, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone,
  }).format(new Date(instant));

function section(sheet: Sheet, title: string, body: () => void): void {
  if (sheet.y > sheet.page.height - 150) sheet.addPage();
  sheet.moveDown(0.9).font('bold').fontSize(12.5).fillColor(BLUE).text(title, MARGIN);
  sheet
    .strokeColor(RULE)
    .lineWidth(0.5)
    .moveTo(MARGIN, sheet.y + 1)
    .lineTo(MARGIN + width(sheet), sheet.y + 1)
    .stroke();
  sheet.moveDown(0.35);
  body();
}

function paragraph(sheet: Sheet, text: string, colour = INK): void {
  sheet
    .font('text')
    .fontSize(10)
    .fillColor(colour)
    .text(text, MARGIN, sheet.y, { width: width(sheet), lineGap: 1.5 });
}

function labelled(sheet: Sheet, label: string, text: string): void {
  sheet
    .font('bold')
    .fontSize(10)
    .fillColor(INK)
    .text(`${label}: `, MARGIN, sheet.y, { continued: true, width: width(sheet), lineGap: 1.5 });
  sheet.font('text').text(text);
}

function bullets(sheet: Sheet, lines: readonly string[]): void {
  for (const line of lines) paragraph(sheet, `–  ${line}`);
}

function damagedPart(sheet: Sheet, part: ReportPart, pictures: Pictures): void {
  if (sheet.y > sheet.page.height - 180) sheet.addPage();
  sheet.moveDown(0.5);
  const top = sheet.y;
  drawGradeGlyph(sheet, part.grade, MARGIN, top, part.grade >= 4 ? OXIDE : BLUE);
  sheet
    .font('bold')
    .fontSize(11.5)
    .fillColor(INK)
    .text(`${part.name} – ${part.grade}, ${part.gradeWord}`, MARGIN + 24, top + 1);
  sheet.moveDown(0.2);
  for (const line of part.seen) paragraph(sheet, line);
  for (const { title, value, limit, source, plain } of part.measured) {
    labelled(sheet, title, `${value}; limit: ${limit}${source ? ` (${source})` : ''}. ${plain}`);
  }
  labelled(sheet, 'Decision', part.decision);
  pictureRow(sheet, part, pictures);
}

function pictureRow(sheet: Sheet, part: ReportPart, pictures: Pictures): void {
  const shown = part.photographs;
  for (let first = 0; first < shown.length; first += 2) {
    if (sheet.y > sheet.page.height - 72 - 185) sheet.addPage();
    const top = sheet.y + 6;
    shown.slice(first, first + 2).forEach((photograph, column) => {
      const { id, caption } = photograph;
      const left = MARGIN + column * (PICTURE_WIDTH + 14);
      const picture = pictures.get(id);
      if (picture !== undefined && typeof picture !== 'string') {
        sheet.image(picture, left, top, { fit: [PICTURE_WIDTH, PICTURE_HEIGHT] });
        drawMarks(sheet, photograph, [left, top]);
      }
      const text = typeof picture === 'string' ? picture : `${caption}, photograph ${first + column + 1}`;
      sheet
        .font('text')
        .fontSize(8.5)
        .fillColor(SECOND)
        .text(text, left, top + 161, { width: PICTURE_WIDTH });
    });
    sheet.y = top + 178;
  }
}

/** What was drawn on a photograph, over its picture: the same strokes as on the screen. */
function drawMarks(
  sheet: Sheet,
  { marks = [], width: wide = 1, height: high = 1 }: ReportPhotograph,
  [left, top]: readonly [number, number],
): void {
  const picture = { width: wide, height: high };
  const scale = Math.min(PICTURE_WIDTH / wide, PICTURE_HEIGHT / high);
  const pen = penOf(picture);
  for (const mark of marks) {
    const { path, disc, words } = drawMark(mark, picture);
    sheet.save();
    sheet.translate(left, top).scale(scale);
    for (const [width, colour] of [
      [2.7 * pen, INK],
      [1.3 * pen, BRASS],
    ] as const)
      if (path) sheet.path(path).lineCap('round').lineWidth(width).stroke(colour);
    if (disc) sheet.circle(disc.at[0], disc.at[1], disc.radius).lineWidth(pen).fillAndStroke(BRASS, INK);
    if (words) {
      sheet
        .font('bold')
        .fontSize(words.size)
        .fillColor(disc ? INK : BRASS);
      const x = disc ? words.at[0] - sheet.widthOfString(words.text) / 2 : words.at[0];
      sheet.text(words.text, x, words.at[1] - 0.68 * words.size, { lineBreak: false });
    }
    sheet.restore();
  }
}

function footers(sheet: Sheet, { digest, number, document: { unit } }: ReportIssue): void {
  const { start, count } = sheet.bufferedPageRange();
  for (let page = start; page < start + count; page += 1) {
    sheet.switchToPage(page);
    sheet.page.margins.bottom = 0;
    const y = sheet.page.height - 46;
    sheet
      .strokeColor(RULE)
      .lineWidth(0.5)
      .moveTo(MARGIN, y - 6)
      .lineTo(MARGIN + width(sheet), y - 6)
      .stroke();
    sheet.font('text').fontSize(8).fillColor(SECOND);
    sheet.text(`Report ${unit.peg}-${number}, page ${page - start + 1} of ${count}`, MARGIN, y, {
      lineBreak: false,
    });
    sheet.text(`Digest ${digest}`, MARGIN, y + 11, { lineBreak: false });
  }
}
