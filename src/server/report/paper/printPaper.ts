import type { Paper, PaperBlock, PaperSection } from '@/model/paper';
import type { UnitType } from '@/model/unitType';
import { collectPdf, printable } from '../../pdf';
import { drawGradeGlyph } from '../gradeGlyph';
import { DRAWING_HIGH, printDrawing } from './printDrawing';
import { type Pictures, printPhotographs } from './printPhotographs';
import { leadOfTable, printTable } from './printTable';
import {
  decoration,
  element,
  grouped,
  INKS,
  keepTogether,
  MARGIN,
  openSheet,
  type PaperSize,
  rule,
  type Sheet,
  widthOf,
} from './sheet';

export interface PaperSources {
  readonly size: PaperSize;
  /** When it was issued, ISO. */
  readonly at: string;
  /** Two lines at the foot of every page. */
  readonly foot: readonly [string, string];
  /** Under the title: by whom and when, in words. */
  readonly issued: string;
  readonly pictures: Pictures;
  readonly typeOf: (id: string, revision: number) => UnitType | undefined;
}

/**
 * A report on paper, tagged: title, language, outline, headings, lists, tables with their heads, figures with words for who can't see them;
 * footers and rules are no part of what is read.
 */
export async function printPaper(read: Paper, sources: PaperSources): Promise<Buffer> {
  const paper = JSON.parse(printable(JSON.stringify(read))) as Paper;
  const sheet = openSheet(sources.size, {
    title: `${paper.title}: ${paper.subtitle}`,
    author: paper.shop.name,
    at: sources.at,
  });
  const finished = collectPdf(sheet.pdf);
  letterHead(sheet, paper, sources.issued);
  for (const section of paper.sections) printSection(sheet, section, sources);
  sheet.within.end();
  footers(sheet, sources.foot);
  sheet.pdf.end();
  return finished;
}

function letterHead(sheet: Sheet, { shop, title, subtitle }: Paper, issued: string): void {
  const { pdf } = sheet;
  element(sheet, 'P', () => {
    pdf.font('bold').fontSize(15).fillColor(INKS.blue).text(shop.name, MARGIN, MARGIN);
    pdf
      .font('text')
      .fontSize(9)
      .fillColor(INKS.second)
      .text([shop.place, shop.contact].filter(Boolean).join(' · '));
  });
  pdf.moveDown(0.6);
  rule(sheet, INKS.blue, 1.5);
  pdf.moveDown(0.8);
  element(sheet, 'H1', () => pdf.font('bold').fontSize(19).fillColor(INKS.ink).text(title));
  element(sheet, 'P', () => pdf.font('text').fontSize(10.5).text(subtitle));
  element(sheet, 'P', () => pdf.font('text').fontSize(9).fillColor(INKS.second).text(issued));
}

const HEAD = 44;

/** What must stand under a head, so that it doesn't stand alone at the foot of a page, points. */
function leadOf(sheet: Sheet, block: PaperBlock | undefined): number {
  if (block?.as === 'drawing') return DRAWING_HIGH + 30;
  return block?.as === 'table' ? leadOfTable(sheet, block) : 34;
}

function printSection(sheet: Sheet, { title, blocks, ownPage }: PaperSection, sources: PaperSources): void {
  const { pdf } = sheet;
  if (ownPage) pdf.addPage();
  else keepTogether(sheet, HEAD + leadOf(sheet, blocks[0]));
  pdf.outline.addItem(title);
  grouped(sheet, 'Sect', (inner) => {
    pdf.moveDown(ownPage ? 0 : 0.9);
    element(inner, 'H2', () =>
      pdf
        .font('bold')
        .fontSize(12.5)
        .fillColor(INKS.blue)
        .text(title, MARGIN, pdf.y, { width: widthOf(sheet) }),
    );
    pdf.y += 1;
    rule(inner, INKS.rule, 0.5);
    pdf.moveDown(0.35);
    for (const block of blocks) printBlock(inner, block, sources);
  });
}

type Of<As extends PaperBlock['as']> = Extract<PaperBlock, { as: As }>;

const PRINTERS: {
  readonly [As in PaperBlock['as']]: (sheet: Sheet, block: Of<As>, sources: PaperSources) => void;
} = {
  text: printText,
  part: printPart,
  facts: (sheet, { facts }) => {
    for (const [label, words] of facts) printText(sheet, { as: 'text', label, words });
  },
  list: (sheet, { lines }) =>
    grouped(sheet, 'L', (list) => {
      for (const line of lines) element(list, 'LI', () => paragraph(sheet, `–  ${line}`));
    }),
  table: printTable,
  photographs: (sheet, { photographs }, { pictures }) => printPhotographs(sheet, photographs, pictures),
  drawing: (sheet, block, { typeOf }) => printDrawing(sheet, block, typeOf(block.unitTypeId, block.revision)),
  scale: printScale,
  reply: printReply,
};

const printBlock = <As extends PaperBlock['as']>(sheet: Sheet, block: Of<As>, sources: PaperSources): void =>
  (PRINTERS[block.as as As] as (sheet: Sheet, block: Of<As>, sources: PaperSources) => void)(
    sheet,
    block,
    sources,
  );

const COLOURS = { quiet: INKS.second, warning: INKS.oxide } as const;

