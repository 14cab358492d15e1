import PDFDocument from 'pdfkit';
import { registerFonts } from '../../pdf';

/* A sheet that says what stands on it: each piece of text is drawn inside an element of the document's structure, rules and footers outside. */

export const INKS = {
  ink: '#13252C',
  second: '#47555A',
  blue: '#0C4052',
  oxide: '#98290F',
  rule: '#7B827C',
  brass: '#E3B354',
  band: '#EDE9DC',
} as const;
export const MARGIN = 54;
/** Kept clear for the footer. */
export const FOOT = 72;

export type PaperSize = 'A4' | 'LETTER';

type Element = PDFKit.PDFStructureElement;

interface ElementOptions {
  readonly alt?: string;
  readonly bbox?: [number, number, number, number];
  readonly scope?: 'Column' | 'Row';
}

export interface Sheet {
  readonly pdf: PDFKit.PDFDocument;
  /** Where the next element belongs. */
  readonly within: Element;
}

/** @throws where the fonts are not there */
export function openSheet(size: PaperSize, info: { title: string; author: string; at: string }): Sheet {
  const pdf = new PDFDocument({
    ...{ size, tagged: true, displayTitle: true, lang: 'en', pdfVersion: '1.7', bufferPages: true },
    margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: FOOT },
    info: { Title: info.title, Author: info.author, CreationDate: new Date(info.at) },
  });
  registerFonts(pdf);
  const within = pdf.struct('Document', { title: info.title });
  pdf.addStructure(within);
  return { pdf, within };
}

/** An element that holds others: a section, a list, a table. */
export function grouped(sheet: Sheet, type: string, body: (inner: Sheet) => void): void {
  const group = sheet.pdf.struct(type);
  sheet.within.add(group);
  body({ ...sheet, within: group });
  group.end();
}

/** An element of which something is drawn, a page break within it included. */
export function element(sheet: Sheet, type: string, draw: () => void, options: ElementOptions = {}): void {
  const content = sheet.pdf.markStructureContent(type);
  draw();
  sheet.pdf.endMarkedContent();
  sheet.within.add(sheet.pdf.struct(type, options as object, content));
}

/** What only decorates: whoever listens to the document is spared it. */
export function decoration(sheet: Sheet, draw: () => void): void {
  sheet.pdf.markContent('Artifact', { type: 'Layout' });
  draw();
  sheet.pdf.endMarkedContent();
}

export const widthOf = ({ pdf }: Sheet): number => pdf.page.width - 2 * MARGIN;
export const bottomOf = ({ pdf }: Sheet): number => pdf.page.height - FOOT;

/** Begins a new page where less than so much is left of this one, points. */
export function keepTogether({ pdf }: Sheet, needed: number): void {
  if (pdf.y + needed > pdf.page.height - FOOT) pdf.addPage();
}

export function rule(sheet: Sheet, colour: string, width: number): void {
  const { pdf } = sheet;
  decoration(sheet, () => {
    pdf
      .strokeColor(colour)
      .lineWidth(width)
      .moveTo(MARGIN, pdf.y)
      .lineTo(MARGIN + widthOf(sheet), pdf.y)
      .stroke();
  });
}
