import { drawMark, penOf } from '@/core/imaging/marks';
import type { ReportPhotograph } from '@/model/report';
import { element, INKS, keepTogether, MARGIN, type Sheet, widthOf } from './sheet';

/** A picture for the paper, or the words that stand in its place. */
export type Pictures = ReadonlyMap<string, Buffer | string>;

const GAP = 14;
const HIGH = 158;

/** Photographs two in a row, each with what was drawn on it and its caption. */
export function printPhotographs(
  sheet: Sheet,
  photographs: readonly ReportPhotograph[],
  pictures: Pictures,
): void {
  const wide = (widthOf(sheet) - GAP) / 2;
  for (let first = 0; first < photographs.length; first += 2) {
    keepTogether(sheet, HIGH + 30);
    const top = sheet.pdf.y + 6;
    const lower = photographs.slice(first, first + 2).map((photograph, column) =>
      onePhotograph(sheet, photograph, pictures.get(photograph.id), {
        ...{ left: MARGIN + column * (wide + GAP), top, wide },
        nth: first + column + 1,
      }),
    );
    sheet.pdf.x = MARGIN;
    sheet.pdf.y = Math.max(...lower) + 4;
  }
}

interface Place {
  readonly left: number;
  readonly top: number;
  readonly wide: number;
  readonly nth: number;
}

/** Answers how far down it reaches. */
function onePhotograph(
  sheet: Sheet,
  photograph: ReportPhotograph,
  picture: Buffer | string | undefined,
  { left, top, wide, nth }: Place,
): number {
  const { pdf } = sheet;
  const { caption, marks = [] } = photograph;
  let under = top;
  if (picture !== undefined && typeof picture !== 'string') {
    element(
      sheet,
      'Figure',
      () => {
        pdf.image(picture, left, top, { fit: [wide, HIGH] });
        drawMarks(pdf, photograph, [left, top], wide);
      },
      {
        alt: `Photograph ${nth}: ${caption}${marks.length > 0 ? `, with ${marks.length} marks on it` : ''}`,
        bbox: [left, top, left + wide, top + HIGH],
      },
    );
    under = top + HIGH + 2;
  }
  element(sheet, typeof picture === 'string' ? 'P' : 'Caption', () =>
    pdf
      .font('text')
      .fontSize(8.5)
      .fillColor(INKS.second)
      .text(typeof picture === 'string' ? picture : `${caption}, photograph ${nth}`, left, under, {
        width: wide,
      }),
  );
  return pdf.y;
}

/** What was drawn on a photograph, over its picture: the same strokes as on the screen. */
function drawMarks(
  pdf: PDFKit.PDFDocument,
  { marks = [], width: pixelsWide = 1, height: pixelsHigh = 1 }: ReportPhotograph,
  [left, top]: readonly [number, number],
  wide: number,
): void {
  const picture = { width: pixelsWide, height: pixelsHigh };
  const scale = Math.min(wide / pixelsWide, HIGH / pixelsHigh);
  const pen = penOf(picture);
  for (const mark of marks) {
    const { path, disc, words } = drawMark(mark, picture);
    pdf.save();
    pdf.translate(left, top).scale(scale);
    for (const [width, colour] of [
      [2.7 * pen, INKS.ink],
      [1.3 * pen, INKS.brass],
    ] as const)
      if (path) pdf.path(path).lineCap('round').lineWidth(width).stroke(colour);
    if (disc)
      pdf.circle(disc.at[0], disc.at[1], disc.radius).lineWidth(pen).fillAndStroke(INKS.brass, INKS.ink);
    if (words) {
      pdf
        .font('bold')
        .fontSize(words.size)
        .fillColor(disc ? INKS.ink : INKS.brass);
      const x = disc ? words.at[0] - pdf.widthOfString(words.text) / 2 : words.at[0];
      pdf.text(words.text, x, words.at[1] - 0.68 * words.size, { lineBreak: false });
    }
    pdf.restore();
  }
}
