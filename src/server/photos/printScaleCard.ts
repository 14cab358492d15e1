import PDFDocument from 'pdfkit';
import * as v from 'valibot';
import { SCALE_CARD } from '@/core/imaging/scaleCard';
import { collectPdf, registerFonts } from '../pdf';
import { defineUseCase } from '../useCase';

const MM = 72 / 25.4;
const CARDS = 4;

/** A sheet of scale cards to cut out, true to size on A4, with a ruler that tells whether the printer kept it. */
export const printScaleCard = defineUseCase('job.read', v.strictObject({}), async () => {
  const sheet = new PDFDocument({ size: 'A4', margin: 0, info: { Title: 'Scale cards' } });
  registerFonts(sheet);
  const finished = collectPdf(sheet);
  sheet.fillColor('#000').font('text').fontSize(10);
  sheet.text(
    'Print at 100 %, glue onto something stiff and flat, cut outside the frame. Check the 50 mm with a caliper: more than 0.1 mm off, the card is no good.',
    25 * MM,
    12 * MM,
    { width: 160 * MM },
  );
  for (let index = 0; index < CARDS; index += 1) drawCard(sheet, 65 * MM, (32 + index * 63) * MM);
  sheet.end();
  return finished;
});

function drawCard(sheet: PDFKit.PDFDocument, x: number, y: number): void {
  const { width, height, frame, key } = SCALE_CARD;
  const box = (left: number, top: number, wide: number, high: number, colour: string) =>
    sheet.rect(x + left * MM, y + top * MM, wide * MM, high * MM).fill(colour);
  box(0, 0, width, height, '#000');
  box(frame, frame, width - 2 * frame, height - 2 * frame, '#fff');
  box(key.from, key.from, key.to - key.from, key.to - key.from, '#000');
  sheet.fillColor('#000').font('bold').fontSize(10);
  sheet.text(`${width} × ${height} mm, outer edges`, x + 20 * MM, y + 19 * MM, { lineBreak: false });
  sheet.font('text').fontSize(8);
  sheet.text('Lay it in the plane of what is measured.', x + 20 * MM, y + 25 * MM, { lineBreak: false });
  for (let mark = 0; mark <= 50; mark += 5)
    box(20 + mark, mark % 10 === 0 ? 33 : 35, 0.25, mark % 10 === 0 ? 6 : 4, '#000');
  sheet.fontSize(7).text('50 mm', x + 66 * MM, y + 29 * MM, { lineBreak: false });
}
