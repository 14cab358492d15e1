import type { Grade } from '@/model/damage';
import { gradePath, WHOLE_TOOTH } from '@/model/gradeShape';

/** Draws the grade's shape on paper, 18 points wide, with the lost metal as a hairline. */
export function drawGradeGlyph(
  sheet: PDFKit.PDFDocument,
  grade: Grade,
  x: number,
  y: number,
  colour: string,
): void {
  sheet
    .save()
    .translate(x, y)
    .scale(18 / 24);
  sheet.path(WHOLE_TOOTH).lineWidth(0.6).dash(1.6, { space: 1.6 }).strokeColor(colour).stroke().undash();
  sheet.path(gradePath(grade)).fillColor(colour).fill();
  sheet.restore();
}
