import { tellPlaces } from '@/core/report/tellPlaces';
import type { DrawnArea } from '@/core/section/drawSection';
import { type Box, boxOf, type Point } from '@/core/section/geometry';
import { DISC_R, type NumberedSection, numberedSection } from '@/core/section/numberedSection';
import { OUTLINE, STROKES } from '@/core/section/strokes';
import { areaPath, linePath } from '@/core/section/svgPath';
import type { PaperDrawing } from '@/model/paper';
import type { UnitType } from '@/model/unitType';
import { element, INKS, keepTogether, MARGIN, type Sheet, widthOf } from './sheet';

/** Pixels of the drawing on a point of paper: lines of a screen's width are too heavy on paper. */
const FINER = 1.6;
/** Points. */
export const DRAWING_HIGH = 250;
const INK = '#000000';
const STEEL = '#F1F1F1';
const CAVITY = '#E2E2E2';

/** The unit cut open in ink, with its numbers. A type that has no drawing is told in words. */
export function printDrawing(sheet: Sheet, drawing: PaperDrawing, type: UnitType | undefined): void {
  const { pdf } = sheet;
  const size = { width: Math.round(widthOf(sheet) * FINER), height: Math.round(DRAWING_HIGH * FINER) };
  const section = type && numberedSection(type, drawing.places, size);
  if (!section) {
    element(sheet, 'P', () =>
      pdf
        .font('text')
        .fontSize(9)
        .fillColor(INKS.second)
        .text('There is no drawing of this unit.', MARGIN, pdf.y, { width: widthOf(sheet) }),
    );
    return;
  }
  keepTogether(sheet, DRAWING_HIGH + 30);
  const top = pdf.y + 4;
  element(sheet, 'Figure', () => drawSection(pdf, section, top), {
    alt: tellPlaces(drawing, section.notDrawn),
    bbox: [MARGIN, top, MARGIN + widthOf(sheet), top + DRAWING_HIGH],
  });
  pdf.y = top + DRAWING_HIGH + 2;
  element(sheet, 'Caption', () =>
    pdf
      .font('text')
      .fontSize(8.5)
      .fillColor(INKS.second)
      .text(drawing.caption, MARGIN, pdf.y, { width: widthOf(sheet) }),
  );
  pdf.moveDown(0.4);
}

function drawSection(pdf: PDFKit.PDFDocument, section: NumberedSection, top: number): void {
  pdf.save();
  pdf.translate(MARGIN, top).scale(1 / FINER);
  for (const mark of section.marks)
    if ('area' in mark) drawArea(pdf, mark.area, section.filled.has(mark.area.positionId));
    else drawStroke(pdf, linePath(mark.line.points), mark.line.kind);
  for (const points of section.centreLines) drawStroke(pdf, linePath(points), 'centre');
  for (const { number, at, leader } of section.discs) {
    const line = linePath(leader);
    pdf.undash();
    pdf.path(line).lineWidth(3).stroke('#FFFFFF');
    pdf.path(line).lineWidth(1.1).stroke(INK);
    const [x, y] = leader.at(-1)!;
    pdf.circle(x, y, 3).lineWidth(1.2).fillAndStroke('#FFFFFF', INK);
    pdf.circle(at[0], at[1], DISC_R).fill(INK);
    pdf.font('bold').fontSize(14).fillColor('#FFFFFF');
    const words = String(number);
    pdf.text(words, at[0] - pdf.widthOfString(words) / 2, at[1] - 9.5, { lineBreak: false });
  }
  pdf.restore();
}

const FILL = {
  ...{ cavity: CAVITY, case: '#FFFFFF', cut: '#FFFFFF', blank: '#FFFFFF' },
  ...{ steel: STEEL, land: '#FFFFFF', roller: '#FFFFFF', solid: INK },
} as const;

function drawArea(pdf: PDFKit.PDFDocument, area: DrawnArea, isFilled: boolean): void {
  const d = areaPath(area);
  const metal = isFilled && area.tone !== 'cavity' && area.tone !== 'land';
  pdf.undash();
  pdf.path(d).fill(metal ? INKS.blue : FILL[area.tone], 'even-odd');
  if (area.hatch && !metal && area.tone !== 'solid') drawHatching(pdf, area, d);
  if (OUTLINE[area.tone] > 0) pdf.path(d).lineJoin('round').lineWidth(OUTLINE[area.tone]).stroke(INK);
}

function drawHatching(pdf: PDFKit.PDFDocument, area: DrawnArea, d: string): void {
  const { angle, spacing } = area.hatch!;
  pdf.save();
  pdf.path(d).clip('even-odd');
  for (const [from, to] of slanted(boxOf(area.points), angle > 0, spacing * Math.SQRT2))
    pdf.moveTo(...from).lineTo(...to);
  pdf.lineWidth(0.7).stroke(INK);
  pdf.restore();
}

/** Lines at 45° over a box, so far from each other along its width. Those of all pieces lie in one raster. */
export function slanted(
  { left, right, top, bottom }: Box,
  rising: boolean,
  step: number,
): (readonly [Point, Point])[] {
  const high = bottom - top;
  // Rising lines meet the top edge's height at x + y, falling ones at x − y.
  const key = (x: number, y: number) => (rising ? x + y : x - y);
  const from = rising ? key(left, top) : key(left, bottom);
  const until = rising ? key(right, bottom) : key(right, top);
  const lines: (readonly [Point, Point])[] = [];
  for (let at = Math.ceil(from / step) * step; at <= until; at += step)
    lines.push(
      rising
        ? [
            [at - top, top],
            [at - top - high, bottom],
          ]
        : [
            [at + top, top],
            [at + top + high, bottom],
          ],
    );
  return lines;
}

function drawStroke(pdf: PDFKit.PDFDocument, d: string, kind: keyof typeof STROKES): void {
  const { width, dash } = STROKES[kind];
  if (dash) pdf.dash(dash.split(' ').map(Number) as unknown as number, {});
  else pdf.undash();
  pdf.path(d).lineWidth(width).stroke(INK);
  pdf.undash();
}