function printText(sheet: Sheet, { words, label, tone }: Of<'text'>): void {
  const { pdf } = sheet;
  const colour = tone ? COLOURS[tone] : INKS.ink;
  element(sheet, 'P', () => {
    if (label === undefined) return paragraph(sheet, words, colour);
    pdf
      .font('bold')
      .fontSize(10)
      .fillColor(colour)
      .text(`${label}: `, MARGIN, pdf.y, { continued: true, width: widthOf(sheet), lineGap: 1.5 });
    pdf.font('text').text(words);
  });
}

function paragraph(sheet: Sheet, words: string, colour: string = INKS.ink): void {
  sheet.pdf
    .font('text')
    .fontSize(10)
    .fillColor(colour)
    .text(words, MARGIN, sheet.pdf.y, { width: widthOf(sheet), lineGap: 1.5 });
}

/** The head of a part: its number on the drawing, its grade's shape, figure and word. */
function printPart(sheet: Sheet, { name, grade, gradeWord, number }: Of<'part'>): void {
  const { pdf } = sheet;
  keepTogether(sheet, 70);
  pdf.moveDown(0.5);
  const top = pdf.y;
  decoration(sheet, () => drawGradeGlyph(pdf, grade, MARGIN, top, grade >= 4 ? INKS.oxide : INKS.blue));
  element(sheet, 'H3', () =>
    pdf
      .font('bold')
      .fontSize(11.5)
      .fillColor(INKS.ink)
      .text(
        `${number === undefined ? '' : `${number}.  `}${name} – ${grade}, ${gradeWord}`,
        MARGIN + 24,
        top + 1,
      ),
  );
  pdf.moveDown(0.2);
}

const SCALE_HIGH = 34;

/** Words along a rule, the one that holds marked by a triangle and set bold. */
function printScale(sheet: Sheet, { title, words, holds }: Of<'scale'>): void {
  const { pdf } = sheet;
  keepTogether(sheet, SCALE_HIGH + 10);
  const top = pdf.y + 12;
  const step = widthOf(sheet) / (words.length - 1);
  element(
    sheet,
    'Figure',
    () => {
      pdf.strokeColor(INKS.ink).lineWidth(1);
      pdf
        .moveTo(MARGIN, top)
        .lineTo(MARGIN + widthOf(sheet), top)
        .stroke();
      words.forEach((word, at) => {
        const x = MARGIN + at * step;
        pdf
          .moveTo(x, top)
          .lineTo(x, top + 5)
          .stroke();
        pdf
          .font(at === holds ? 'bold' : 'text')
          .fontSize(9)
          .fillColor(at === holds ? INKS.ink : INKS.second);
        const wide = pdf.widthOfString(word);
        const left = at === 0 ? x : at === words.length - 1 ? x - wide : x - wide / 2;
        pdf.text(word, left, top + 8, { lineBreak: false });
      });
      const x = MARGIN + holds * step;
      pdf.polygon([x - 5, top - 9], [x + 5, top - 9], [x, top - 1]).fill(INKS.blue);
    },
    {
      alt: `${title}: ${words[holds]}, on a scale of ${words.join(', ')}`,
      bbox: [MARGIN, top - 10, MARGIN + widthOf(sheet), top + 22],
    },
  );
  pdf.x = MARGIN;
  pdf.y = top + 26;
}

/** To be filled in with a pen and sent back. */
function printReply(sheet: Sheet, { ways, lines }: Of<'reply'>): void {
  const { pdf } = sheet;
  const boxed = (words: string) => {
    const top = pdf.y + 6;
    decoration(sheet, () => pdf.rect(MARGIN, top, 12, 12).lineWidth(1).stroke(INKS.ink));
    element(sheet, 'P', () =>
      pdf
        .font('text')
        .fontSize(11)
        .fillColor(INKS.ink)
        .text(words, MARGIN + 22, top - 1, { width: widthOf(sheet) - 22 }),
    );
  };
  for (const words of [...ways, ...lines]) boxed(words);
  for (const label of ['Name', 'Date', 'Signature']) {
    pdf.moveDown(1.6);
    element(sheet, 'P', () => pdf.font('text').fontSize(10).text(label, MARGIN, pdf.y));
    rule(sheet, INKS.ink, 0.6);
  }
}

function footers({ pdf }: Sheet, [first, second]: readonly [string, string]): void {
  const { start, count } = pdf.bufferedPageRange();
  for (let page = start; page < start + count; page += 1) {
    pdf.switchToPage(page);
    pdf.page.margins.bottom = 0;
    pdf.markContent('Artifact', { type: 'Pagination', attached: ['Bottom'] });
    const y = pdf.page.height - 46;
    const wide = pdf.page.width - 2 * MARGIN;
    pdf
      .strokeColor(INKS.rule)
      .lineWidth(0.5)
      .moveTo(MARGIN, y - 6)
      .lineTo(MARGIN + wide, y - 6)
      .stroke();
    pdf.font('text').fontSize(8).fillColor(INKS.second);
    pdf.text(`${first}, page ${page - start + 1} of ${count}`, MARGIN, y, { lineBreak: false });
    pdf.text(second, MARGIN, y + 11, { lineBreak: false });
    pdf.endMarkedContent();
  }
}
